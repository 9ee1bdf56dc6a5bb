package looseecho.synth;

import looseecho.reading.Limits;

/**
 * What makes a tone's colour besides its level and its plain low-pass.
 *
 * @param wave what stands against the sine
 * @param pulse share of the period that a pulse is up, 0.05..0.95; a square at 0.5
 * @param noise level of noise beside the wave, 0..1
 * @param fmRatio frequency of a modulating sine against the tone's
 * @param fmIndex depth of the modulation in radians, falling with the tone; 0 for none
 * @param filter kind
 * @param resonance 0..0.95; at the edge of the soft filter it does nothing
 * @param vowel what the vowel filter says
 * @param pitchSemitones how much higher the tone begins
 * @param pitchMs time constant in which it falls to its pitch
 * @param wobbleBeats period in which the filter swings, in quarters; 0 for none
 * @param wobbleOctaves how far it swings up and down
 * @param driveFirst true to drive before the filter: it roars; after it, it growls
 */
public record Timbre(
    Wave wave,
    double pulse,
    double noise,
    double fmRatio,
    double fmIndex,
    Filter filter,
    double resonance,
    Vowel vowel,
    double pitchSemitones,
    double pitchMs,
    double wobbleBeats,
    double wobbleOctaves,
    boolean driveFirst) {
  /** Shape of the oscillators. */
  public enum Wave {
    SAW("saw"),
    TRIANGLE("triangle"),
    PULSE("pulse"),
    NOISE("noise");

    private final String words;

    Wave(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /** Kind of filter. */
  public enum Filter {
    /** Two gentle poles, without resonance. */
    SOFT("soft low-pass"),
    LOW("low-pass"),
    HIGH("high-pass"),
    BAND("band-pass"),
    VOWEL("vowel");

    private final String words;

    Filter(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /**
   * First three formants of sung vowels, in hertz. Source: G. E. Peterson and H. L. Barney,
   * "Control methods used in a study of the vowels", JASA 24 (1952), table II, men's averages.
   */
  public enum Vowel {
    A("a", 730, 1090, 2440),
    E("e", 530, 1840, 2480),
    I("i", 270, 2290, 3010),
    O("o", 570, 840, 2410),
    U("u", 300, 870, 2240);

    private final String words;
    private final double[] hertz;

    Vowel(String words, double... hertz) {
      this.words = words;
      this.hertz = hertz;
    }

    public String words() {
      return words;
    }

    /** The formants from low to high. */
    public double[] hertz() {
      return hertz.clone();
    }
  }

  public static final Timbre PLAIN =
      new Timbre(Wave.SAW, 0.5, 0, 1, 0, Filter.SOFT, 0, Vowel.A, 0, 20, 0, 1, false);

  public Timbre {
    wave = wave == null ? Wave.SAW : wave;
    filter = filter == null ? Filter.SOFT : filter;
    vowel = vowel == null ? Vowel.A : vowel;
    Limits.within("pulse", pulse, 0.05, 0.95);
    Limits.within("noise", noise, 0, 1);
    Limits.within("fmRatio", fmRatio, 0.1, 16);
    Limits.within("fmIndex", fmIndex, 0, 20);
    Limits.within("resonance", resonance, 0, 0.95);
    Limits.within("pitchSemitones", pitchSemitones, -48, 48);
    Limits.within("pitchMs", pitchMs, 0.1, Limits.SOUND_MS);
    Limits.within("wobbleBeats", wobbleBeats, 0, 16);
    Limits.within("wobbleOctaves", wobbleOctaves, 0, 5);
  }

  public Timbre wave(Wave other) {
    return made(other, filter, resonance, vowel, numbers(), driveFirst);
  }

  public Timbre filter(Filter kind, double peak, Vowel says) {
    return made(wave, kind, peak, says, numbers(), driveFirst);
  }

  public Timbre driveFirst(boolean first) {
    return made(wave, filter, resonance, vowel, numbers(), first);
  }

  /** The same with one number exchanged. */
  public Timbre with(Dial which, double value) {
    double[] v = numbers();
    v[which.ordinal()] = value;
    return made(wave, filter, resonance, vowel, v, driveFirst);
  }

  /** In the order of the dials. */
  private double[] numbers() {
    return new double[] {
      pulse, noise, fmRatio, fmIndex, pitchSemitones, pitchMs, wobbleBeats, wobbleOctaves
    };
  }

  private static Timbre made(
      Wave w, Filter kind, double peak, Vowel says, double[] v, boolean first) {
    return new Timbre(w, v[0], v[1], v[2], v[3], kind, peak, says, v[4], v[5], v[6], v[7], first);
  }

  /** The numbers of a character. */
  public enum Dial {
    PULSE,
    NOISE,
    FM_RATIO,
    FM_INDEX,
    PITCH_SEMITONES,
    PITCH_MS,
    WOBBLE_BEATS,
    WOBBLE_OCTAVES
  }
}
