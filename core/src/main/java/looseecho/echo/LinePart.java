package looseecho.echo;

import java.util.Objects;
import looseecho.activity.Lane;
import looseecho.notes.Line;
import looseecho.reading.Limits;

/**
 * One of the lines of notes of a kind.
 *
 * @param number 1 for the first
 */
public record LinePart(Line line, int number) implements Part {
  public LinePart {
    Objects.requireNonNull(line, "line must not be null");
    Limits.within("number", number, 1, MOST);
  }

  @Override
  public String words() {
    return Part.text(line.words(), number);
  }

  @Override
  public LinePart numbered(int other) {
    return new LinePart(line, other);
  }

  @Override
  public int order() {
    return Lane.SHOWN.size() + line.ordinal();
  }

  @Override
  public int size(TemplateSection s) {
    return s.notes(this).size();
  }

  @Override
  public String toString() {
    return Part.text(line.name(), number);
  }

  /** Reads what {@link #toString} wrote. */
  public static LinePart valueOf(String text) {
    return Part.valueOf(text)
        .asLine()
        .orElseThrow(() -> new IllegalArgumentException("no such part: " + text));
  }
}
