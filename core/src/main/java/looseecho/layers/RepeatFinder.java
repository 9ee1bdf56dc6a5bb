package looseecho.layers;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.layers.HeardLayer.Repeats;
import looseecho.notes.Note;

/**
 * Finds repeats in time (a delay) behind the notes of a line: at its own pitch, each note comes
 * again some decibels softer after one note value, and softer still after two. A line that plays
 * its note again does not get softer with every one.
 */
final class RepeatFinder {
  /** A note value, in beats. */
  private record Value(String name, double beats) {}

  private static final List<Value> VALUES =
      List.of(
          new Value("sixteenth", 0.25),
          new Value("eighth triplet", 1 / 3.0),
          new Value("eighth", 0.5),
          new Value("quarter triplet", 2 / 3.0),
          new Value("dotted eighth", 0.75),
          new Value("quarter", 1),
          new Value("dotted quarter", 1.5));

  private static final int FEWEST = 8; // notes
  private static final int MOST = 60;
  private static final double HOP = 0.01;
  private static final double WINDOW = 0.046;
  private static final int PEAK = 8; // hops after an attack in which it is loudest
  private static final int DIP = 6; // hops before it in which the note before has fallen
  private static final double LEAST_RISE = 2; // decibels
  private static final double CLEAR_RISE = 3.5; // median
  private static final double OFTEN = 0.55; // of the notes
  private static final double LEAST_FALL = 2; // decibels from one to the next
  private static final double MOST_FALL = 16;
  private static final double COVERED = 0.06; // seconds
  private static final double NEAR_VALUES = 1.4;
  private static final double SIDES = 0.5; // of places, from one repeat to the next

  private final Audio audio;
  private final double beat;
  private final int size;
  private final double[] window;

  /** {@code beat} is in seconds. */
  RepeatFinder(Audio audio, double beat) {
    this.audio = audio;
    this.beat = beat;
    this.size = (int) (WINDOW * audio.sampleRate());
    this.window = new double[size];
    for (int i = 0; i < size; i++) {
      window[i] = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / size);
    }
  }

  /**
   * What was measured at one note value.
   *
   * @param share of the notes that come again, softer
   * @param rise of them, in decibels; median
   * @param falls from the note to its first and to its second repeat; medians
   * @param feedback decibels from a repeat to the next; median
   * @param apart places of one and the next; median
   */
  private record Tried(
      Value value, double share, double rise, double[] falls, double feedback, double apart) {
    boolean clear() {
      return share >= OFTEN && rise >= CLEAR_RISE;
    }

    /** Softer every time, which tells repeats from notes that are played again. */
    boolean fades() {
      double next = falls[1] - falls[0];
      return next < -LEAST_FALL / 2 && next > -MOST_FALL;
    }
  }

  /** The repeats of a line; empty for none. */
  Optional<Repeats> find(List<Note> notes) {
    if (notes.size() < FEWEST) {
      return Optional.empty();
    }
    List<Note> looked = new ArrayList<>();
    int step = Math.max(1, notes.size() / MOST);
    for (int k = 0; k < notes.size(); k += step) {
      looked.add(notes.get(k));
    }
    List<Tried> clear =
        VALUES.stream().map(v -> tried(v, looked, notes)).filter(Tried::clear).toList();
    if (clear.stream().noneMatch(Tried::fades)) {
      return Optional.empty();
    }
    // The shortest is the value, those after it its multiples; values that lie so near that both
    // are seen are told apart by the clearer one.
    Tried best = clear.get(0);
    for (Tried t : clear) {
      boolean near = t.value().beats() < NEAR_VALUES * clear.get(0).value().beats();
      best = near && t.rise() > best.rise() ? t : best;
    }
    return Optional.of(
        new Repeats(
            best.value().name(),
            1000 * beat * best.value().beats(),
            best.falls()[0],
            Math.pow(10, best.feedback() / 20),
            best.apart() > SIDES));
  }

  private Tried tried(Value value, List<Note> looked, List<Note> all) {
    double lag = value.beats() * beat;
    List<double[]> measured = new ArrayList<>(); // rise, first, second, apart
    List<Double> fades = new ArrayList<>();
    for (Note n : looked) {
      if (covered(n, n.start() + lag, all)) {
        continue;
      }
      double[] own = strongest(n.start(), n.pitch());
      double[] once = strongest(n.start() + lag, n.pitch());
      double[] twice = strongest(n.start() + 2 * lag, n.pitch());
      double rise = decibels(once[0] + once[1], weakest(n.start() + lag, n.pitch()));
      double first = decibels(once[0] + once[1], own[0] + own[1]);
      double second = decibels(twice[0] + twice[1], own[0] + own[1]);
      measured.add(new double[] {rise, first, second, Math.abs(place(once) - place(twice))});
      boolean softer = first < -LEAST_FALL && first > -MOST_FALL;
      if (rise > LEAST_RISE && softer) {
        fades.add(Math.min(-1, Math.max(-MOST_FALL, second - first)));
      }
    }
    boolean enough = measured.size() >= FEWEST / 2;
    return new Tried(
        value,
        enough ? (double) fades.size() / measured.size() : 0,
        median(measured, 0),
        new double[] {median(measured, 1), median(measured, 2)},
        median(fades.stream().map(f -> new double[] {f}).toList(), 0),
        median(measured, 3));
  }

  /** True where another pitch begins, whose sound reaches into what is looked at. */
  private static boolean covered(Note n, double time, List<Note> all) {
    return all.stream()
        .anyMatch(o -> o.pitch() != n.pitch() && Math.abs(o.start() - time) < COVERED);
  }

  private static double place(double[] power) {
    return (power[1] - power[0]) / (power[0] + power[1] + 1e-12);
  }

  private static double decibels(double power, double against) {
    return 10 * Math.log10((power + 1e-12) / (against + 1e-12));
  }

  private static double median(List<double[]> rows, int column) {
    double[] sorted = rows.stream().mapToDouble(r -> r[column]).sorted().toArray();
    return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
  }

  /** Powers on the left and right at a pitch and its octave where they are largest after a time. */
  private double[] strongest(double time, int pitch) {
    double[] out = new double[2];
    for (int k = 0; k < PEAK; k++) {
      double[] p = power(time + k * HOP, pitch);
      if (p[0] + p[1] > out[0] + out[1]) {
        out = p;
      }
    }
    return out;
  }

  /** Power of both sides where it is smallest just before a time. */
  private double weakest(double time, int pitch) {
    double out = Double.MAX_VALUE;
    for (int k = 1; k <= DIP; k++) {
      double[] p = power(time - k * HOP, pitch);
      out = Math.min(out, p[0] + p[1]);
    }
    return out;
  }

  private double[] power(double time, int pitch) {
    int from = (int) (time * audio.sampleRate()) - size / 2;
    double[] out = new double[2];
    if (from < 0 || from + size > audio.length()) {
      return out;
    }
    for (int partial = 1; partial <= 2; partial++) {
      double hz = partial * 440 * Math.pow(2, (pitch - 69) / 12.0);
      double angle = 2 * Math.PI * hz / audio.sampleRate();
      double stepRe = Math.cos(angle);
      double stepIm = Math.sin(angle);
      double re = 1;
      double im = 0;
      double[] sums = new double[4];
      for (int i = 0; i < size; i++) {
        double l = window[i] * audio.left(from + i);
        double r = window[i] * audio.right(from + i);
        sums[0] += l * re;
        sums[1] += l * im;
        sums[2] += r * re;
        sums[3] += r * im;
        double next = re * stepRe - im * stepIm;
        im = re * stepIm + im * stepRe;
        re = next;
      }
      out[0] += (sums[0] * sums[0] + sums[1] * sums[1]) * 16 / ((double) size * size);
      out[1] += (sums[2] * sums[2] + sums[3] * sums[3]) * 16 / ((double) size * size);
    }
    return out;
  }
}
