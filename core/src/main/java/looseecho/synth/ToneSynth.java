package looseecho.synth;

import looseecho.dsp.Bend;

/** Renders one note: mono, attack at sample 0. Deterministic. */
public final class ToneSynth {
  private static final double TAIL = 5; // time constants of release rendered

  /**
   * Renders a note.
   *
   * @param pitch MIDI number, fractions allowed
   * @param seconds how long the key is held
   * @param velocity 1..127; softer notes are darker too
   */
  public float[] render(ToneSound s, double pitch, double seconds, int velocity, int rate) {
    return render(s, pitch, seconds, velocity, 0, 0, rate);
  }

  /**
   * Renders a note that slides to its pitch.
   *
   * @param slide semitones away at which it begins
   * @param slideSeconds how long it slides, evenly in semitones
   */
  public float[] render(
      ToneSound s,
      double pitch,
      double seconds,
      int velocity,
      double slide,
      double slideSeconds,
      int rate) {
    return render(s, new Played(pitch, seconds, velocity, slide, slideSeconds, 0.5), rate);
  }

  /**
   * How a note is played.
   *
   * @param pitch MIDI number, fractions allowed
   * @param seconds how long the key is held
   * @param velocity 1..127
   * @param slide semitones away at which it begins
   * @param slideSeconds how long it slides, evenly in semitones
   * @param beatSeconds of a quarter, for what swings with the tempo
   */
  public record Played(
      double pitch,
      double seconds,
      int velocity,
      double slide,
      double slideSeconds,
      double beatSeconds) {}

  /** Renders a note. */
  public float[] render(ToneSound s, Played n, int rate) {
    double hz = 440 * Math.pow(2, (n.pitch() - 69) / 12);
    int held = (int) (n.seconds() * rate);
    float[] out = new float[length(s, n.seconds(), rate)];
    double loud = Math.pow(n.velocity() / 127.0, 1.4);
    Oscillators oscillators = new Oscillators(s, hz, rate);
    ToneFilter filter = new ToneFilter(s, n, rate);
    boolean early = s.timbre().driveFirst() && s.drive() > 0;
    double atEnd = envelope(s, n.seconds());
    double fall = 1; // the decay, and from the end on the release, as steady factors
    double fallStep = Math.exp(-1000 / (s.decayMs() * rate));
    double release = atEnd;
    double releaseStep = Math.exp(-1000 / (s.releaseMs() * rate));
    double[] raw = new double[Oscillators.BLOCK];
    for (int i = 0; i < out.length; i++) {
      double t = (double) i / rate;
      double level = i < held ? rise(s, t) * (s.sustain() + (1 - s.sustain()) * fall) : release;
      fall *= fallStep;
      release *= i < held ? 1 : releaseStep;
      if (i % raw.length == 0) {
        oscillators.bend(away(s, n, t));
        filter.move(t, loud);
        oscillators.fill(raw, Math.min(raw.length, out.length - i), t);
      }
      double x = raw[i % raw.length];
      double y = filter.next(early ? driven(s, x) : x) * level;
      out[i] = (float) (loud * (early || s.drive() == 0 ? y : driven(s, y)));
    }
    return out;
  }

  /** Semitones above the note's pitch: what is left of the slide and of the pitch's envelope. */
  private static double away(ToneSound s, Played n, double t) {
    double slide =
        n.slide() != 0 && t < n.slideSeconds() ? n.slide() * (1 - t / n.slideSeconds()) : 0;
    double own = s.timbre().pitchSemitones();
    return own == 0 ? slide : slide + own * Math.exp(-1000 * t / s.timbre().pitchMs());
  }

  private static double driven(ToneSound s, double y) {
    return Bend.tanh(y * (1 + s.drive())) / (1 + 0.5 * s.drive());
  }

  /** Samples that a note held so long sounds for. */
  public static int length(ToneSound s, double seconds, int rate) {
    return (int) (seconds * rate) + (int) (TAIL * s.releaseMs() / 1000 * rate);
  }

  private static double envelope(ToneSound s, double t) {
    return rise(s, t) * (s.sustain() + (1 - s.sustain()) * Math.exp(-1000 * t / s.decayMs()));
  }

  private static double rise(ToneSound s, double t) {
    return s.attackMs() <= 0 ? 1 : Math.min(1, 1000 * t / s.attackMs());
  }
}
