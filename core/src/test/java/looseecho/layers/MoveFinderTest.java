package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.audio.Audio;
import looseecho.form.Event;
import looseecho.reading.Progress;
import looseecho.separate.Stem;
import looseecho.separate.StemPowers;
import org.junit.jupiter.api.Test;

class MoveFinderTest {
  private static final double BAR = 2;
  private static final int RATE = 44100;

  /** A held chord of saws that fades by 20 dB over eight bars, and stays as it is for eight. */
  @Test
  void aFadeOfALayerIsOneMoveAndWhatMovesAllIsEveryLayersThatPlaysOn() {
    float[] x = new float[(int) (16 * BAR * RATE)];
    double[] hertz = {220, 277.2, 329.6};
    for (int i = 0; i < x.length; i++) {
      double bar = i / (BAR * RATE);
      double gain = Math.pow(10, -20 * Math.min(1, bar / 8) / 20);
      for (double hz : hertz) {
        double phase = hz * i / RATE;
        x[i] += (float) (0.1 * gain * (2 * (phase - Math.floor(phase)) - 1));
      }
    }
    StemPowers powers = StemPowers.of(new Audio(x, x, RATE), List.of(), Progress.NONE);
    Event cut = new Event(Event.Kind.LOW_CUT, 4, 8, "", 1, 40, 400);
    Event later = new Event(Event.Kind.DIP, 40, 44, "", 1, 0, -6);
    Event narrowing = new Event(Event.Kind.NARROWING, 4, 8, "", 1, 0.5, 0.1);
    MoveFinder finder = new MoveFinder(new StemMeter(powers), BAR, List.of(cut, later, narrowing));
    List<HeardLayer.Span> whole = List.of(new HeardLayer.Span(0, 16 * BAR));
    List<HeardLayer.Move> all = finder.find(Stem.CHORDS, whole, finder.ofAll(whole, 0.05));
    assertEquals(1, finder.ofAll(whole, 0.05).size(), "what is narrow is not drawn in");
    assertEquals(2, finder.ofAll(whole, 0.5).size());
    List<HeardLayer.Move> fades =
        all.stream().filter(m -> m.what().equals(HeardLayer.Move.LEVEL)).toList();
    assertEquals(1, fades.size(), all.toString());
    assertEquals(0, fades.get(0).start(), 2 * BAR);
    assertEquals(8 * BAR, fades.get(0).end(), 3 * BAR);
    assertEquals(-20, fades.get(0).to(), 5);
    assertTrue(all.contains(new HeardLayer.Move(HeardLayer.Move.HIGH_PASS, 40, 400, 4, 8)));
    assertTrue(all.stream().noneMatch(m -> m.start() > 16 * BAR), all.toString());
  }
}
