package looseecho.separate;

import looseecho.activity.Lane;

/** A group of sounds that a mix is parted into, in the order of the network's outputs. */
public enum Stem {
  KICK("kick"),
  SNARE("snare and clap"),
  HATS("hats and cymbals"),
  TOMS("toms and percussion"),
  BASS("bass"),
  CHORDS("chords and pads"),
  RIFF("riff and lead"),
  VOICE("voice"),
  NOISE("noise and effects");

  private final String words;

  Stem(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** The group that a drum lies in. */
  public static Stem of(Lane lane) {
    return switch (lane.base()) {
      case KICK -> KICK;
      case SNARE, CLAP -> SNARE;
      case HAT_CLOSED, HAT_OPEN, CYMBAL -> HATS;
      default -> TOMS;
    };
  }

  /** True for the drums. */
  public boolean isDrum() {
    return ordinal() <= TOMS.ordinal();
  }
}
