package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.reading.Progress;
import looseecho.sound.Bus;
import looseecho.sound.DrumSynth;
import looseecho.sound.Sounds;
import org.junit.jupiter.api.Test;

class StrikeMeterTest {
  private static final int RATE = 44100;

  /**
   * Hits that the network calls about equally loud are told apart by the energy of their attacks.
   */
  @Test
  void attackEnergySetsSingleHitsApart() {
    double[] gains = {1, 0.3, 0.6, 0.3, 1, 0.2, 0.6, 0.4, 0.9, 0.25};
    Bus bus = new Bus(RATE * 6, RATE);
    float[] hat = new DrumSynth().render(Sounds.plain().drums().get(Lane.HAT_CLOSED), RATE, 3);
    List<Hit> hits = new ArrayList<>();
    for (int k = 0; k < gains.length; k++) {
      double time = 0.5 + 0.5 * k;
      bus.add(hat, time, gains[k], 0);
      hits.add(new Hit(Lane.HAT_CLOSED, time, 80 + k % 3, 1, 1, 0, 1));
    }
    MelSpectra mel = MelSpectra.of(bus.audio(1).mono(), Progress.NONE);
    List<Hit> struck = new StrikeMeter(mel).refine(hits);
    assertEquals(hits.size(), struck.size());
    int loud = struck.get(0).velocity() + struck.get(4).velocity() + struck.get(8).velocity();
    int soft = struck.get(1).velocity() + struck.get(5).velocity() + struck.get(9).velocity();
    assertTrue(loud > soft, loud + " against " + soft);
    for (int k = 0; k < hits.size(); k++) {
      assertEquals(hits.get(k).time(), struck.get(k).time());
      assertTrue(Math.abs(struck.get(k).velocity() - 81) < 8, "the network's scale is kept");
    }
    List<Hit> few = hits.subList(0, 3);
    assertEquals(
        few, new StrikeMeter(mel).refine(few), "too few hits to compare are left as they are");
  }
}
