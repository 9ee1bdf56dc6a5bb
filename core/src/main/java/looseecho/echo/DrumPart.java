package looseecho.echo;

import java.util.Objects;
import looseecho.activity.Lane;
import looseecho.reading.Limits;

/**
 * One of the drums of a kind.
 *
 * @param number 1 for the first
 */
public record DrumPart(Lane lane, int number) implements Part {
  public DrumPart {
    Objects.requireNonNull(lane, "lane must not be null");
    Limits.within("number", number, 1, MOST);
  }

  @Override
  public String words() {
    return Part.text(lane.words(), number);
  }

  @Override
  public DrumPart numbered(int other) {
    return new DrumPart(lane, other);
  }

  @Override
  public int order() {
    return Lane.SHOWN.indexOf(lane);
  }

  @Override
  public int size(TemplateSection s) {
    return s.hits(this).size();
  }

  @Override
  public String toString() {
    return Part.text(lane.name(), number);
  }

  /** Reads what {@link #toString} wrote. */
  public static DrumPart valueOf(String text) {
    return Part.valueOf(text)
        .asDrum()
        .orElseThrow(() -> new IllegalArgumentException("no such part: " + text));
  }
}
