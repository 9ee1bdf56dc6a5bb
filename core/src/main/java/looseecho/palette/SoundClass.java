package looseecho.palette;

import looseecho.activity.Lane;
import looseecho.echo.Part;
import looseecho.notes.Line;

/** What kind of one-shot a sound is. */
public enum SoundClass {
  KICK("kick"),
  SNARE("snare"),
  CLAP("clap"),
  CLOSED_HAT("closed hat"),
  OPEN_HAT("open hat"),
  TOM("tom"),
  CYMBAL("cymbal"),
  PERCUSSION("percussion"),
  BASS("bass"),
  TONE("tone");

  private final String words;

  SoundClass(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** The class that a part's sounds have. */
  public static SoundClass of(Part part) {
    return part.asLine()
        .map(l -> l.line() == Line.BASS ? BASS : TONE)
        .orElseGet(() -> of(part.asDrum().orElseThrow().lane()));
  }

  /** The class that a drum's sounds have. */
  public static SoundClass of(Lane lane) {
    return switch (lane.base()) {
      case KICK -> KICK;
      case SNARE -> SNARE;
      case CLAP -> CLAP;
      case HAT_CLOSED -> CLOSED_HAT;
      case HAT_OPEN -> OPEN_HAT;
      case TOM -> TOM;
      case CYMBAL -> CYMBAL;
      default -> PERCUSSION;
    };
  }
}
