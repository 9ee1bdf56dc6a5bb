package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import looseecho.audio.Audio;
import looseecho.reading.Progress;
import looseecho.separate.Stem;
import looseecho.separate.StemPowers;
import org.junit.jupiter.api.Test;

class WidthSplitTest {
  private static final double BAR = 1;
  private static final int RATE = 44100;
  private static final int BARS = 20;

  /** Chords of saws, in the middle and, a quarter of a period apart, at the sides. */
  private static List<WidthSplit.Layer> split(
      DoubleUnaryOperator middle, DoubleUnaryOperator sides) {
    float[] left = new float[(int) (BARS * BAR * RATE)];
    float[] right = left.clone();
    for (int i = 0; i < left.length; i++) {
      double bar = i / (BAR * RATE);
      for (double hz : new double[] {220, 277.2, 329.6}) {
        double m = middle.applyAsDouble(bar) * saw(hz * i / RATE);
        double s = sides.applyAsDouble(bar) * saw(hz * i / RATE + 0.25);
        left[i] += (float) (0.08 * (m + s));
        right[i] += (float) (0.08 * (m - s));
      }
    }
    StemPowers powers = StemPowers.of(new Audio(left, right, RATE), List.of(), Progress.NONE);
    List<HeardLayer.Span> whole = List.of(new HeardLayer.Span(0.1, BARS * BAR - 0.1));
    return new WidthSplit(new StemMeter(powers), Stem.CHORDS, 4 * BAR, BAR, whole).find();
  }

  private static double saw(double phase) {
    return 2 * (phase - Math.floor(phase)) - 1;
  }

  /** One in the middle, one that is wide from the seventh bar on, both from the thirteenth on. */
  @Test
  void aNarrowAndAWideLayerAreTwo() {
    List<WidthSplit.Layer> two =
        split(bar -> bar < 6 || bar >= 12 ? 1 : 0.5, bar -> bar < 6 ? 0.2 : 1);
    assertEquals(2, two.size());
    assertEquals(spans(0, 6, 12, BARS), two.get(0).active());
    assertEquals(spans(0, 6), two.get(0).alone());
    assertEquals(spans(6, BARS), two.get(1).active());
    assertEquals(spans(6, 12), two.get(1).alone());
  }

  @Test
  void oneThatWidensLittleByLittleIsOne() {
    assertEquals(List.of(), split(bar -> 1, bar -> 1.5 * bar / BARS));
    assertEquals(List.of(), split(bar -> 1, bar -> 0.4));
  }

  private static List<HeardLayer.Span> spans(double... bars) {
    return java.util.stream.IntStream.range(0, bars.length / 2)
        .mapToObj(k -> new HeardLayer.Span(bars[2 * k] * BAR, bars[2 * k + 1] * BAR))
        .toList();
  }
}
