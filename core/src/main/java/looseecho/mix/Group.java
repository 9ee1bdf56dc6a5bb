package looseecho.mix;

import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.notes.Line;

/** Parts that run through one bus. */
public enum Group {
  DRUMS("drums"),
  BASS("bass"),
  TONES("tones"),
  ALL("all");

  private final String words;

  Group(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** The group that a part belongs to. */
  public static Group of(Part part) {
    if (part instanceof DrumPart) {
      return DRUMS;
    }
    return part.asLine().orElseThrow().line() == Line.BASS ? BASS : TONES;
  }
}
