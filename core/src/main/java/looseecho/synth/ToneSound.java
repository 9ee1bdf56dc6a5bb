package looseecho.synth;

import looseecho.reading.Limits;

/**
 * The recipe of a tone.
 *
 * @param saw share of saw wave against sine, 0..1
 * @param voices detuned copies, 1..7
 * @param detuneCents spread of the copies
 * @param cutoffHz resting cut-off of the low-pass
 * @param openHz how much higher the cut-off starts
 * @param attackMs rise time
 * @param decayMs time constant of the fall to the sustained level
 * @param sustain level held, 0..1
 * @param releaseMs time constant after the note's end
 * @param drive 0 clean .. 5 strongly bent
 * @param sub level of a sine an octave below, 0..1
 * @param timbre what makes its colour besides
 */
public record ToneSound(
    double saw,
    int voices,
    double detuneCents,
    double cutoffHz,
    double openHz,
    double attackMs,
    double decayMs,
    double sustain,
    double releaseMs,
    double drive,
    double sub,
    Timbre timbre)
    implements Source {
  /** The built-in bass: round, with enough overtones for small speakers. */
  public static final ToneSound BASS =
      new ToneSound(0.6, 1, 0, 320, 900, 3, 220, 0.55, 25, 0.8, 0, Timbre.PLAIN);

  /** The built-in chords: soft and wide open, behind the rest. */
  public static final ToneSound PAD =
      new ToneSound(0.85, 3, 9, 1400, 900, 25, 600, 0.6, 140, 0, 0, Timbre.PLAIN);

  /** The built-in riff: plucked, clear enough to be followed. */
  public static final ToneSound PLUCK =
      new ToneSound(0.75, 2, 5, 1000, 2800, 2, 260, 0.3, 70, 0.3, 0, Timbre.PLAIN);

  public ToneSound {
    timbre = timbre == null ? Timbre.PLAIN : timbre;
    Limits.within("saw", saw, 0, 1);
    Limits.within("voices", voices, 1, Limits.VOICES);
    Limits.within("detuneCents", detuneCents, 0, 1200);
    Limits.within("cutoffHz", cutoffHz, 1, Limits.HERTZ);
    Limits.within("openHz", openHz, 0, Limits.HERTZ);
    Limits.within("attackMs", attackMs, 0, Limits.SOUND_MS);
    Limits.within("decayMs", decayMs, 0.01, Limits.SOUND_MS);
    Limits.within("sustain", sustain, 0, 1);
    Limits.within("releaseMs", releaseMs, 0, Limits.SOUND_MS);
    Limits.within("drive", drive, 0, 100);
    Limits.within("sub", sub, 0, 1);
  }

  /** The same with another timbre. */
  public ToneSound with(Timbre other) {
    return new ToneSound(
        saw,
        voices,
        detuneCents,
        cutoffHz,
        openHz,
        attackMs,
        decayMs,
        sustain,
        releaseMs,
        drive,
        sub,
        other);
  }

  /** The same with another rise. */
  public ToneSound rising(double value) {
    return with(5, value);
  }

  /** The same holding another level. */
  public ToneSound holding(double value) {
    return with(7, value);
  }

  /** The same ringing on for another time. */
  public ToneSound releasing(double value) {
    return with(8, value);
  }

  /** The same with another share of saw wave. */
  public ToneSound wave(double value) {
    return with(0, value);
  }

  /** The same with its copies detuned by other cents; 0 leaves one copy. */
  public ToneSound spread(double value) {
    return with(1, value > 0 ? Math.max(2, voices) : 1).with(2, value);
  }

  /** The same with another resting cut-off. */
  public ToneSound filtered(double value) {
    return with(3, value);
  }

  /** The same with another opening of the filter. */
  public ToneSound opening(double value) {
    return with(4, value);
  }

  /** The same with another decay. */
  public ToneSound decaying(double value) {
    return with(6, value);
  }

  /** The same with another drive. */
  public ToneSound driven(double value) {
    return with(9, value);
  }

  /** The same with another level of the octave below. */
  public ToneSound subbed(double value) {
    return with(10, value);
  }

  /** The same with one component, counted from 0, exchanged. */
  private ToneSound with(int component, double value) {
    double[] v = {
      saw, voices, detuneCents, cutoffHz, openHz, attackMs, decayMs, sustain, releaseMs, drive, sub
    };
    v[component] = value;
    return new ToneSound(
        v[0], (int) v[1], v[2], v[3], v[4], v[5], v[6], v[7], v[8], v[9], v[10], timbre);
  }
}
