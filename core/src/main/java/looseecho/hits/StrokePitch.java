package looseecho.hits;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;

/**
 * Hears strokes of one sound that are pitched against each other: a sample played faster has the
 * same spectrum, moved along a logarithmic frequency axis (Brown, "Calculation of a constant Q
 * spectral transform", JASA 89, 1991), so the move at which two strokes agree best is the interval.
 *
 * <p>Strokes are compared with the one that most of them agree with. Half semitones count, and only
 * where the moved spectrum agrees clearly better than the unmoved one.
 */
final class StrokePitch {
  private static final Set<Lane> TUNED =
      EnumSet.of(
          Lane.SNARE,
          Lane.SNARE_2,
          Lane.HAT_CLOSED,
          Lane.HAT_OPEN,
          Lane.TOM,
          Lane.TOM_LOW,
          Lane.TOM_HIGH,
          Lane.PERCUSSION);
  private static final int FEWEST = 4; // strokes of a lane
  private static final int PER_SEMITONE = 2;
  private static final int MOST = 12 * PER_SEMITONE; // an octave either way
  private static final double LOW_HZ = 150;
  private static final double HIGH_HZ = 14000;
  private static final double AGREES = 0.8;
  private static final double CLEARLY = 0.5; // of what the unmoved spectrum leaves unexplained
  private static final int MODELS = 12; // strokes that are tried to compare with

  private final Audio audio;

  StrokePitch(Audio audio) {
    this.audio = audio;
  }

  /** The same hits in the same order, those that are pitched with their intervals. */
  List<Hit> find(List<Hit> hits) {
    Hit[] out = hits.toArray(new Hit[0]);
    TUNED.parallelStream().forEach(lane -> find(hits, lane, out)); // each has its own places
    return List.of(out);
  }

  private void find(List<Hit> hits, Lane lane, Hit[] out) {
    for (Voice voice : Voice.values()) {
      int[] at =
          IntStream.range(0, out.length)
              .filter(i -> hits.get(i).lane() == lane && hits.get(i).voice() == voice)
              .toArray();
      if (at.length >= FEWEST) {
        find(hits, at, out);
      }
    }
  }

  private record Move(double semitones, double agrees, double unmoved) {
    boolean counts() {
      return semitones != 0 && agrees >= AGREES && 1 - agrees < CLEARLY * (1 - unmoved);
    }
  }

  private void find(List<Hit> hits, int[] at, Hit[] out) {
    StruckSpectrum spectra = new StruckSpectrum(audio);
    double[][] x = new double[at.length][];
    for (int k = 0; k < at.length; k++) {
      x[k] = logarithmic(spectra.at(hits.get(at[k]).time()));
    }
    int model = model(x);
    List<Move> moves = new ArrayList<>();
    for (double[] one : x) {
      moves.add(move(x[model], one));
    }
    long pitched = moves.stream().filter(Move::counts).count();
    long sure = moves.stream().filter(m -> m.agrees() >= AGREES).count();
    if (pitched < 2 || sure < 0.6 * at.length) {
      return; // the strokes are not one sound, or too masked to tell
    }
    for (int k = 0; k < at.length; k++) {
      if (moves.get(k).counts()) {
        out[at[k]] = hits.get(at[k]).withPitch(moves.get(k).semitones());
      }
    }
  }

  /** The stroke that the others agree with best as they are: the lane's usual pitch. */
  private static int model(double[][] x) {
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    int step = Math.max(1, x.length / MODELS);
    for (int m = 0; m < x.length; m += step) {
      double sum = 0;
      for (double[] other : x) {
        sum += agreement(x[m], other, 0) >= AGREES ? 1 : 0;
      }
      if (sum > most) {
        most = sum;
        best = m;
      }
    }
    return best;
  }

  private static Move move(double[] model, double[] x) {
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int d = -MOST; d <= MOST; d++) {
      double a = agreement(model, x, d);
      if (a > most) {
        most = a;
        best = d;
      }
    }
    return new Move((double) best / PER_SEMITONE, most, agreement(model, x, 0));
  }

  /** Correlation of two spectra, the second one moved down by so many bins. */
  private static double agreement(double[] a, double[] b, int moved) {
    int from = Math.max(0, -moved);
    int to = Math.min(a.length, b.length - moved);
    double ma = 0;
    double mb = 0;
    for (int k = from; k < to; k++) {
      ma += a[k] / (to - from);
      mb += b[k + moved] / (to - from);
    }
    double ab = 0;
    double aa = 1e-12;
    double bb = 1e-12;
    for (int k = from; k < to; k++) {
      ab += (a[k] - ma) * (b[k + moved] - mb);
      aa += (a[k] - ma) * (a[k] - ma);
      bb += (b[k + moved] - mb) * (b[k + moved] - mb);
    }
    return ab / Math.sqrt(aa * bb);
  }

  /** Decibels by half semitones, each read between the bins that it lies between. */
  private static double[] logarithmic(StruckSpectrum.Sides s) {
    int count = (int) (12 * PER_SEMITONE * Math.log(HIGH_HZ / LOW_HZ) / Math.log(2));
    double[] out = new double[count];
    double top = Double.NEGATIVE_INFINITY;
    for (int k = 0; k < count; k++) {
      double bin = LOW_HZ * Math.pow(2, k / (12.0 * PER_SEMITONE)) / s.binHz();
      int low = (int) bin;
      double power = 1e-12;
      if (low + 1 < s.left().length) {
        double a = s.left()[low] + s.right()[low];
        double b = s.left()[low + 1] + s.right()[low + 1];
        power += a + (bin - low) * (b - a);
      }
      out[k] = 10 * Math.log10(power);
      top = Math.max(top, out[k]);
    }
    for (int k = 0; k < count; k++) {
      out[k] = Math.max(out[k], top - 40); // what lies deeper is masked by other sounds
    }
    return out;
  }
}
