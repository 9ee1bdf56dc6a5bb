package looseecho.hits;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.reading.Together;

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
  private static final double AGREES = 0.8;
  private static final double CLEARLY = 0.5; // of what the unmoved spectrum leaves unexplained
  private static final int MODELS = 12; // strokes that are tried to compare with

  private final Strokes strokes;

  StrokePitch(Strokes strokes) {
    this.strokes = strokes;
  }

  /** The same hits in the same order, those that are pitched with their intervals. */
  List<Hit> find(List<Hit> hits) {
    Hit[] out = hits.toArray(new Hit[0]);
    Together.each(TUNED, lane -> find(hits, lane, out)); // each has its own places
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

  private static boolean counts(StrokeColour.Move m) {
    return m.semitones() != 0
        && m.agrees() >= AGREES
        && 1 - m.agrees() < CLEARLY * (1 - m.unmoved());
  }

  private void find(List<Hit> hits, int[] at, Hit[] out) {
    double[] times = Arrays.stream(at).mapToDouble(i -> hits.get(i).time()).toArray();
    List<StrokeColour> x = strokes.colours(times);
    int model = model(x);
    List<StrokeColour.Move> moves = StrokeColour.moves(x, x.get(model));
    long pitched = moves.stream().filter(StrokePitch::counts).count();
    long sure = moves.stream().filter(m -> m.agrees() >= AGREES).count();
    if (pitched < 2 || sure < 0.6 * at.length) {
      return; // the strokes are not one sound, or too masked to tell
    }
    for (int k = 0; k < at.length; k++) {
      if (counts(moves.get(k))) {
        out[at[k]] = hits.get(at[k]).withPitch(moves.get(k).semitones());
      }
    }
  }

  /** The stroke that the others agree with best as they are: the lane's usual pitch. */
  private static int model(List<StrokeColour> x) {
    int step = Math.max(1, x.size() / MODELS);
    int[] tried = IntStream.iterate(0, m -> m < x.size(), m -> m + step).toArray();
    double[][] agreements =
        StrokeColour.agreements(x, Arrays.stream(tried).mapToObj(x::get).toList());
    int best = 0;
    long most = -1;
    for (int m = 0; m < tried.length; m++) {
      long sum = Arrays.stream(agreements[m]).filter(a -> a >= AGREES).count();
      if (sum > most) {
        most = sum;
        best = tried[m];
      }
    }
    return best;
  }
}
