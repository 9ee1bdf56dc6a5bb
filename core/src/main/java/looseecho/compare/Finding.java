package looseecho.compare;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One thing in which an echo is measured against its reference.
 *
 * @param kind what is measured
 * @param of the part that it is about, as it is called; "mix" for the whole
 * @param noticed the difference in steps that a listener just notices; 0 for none
 * @param words what differs and what to change
 * @param at seconds in the echo where it can be heard; empty for everywhere
 * @param mend what would set it right; empty where it takes a person
 */
public record Finding(
    Kind kind, String of, double noticed, String words, OptionalDouble at, Optional<Mend> mend) {
  /** The name that the whole goes by. */
  public static final String MIX = "mix";

  private static final double HALF = 3; // steps that halve a score

  /** What is measured, and what one step of it is. */
  public enum Kind {
    /** 6 ms (Friberg and Sundberg 1995, for quick strokes; from memory). */
    TIMING("timing"),
    /** A stroke or note that is missing or too many among those that should be there. */
    PATTERN("pattern"),
    /** 3 dB of an accent. */
    ACCENTS("accents"),
    PITCH("notes"),
    /** 2 dB over time and frequency. */
    SOUND("sound"),
    /** 1 dB of a part against the mix (Zwicker and Fastl 1999; from memory). */
    LEVEL("level"),
    /** A twentieth of the energy at the sides. */
    WIDTH("width"),
    PRESENCE("sections"),
    /** 2 dB of depth. */
    DUCKING("ducking"),
    /** 2 dB of an octave (Green 1988 for changes of a profile; from memory). */
    BAND("balance"),
    /** 2 LU of loudness range, 2 dB of crest. */
    DYNAMICS("dynamics");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /** 100 for no difference; three steps that a listener just notices halve it. */
  public double score() {
    return 100 * Math.pow(2, -noticed / HALF);
  }

  /** One without a mend, heard everywhere. */
  static Finding of(Kind kind, String of, double noticed, String words) {
    return new Finding(kind, of, noticed, words, OptionalDouble.empty(), Optional.empty());
  }
}
