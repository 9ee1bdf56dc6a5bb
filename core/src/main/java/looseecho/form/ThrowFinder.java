package looseecho.form;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.hits.Hit;
import looseecho.pulse.Pulse;
import looseecho.reading.Together;

/**
 * Finds throws: single strokes of snare or clap that are sent into a delay. After such a stroke,
 * and not in the bars around it, its spectrum comes again three times on one note value, softer
 * each time. What happens once may be chance, so two strokes must be thrown alike. Our own rule;
 * the likeness of spectra is the cosine of their amplitudes. Safe to use from several threads.
 */
public final class ThrowFinder {
  /** A note value, in beats. */
  private record Value(String name, double beats) {}

  private static final List<Value> VALUES =
      List.of(
          new Value("eighths", 0.5),
          new Value("dotted eighths", 0.75),
          new Value("quarters", 1),
          new Value("dotted quarters", 1.5));

  private static final int REPEATS = 3; // that must be heard
  private static final double[] LIKE = {0.9, 0.85, 0.6}; // least cosines
  private static final double LIKE_ALL = 2.75; // least sum of them
  private static final double LOUDEST_DB = -2; // the first repeat against its stroke
  private static final double SOFTEST_DB = -11;
  private static final double LEAST_FALL = 1.5; // decibels from the first to the second
  private static final double MOST_FALL = 9;
  private static final double GONE_DB = 26; // below the stroke it is over
  private static final int[] AROUND = {-4, -3, -2, -1, 1, 2, 3, 4}; // bars to hold it against
  private static final double NEAR = 0.04; // seconds
  private static final int FEWEST = 2; // alike
  private static final int BANDS = 18;
  private static final double LOW = 1500; // hertz; below, notes and chords come again
  private static final double HIGH = 14_000;
  private static final double WINDOW = 0.0232; // seconds
  private static final int PER_SECOND = 100;
  private static final int FRAMES = 6; // of a stroke
  private static final int BEFORE = 6;

  private final Audio audio;
  private final int window;
  private final int[] edges = new int[BANDS + 1]; // bins
  private final Map<Integer, float[]> frames = new ConcurrentHashMap<>();

  /** Over a sound; what was measured stays measured. */
  public ThrowFinder(Audio audio) {
    this.audio = audio;
    this.window = Integer.highestOneBit((int) (WINDOW * audio.sampleRate()) + 8);
    for (int b = 0; b <= BANDS; b++) {
      double hz = LOW * Math.pow(HIGH / LOW, (double) b / BANDS);
      edges[b] = (int) Math.ceil(hz * window / audio.sampleRate());
    }
  }

  /**
   * A stroke that may be thrown.
   *
   * @param falls decibels of its repeats against it
   * @param like sum of their likeness to it
   */
  private record Thrown(Hit hit, Value value, double[] falls, double like) {
    double time() {
      return hit.time();
    }
  }

  /** In order; none for sound with nothing up to 14 kHz. */
  public List<Event> find(List<Hit> hits, Pulse pulse) {
    if (audio.sampleRate() < 2 * HIGH) {
      return List.of();
    }
    List<Hit> strokes =
        hits.stream()
            .filter(h -> h.lane().base() == Lane.SNARE || h.lane().base() == Lane.CLAP)
            .toList();
    List<Thrown> all =
        new ArrayList<>(
            Together.map(strokes, h -> thrown(h, pulse)).stream().flatMap(List::stream).toList());
    all.sort(Comparator.comparingDouble(t -> -t.like()));
    List<Thrown> taken = new ArrayList<>();
    for (Thrown t : all) {
      if (taken.stream().noneMatch(o -> same(o, t, pulse))) {
        taken.add(t);
      }
    }
    return taken.stream()
        .filter(t -> taken.stream().filter(o -> o.value() == t.value()).count() >= FEWEST)
        .map(t -> event(t, pulse))
        .sorted(Comparator.comparingDouble(Event::start))
        .toList();
  }

  private List<Thrown> thrown(Hit hit, Pulse pulse) {
    Fft fft = new Fft(window, window);
    return VALUES.stream().flatMap(v -> thrown(hit, v, pulse, fft).stream()).toList();
  }

  /** The same stroke, or one that is a repeat of the other. */
  private static boolean same(Thrown one, Thrown other, Pulse pulse) {
    double later = pulse.beatsAt(Math.max(one.time(), other.time()));
    double first = pulse.beatsAt(Math.min(one.time(), other.time()));
    double beat = 60 / pulse.tempo().value();
    return IntStream.rangeClosed(0, REPEATS)
        .anyMatch(n -> Math.abs(later - first - n * one.value().beats()) * beat < NEAR);
  }

  private Optional<Thrown> thrown(Hit hit, Value value, Pulse pulse, Fft fft) {
    double at = pulse.beatsAt(hit.time());
    double[] own = less(look(hit.time(), fft), look(before(hit.time()), fft));
    double[] falls = new double[REPEATS];
    double like = 0;
    for (int n = 0; n < REPEATS; n++) {
      double place = at + (n + 1) * value.beats();
      double[] there = look(pulse.timeAt(place), fft);
      if (n == 0 && decibels(there, own) < SOFTEST_DB) {
        return Optional.empty();
      }
      double[] extra = less(there, usual(place, pulse, fft));
      falls[n] = decibels(extra, own);
      double cosine = likeness(extra, own);
      like += cosine;
      if (cosine < LIKE[n] || !fades(falls, n)) {
        return Optional.empty();
      }
    }
    return like < LIKE_ALL ? Optional.empty() : Optional.of(new Thrown(hit, value, falls, like));
  }

  private static double before(double time) {
    return time - (double) BEFORE / PER_SECOND;
  }

  private static boolean fades(double[] falls, int n) {
    return switch (n) {
      case 0 -> falls[0] > SOFTEST_DB && falls[0] < LOUDEST_DB;
      case 1 -> falls[0] - falls[1] > LEAST_FALL && falls[0] - falls[1] < MOST_FALL;
      default -> falls[n] < falls[n - 1] + LEAST_FALL;
    };
  }

  /** What sounds there in the bars around: the middle of each band. */
  private double[] usual(double place, Pulse pulse, Fft fft) {
    double last = audio.duration() - (double) FRAMES / PER_SECOND;
    List<double[]> bars = new ArrayList<>();
    for (int k : AROUND) {
      double time = pulse.timeAt(place + k * pulse.beatsPerBar());
      if (time >= 0 && time < last) {
        bars.add(look(time, fft));
      }
    }
    return IntStream.range(0, 2 * BANDS).mapToDouble(b -> middle(bars, b)).toArray();
  }

  private static double middle(List<double[]> bars, int band) {
    double[] v = bars.stream().mapToDouble(l -> l[band]).sorted().toArray();
    int n = v.length;
    return n == 0 ? 0 : (v[(n - 1) / 2] + v[n / 2]) / 2;
  }

  private Event event(Thrown t, Pulse pulse) {
    double step = Math.max(LEAST_FALL, (t.falls()[0] - t.falls()[2]) / 2);
    double count = 1 + Math.ceil((GONE_DB + t.falls()[0]) / step);
    double end = pulse.timeAt(pulse.beatsAt(t.time()) + count * t.value().beats());
    boolean clap = t.hit().lane().base() == Lane.CLAP;
    return new Event(
        Event.Kind.THROW,
        t.time(),
        Math.min(audio.duration(), end),
        "the " + (clap ? "clap" : "snare") + " is thrown into " + t.value().name(),
        Math.min(1, t.like() / REPEATS),
        t.value().beats(),
        -step);
  }

  /** Mean powers in the bands of the left, then of the right, from a time on. */
  private double[] look(double time, Fft fft) {
    int first = (int) Math.rint(time * PER_SECOND);
    double[] out = new double[2 * BANDS];
    for (int n = first; n < first + FRAMES; n++) {
      float[] frame = frames.computeIfAbsent(n, k -> frame(k, fft));
      for (int b = 0; b < out.length; b++) {
        out[b] += frame[b] / FRAMES;
      }
    }
    return out;
  }

  private float[] frame(int index, Fft fft) {
    int from = (int) ((long) index * audio.sampleRate() / PER_SECOND) - window / 2;
    float[] magnitudes = new float[fft.bins()];
    float[] out = new float[2 * BANDS];
    for (int side = 0; side < 2; side++) {
      fft.magnitudes(audio.channel(side, from, window), window / 2, magnitudes);
      for (int b = 0; b < BANDS; b++) {
        for (int k = edges[b]; k < edges[b + 1]; k++) {
          out[side * BANDS + b] += magnitudes[k] * magnitudes[k];
        }
      }
    }
    return out;
  }

  private static double[] less(double[] x, double[] y) {
    return IntStream.range(0, x.length).mapToDouble(b -> Math.max(0, x[b] - y[b])).toArray();
  }

  private static double decibels(double[] x, double[] against) {
    double sum = DoubleStream.of(x).sum();
    return 10 * Math.log10((sum + 1e-15) / (DoubleStream.of(against).sum() + 1e-15));
  }

  /** Cosine of the amplitudes, of both sides together: repeats may change sides. */
  private static double likeness(double[] x, double[] y) {
    double xy = 0;
    double xx = 1e-15;
    double yy = 1e-15;
    for (int b = 0; b < BANDS; b++) {
      double p = x[b] + x[b + BANDS];
      double q = y[b] + y[b + BANDS];
      xy += Math.sqrt(p * q);
      xx += p;
      yy += q;
    }
    return xy / Math.sqrt(xx * yy);
  }
}
