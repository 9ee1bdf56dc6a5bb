package looseecho.form;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import looseecho.activity.MelSpectra;
import looseecho.dsp.LineFit;
import looseecho.dsp.Quantile;
import looseecho.pulse.Pulse;
import looseecho.reading.Together;

/**
 * Finds rises, falls and filter moves: stretches of two to eight bars over which the level, or the
 * number of bands that sound, moves in one line. Drums are kept out by taking the lower quartile of
 * each beat. Least squares with the coefficient of determination as confidence.
 */
public final class SweepFinder {
  private static final double LEVEL_DB = 9; // least change of level that counts
  private static final double EDGE_BANDS = 15; // about an octave around 3 kHz
  private static final double LINEAR = 0.88; // least r squared
  private static final double STEP_SHARE = 0.36; // a jump beyond this share is an edge, no sweep
  private static final double SOUNDING_DB = -10; // against the band's own level in the louder beats
  private static final double STRAIGHT = 8; // how much straightness weighs against length
  private static final int LOW_BANDS = 10; // up to about 300 Hz
  private static final double LOW_STAYS_DB = 5;
  private static final double AUDIBLE_DB = -45;
  private static final double DB_PER_UNIT = 2.5 * 20 / Math.log(10); // of MelSpectra.band

  /** Per beat: level of the bands above the bass, level of the bass, number of sounding bands. */
  private record Curves(double[] level, double[] low, double[] edge) {}

  /**
   * A line and the largest step between two beats.
   *
   * @param step decibels or bands
   */
  private record Line(LineFit through, double step) {
    static Line of(double[] y, int from, int to) {
      double step = 0;
      for (int i = from + 1; i < to; i++) {
        step = Math.max(step, Math.abs(y[i] - y[i - 1]));
      }
      return new Line(LineFit.of(y, from, to), step);
    }

    double change() {
      return through.change();
    }

    double fit() {
      return through.fit();
    }
  }

  private SweepFinder() {}

  /** All moves under a pulse, none over another, long and straight ones first. */
  public static List<Event> find(MelSpectra mel, Pulse pulse) {
    Curves c = curves(mel, pulse);
    List<Event> found = new ArrayList<>();
    int bar = pulse.beatsPerBar();
    int beats = c.level().length;
    for (int bars = 8; bars >= 2; bars--) {
      for (int from = 0; from + bars * bar <= beats; from++) {
        event(c, pulse, from, from + bars * bar, found);
      }
    }
    found.sort(
        Comparator.comparingDouble(
            e ->
                -Math.pow(e.confidence(), STRAIGHT)
                    * Math.sqrt(e.end() - e.start()))); // long and straight first
    List<Event> out = new ArrayList<>();
    for (Event e : found) {
      if (out.stream().noneMatch(o -> e.start() < o.end() - 1e-6 && o.start() < e.end() - 1e-6)) {
        out.add(e);
      }
    }
    return out;
  }

  private static void event(Curves c, Pulse pulse, int from, int to, List<Event> out) {
    Line level = Line.of(c.level(), from, to);
    Line edge = Line.of(c.edge(), from, to);
    Line low = Line.of(c.low(), from, to);
    double start = pulse.beats().get(from).time();
    double end = pulse.timeAt(to);
    boolean filter =
        Math.abs(edge.change()) >= EDGE_BANDS
            && edge.fit() >= LINEAR
            && edge.step() < STEP_SHARE * Math.abs(edge.change())
            && Math.abs(low.change()) < LOW_STAYS_DB;
    if (filter) {
      boolean opens = edge.change() > 0;
      out.add(
          new Event(
              opens ? Event.Kind.FILTER_OPENS : Event.Kind.FILTER_CLOSES,
              start,
              end,
              opens ? "a filter opens" : "a filter closes",
              edge.fit(),
              hertz(edge.through().first()),
              hertz(edge.through().last())));
    } else if (Math.abs(level.change()) >= LEVEL_DB
        && level.fit() >= LINEAR
        && level.step() < STEP_SHARE * Math.abs(level.change())) {
      boolean up = level.change() > 0;
      boolean outer = up ? from == 0 : to >= c.level().length - 1;
      String words =
          String.format(
              java.util.Locale.ROOT,
              "%s over %.0f dB",
              outer ? (up ? "fades in" : "fades out") : up ? "rises" : "falls",
              Math.abs(level.change()));
      Event.Kind kind = outer ? Event.Kind.FADE : up ? Event.Kind.RISE : Event.Kind.FALL;
      double change = Math.abs(level.change());
      out.add(new Event(kind, start, end, words, level.fit(), up ? -change : 0, up ? 0 : -change));
    }
  }

  /** The upper edge of so many sounding bands above the bass. */
  private static double hertz(double bands) {
    int band = (int) Math.round(LOW_BANDS + bands);
    return MelSpectra.centreHz(Math.max(LOW_BANDS, Math.min(MelSpectra.BANDS - 1, band)));
  }

  private static Curves curves(MelSpectra mel, Pulse pulse) {
    int n = pulse.beats().size() - 1;
    Curves c = new Curves(new double[n], new double[n], new double[n]);
    double[][] quartile = new double[n][MelSpectra.BANDS];
    Together.each(n, k -> beat(mel, pulse, k, c, quartile[k]));
    for (int band = LOW_BANDS; band < MelSpectra.BANDS; band++) {
      double[] column = new double[n];
      for (int k = 0; k < n; k++) {
        column[k] = quartile[k][band];
      }
      Arrays.sort(column);
      double usual = column[(int) (0.75 * (n - 1))];
      for (int k = 0; k < n; k++) {
        c.edge()[k] += quartile[k][band] > usual + SOUNDING_DB ? 1 : 0;
      }
    }
    return c;
  }

  /** Fills in one beat. */
  private static void beat(MelSpectra mel, Pulse pulse, int k, Curves c, double[] quartile) {
    int a = frame(mel, pulse.beats().get(k).time());
    int b = Math.max(a + 1, frame(mel, pulse.beats().get(k + 1).time()));
    int count = b - a;
    double[][] bands = new double[MelSpectra.BANDS][count];
    for (int i = a; i < b; i++) { // frame by frame, as they lie in memory
      for (int band = 0; band < bands.length; band++) {
        bands[band][i - a] = DB_PER_UNIT * mel.band(i, band);
      }
    }
    for (int band = 0; band < bands.length; band++) {
      double v = Quantile.of(bands[band], count, count / 4);
      quartile[band] = v;
      if (band < LOW_BANDS) {
        c.low()[k] += v / LOW_BANDS;
      } else {
        c.level()[k] += v / (MelSpectra.BANDS - LOW_BANDS);
      }
    }
    double[] values = new double[count];
    for (int i = a; i < b; i++) {
      values[i - a] = mel.decibels(i);
    }
    if (Quantile.of(values, count, count / 2) < AUDIBLE_DB) {
      c.level()[k] = -60; // silence ends every line
    }
  }

  private static int frame(MelSpectra mel, double time) {
    return MelSpectra.FRAMES.nearest(time, mel.frames());
  }
}
