package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
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
    Audio audio = bus.audio(1);
    List<Hit> struck = new StrikeMeter(audio).refine(hits);
    assertEquals(hits.size(), struck.size());
    int loud = struck.get(0).velocity() + struck.get(4).velocity() + struck.get(8).velocity();
    int soft = struck.get(1).velocity() + struck.get(5).velocity() + struck.get(9).velocity();
    assertTrue(loud > soft, loud + " against " + soft);
    for (int k = 0; k < hits.size(); k++) {
      assertEquals(hits.get(k).time(), struck.get(k).time());
      assertTrue(Math.abs(struck.get(k).velocity() - 81) < 8, "the network's scale is kept");
    }
    List<Hit> few = hits.subList(0, 3);
    List<Hit> same = new StrikeMeter(audio).refine(few);
    assertEquals(few, same, "too few hits to compare are left as they are");
  }

  /**
   * Kicks that differ by a decibel or two under a bass that is far louder than the difference, at
   * marks that are up to two milliseconds off: what the kicks have in common tells them apart.
   */
  @Test
  void kicksUnderABassAreToldApartByTheirOwnSound() {
    Random random = new Random(4);
    float[] kick = new DrumSynth().render(Sounds.plain().drums().get(Lane.KICK), RATE, 3);
    Bus bus = new Bus(RATE * 32, RATE);
    double[] gains = new double[30];
    double[] times = new double[30];
    for (int k = 0; k < gains.length; k++) {
      gains[k] = 0.8 + 0.3 * random.nextDouble();
      times[k] = 0.5 + k + 0.002 * (2 * random.nextDouble() - 1);
      bus.add(kick, 0.5 + k, gains[k], 0);
    }
    float[] bass = new float[RATE * 32];
    for (int n = 0; n < bass.length; n++) {
      double hz = 55 * Math.pow(2, (n / RATE * 5 % 12) / 12.0);
      bass[n] = (float) (0.15 * Math.sin(2 * Math.PI * hz * n / RATE));
    }
    bus.add(bass, 0, 1, 0);
    double[] heard = new MatchedStrikes(bus.audio(1), 35, 1000).loudness(times).orElseThrow();
    double r = correlation(heard, Arrays.stream(gains).map(Math::log).toArray());
    assertTrue(r > 0.9, "correlation " + r);
    assertTrue(new MatchedStrikes(bus.audio(1), 35, 1000).loudness(new double[5]).isEmpty());
    Audio dull = new Audio(new float[80_000], new float[80_000], 8000);
    double[] seconds = {1, 2, 3, 4, 5, 6, 7};
    assertTrue(new MatchedStrikes(dull, 5000, 17000).loudness(seconds).isEmpty(), "not so high");
    for (double silent : new MatchedStrikes(dull, 150, 9000).loudness(seconds).orElseThrow()) {
      assertTrue(Double.isFinite(silent));
    }
  }

  private static double correlation(double[] a, double[] b) {
    double ma = Arrays.stream(a).average().orElseThrow();
    double mb = Arrays.stream(b).average().orElseThrow();
    double ab = 0;
    double aa = 0;
    double bb = 0;
    for (int i = 0; i < a.length; i++) {
      ab += (a[i] - ma) * (b[i] - mb);
      aa += (a[i] - ma) * (a[i] - ma);
      bb += (b[i] - mb) * (b[i] - mb);
    }
    return ab / Math.sqrt(aa * bb);
  }
}
