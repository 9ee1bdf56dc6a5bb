package looseecho.notes;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoublePredicate;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import looseecho.dsp.Yin;
import looseecho.reading.Together;

/**
 * Completes bass notes by looking at the sound itself: loudness, the slide into a note, and whether
 * the note is carried by its own low pitch.
 *
 * <p>Loudness: the strength of the first three partials over the note's first tenth of a second, as
 * v = 127 (s / s0)^(1 / 1.4), the loud notes of the song (95th percentile) at 112. Slides: the
 * pitch by {@link Yin} every 10 ms from a little before the note; a slide moves for 40 ms or more
 * towards the note from more than three quarters of a semitone away.
 */
public final class BassDetails {
  private static final int LOUD = 112;
  private static final double LOUD_SHARE = 0.95;
  private static final double POWER = 1 / 1.4;
  private static final double ATTACK_SECONDS = 0.12;
  private static final double SUB_HZ = 85; // common practice: the sub ends around 80 to 90 Hz
  private static final double SUB_OVER = 3; // 10 dB over its overtones
  private static final double HOP = 0.01;
  private static final double BEFORE = 0.12;
  private static final double AFTER = 0.35;
  private static final double LEAST_SLIDE = 0.75; // semitones
  private static final double MOST_SLIDE = 13;
  private static final double ARRIVED = 0.35;
  private static final double LEAST_SECONDS = 0.04;
  private static final double LEAST_WITH_KICK = 0.09; // a kick's own fall is shorter
  private static final double STEP = 2.5; // semitones that a slide may move in 10 ms

  private final float[] low;
  private final int rate;
  private final double tuning;
  private final DoublePredicate kickAt;
  private final Yin yin;

  /**
   * Over a sound.
   *
   * @param low mono
   * @param tuningCents above 440 Hz
   * @param kickAt true where a kick drum sounds at a second
   */
  public BassDetails(float[] low, int rate, double tuningCents, DoublePredicate kickAt) {
    this.low = low;
    this.rate = rate;
    this.tuning = tuningCents / 100;
    this.kickAt = kickAt;
    this.yin = new Yin(rate, 28, 400, rate / 20);
  }

  /** The same notes with their details. */
  public List<Note> complete(List<Note> notes) {
    List<Optional<Glide>> glides = Together.map(notes, this::glide);
    double[] strength =
        IntStream.range(0, notes.size())
            .mapToDouble(i -> strength(notes.get(i), glides.get(i)))
            .toArray();
    double[] sorted = strength.clone();
    Arrays.sort(sorted);
    double loud = sorted.length == 0 ? 1 : sorted[(int) (LOUD_SHARE * (sorted.length - 1))];
    return IntStream.range(0, strength.length)
        .mapToObj(i -> complete(notes.get(i), glides.get(i), loud > 0 ? strength[i] / loud : 1))
        .toList();
  }

  private Note complete(Note n, Optional<Glide> glide, double relative) {
    int velocity = (int) Math.round(LOUD * Math.pow(relative, POWER));
    return new Note(
        n.start(),
        n.end(),
        n.pitch(),
        Math.max(1, Math.min(127, velocity)),
        n.confidence(),
        glide,
        sub(n),
        n.doubled());
  }

  private double hertz(double pitch) {
    return 440 * Math.pow(2, (pitch - 69 + tuning) / 12);
  }

  private double strength(Note n, Optional<Glide> glide) {
    double from = Math.max(n.start(), glide.map(Glide::end).orElse(n.start()));
    double to = Math.min(Math.max(n.end(), from + 0.03), from + ATTACK_SECONDS);
    double power = 0;
    for (int partial = 1; partial <= 3; partial++) {
      double a = amplitude(partial * hertz(n.pitch()), from, to);
      power += a * a;
    }
    return Math.sqrt(power);
  }

  private boolean sub(Note n) {
    double f = hertz(n.pitch());
    double to = Math.max(n.end(), n.start() + ATTACK_SECONDS);
    double own = amplitude(f, n.start(), to);
    return f < SUB_HZ
        && own
            >= SUB_OVER
                * Math.max(amplitude(2 * f, n.start(), to), amplitude(3 * f, n.start(), to));
  }

  /** Amplitude of one frequency over a span (Goertzel's algorithm under a Hann window). */
  private double amplitude(double hz, double from, double to) {
    int a = Math.max(0, (int) (from * rate));
    int n = Math.min(low.length, (int) (to * rate)) - a;
    double w = 2 * Math.PI * hz / rate;
    if (n < 8 || w >= Math.PI) {
      return 0;
    }
    double c = 2 * Math.cos(w);
    double s1 = 0;
    double s2 = 0;
    for (int i = 0; i < n; i++) {
      double hann = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / n);
      double s = hann * low[a + i] + c * s1 - s2;
      s2 = s1;
      s1 = s;
    }
    return 4 * Math.sqrt(Math.max(0, s1 * s1 + s2 * s2 - c * s1 * s2)) / n;
  }

  /** The slide into a note, when there is one. */
  private Optional<Glide> glide(Note n) {
    double first = Math.max(0, n.start() - BEFORE);
    int count = (int) ((Math.min(n.end(), n.start() + AFTER) - first) / HOP);
    double[] away = new double[Math.max(0, count)]; // semitones from the note
    Yin.Course course =
        yin.course(low, (int) (first * rate), (int) Math.round(HOP * rate), away.length);
    int arrived = arrival(away, i -> away(n, course.hertz(i)));
    if (arrived < 0) {
      return Optional.empty();
    }
    int begin = arrived;
    while (begin > 0 && towards(away[begin - 1], away[begin])) {
      begin--;
    }
    while (begin < arrived && Math.abs(away[begin] - away[begin + 1]) < 0.02) {
      begin++; // the pitch that it leaves was held
    }
    double from = away[begin];
    double seconds = (arrived - begin) * HOP;
    boolean kick = kickAt.test(n.start());
    boolean slide =
        Math.abs(from) >= LEAST_SLIDE
            && Math.abs(from) <= MOST_SLIDE
            && seconds >= (kick && from > 0 ? LEAST_WITH_KICK : LEAST_SECONDS);
    return slide
        ? Optional.of(new Glide(n.pitch() + from, first + begin * HOP, first + arrived * HOP))
        : Optional.empty();
  }

  /** Semitones from the note; NaN where there is no clear pitch. */
  private double away(Note n, OptionalDouble f) {
    return f.isPresent()
        ? 69 + 12 * Math.log(f.getAsDouble() / 440) / Math.log(2) - tuning - n.pitch()
        : Double.NaN;
  }

  /**
   * First frame from which the pitch stays on the note for 30 ms; -1 when it never does.
   *
   * @param away written up to these frames, no further: pitches are costly
   */
  private static int arrival(double[] away, IntToDoubleFunction pitch) {
    int on = 0;
    for (int i = 0; i < away.length; i++) {
      away[i] = pitch.applyAsDouble(i);
      on = Math.abs(away[i]) < ARRIVED ? on + 1 : 0; // 0 for NaN too
      if (on == 3 && i + 1 < away.length) {
        return i - 2;
      }
    }
    return -1;
  }

  /** True when a pitch lies on the same side of the note as the next one, farther off or alike. */
  private static boolean towards(double before, double now) {
    return !Double.isNaN(before)
        && (Math.abs(now) < ARRIVED || Math.signum(before) == Math.signum(now))
        && Math.abs(before) >= Math.abs(now) - 0.05
        && Math.abs(before - now) <= STEP;
  }
}
