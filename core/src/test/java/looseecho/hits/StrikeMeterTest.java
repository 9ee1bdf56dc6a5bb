package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.mix.Bus;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSynth;
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
    float[] hat = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.HAT_CLOSED)), RATE, 3);
    List<Hit> hits = new ArrayList<>();
    for (int k = 0; k < gains.length; k++) {
      double time = 0.5 + 0.5 * k;
      bus.add(hat, time, gains[k], 0);
      hits.add(new Hit(Lane.HAT_CLOSED, time, 80 + k % 3, 1, 1, 0, 1));
    }
    Audio audio = bus.audio(1);
    List<Hit> struck = new StrikeMeter(new Strokes(audio)).refine(hits);
    assertEquals(hits.size(), struck.size());
    int loud = struck.get(0).velocity() + struck.get(4).velocity() + struck.get(8).velocity();
    int soft = struck.get(1).velocity() + struck.get(5).velocity() + struck.get(9).velocity();
    assertTrue(loud > soft, loud + " against " + soft);
    for (int k = 0; k < hits.size(); k++) {
      assertEquals(hits.get(k).time(), struck.get(k).time());
      assertTrue(Math.abs(struck.get(k).velocity() - 81) < 8, "the network's scale is kept");
    }
    List<Hit> few = hits.subList(0, 3);
    List<Hit> same = new StrikeMeter(new Strokes(audio)).refine(few);
    assertEquals(few, same, "too few hits to compare are left as they are");
  }

  /**
   * Kicks that differ by a decibel or two under a bass that is far louder than the difference, at
   * marks that are up to two milliseconds off: what the kicks have in common tells them apart.
   */
  @Test
  void kicksUnderABassAreToldApartByTheirOwnSound() {
    Random random = new Random(4);
    float[] kick = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.KICK)), RATE, 3);
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
    AttackLevel level = new AttackLevel(bus.audio(1), Lane.KICK);
    List<AttackLevel.Attack> attacks = Arrays.stream(times).mapToObj(level::at).toList();
    double r = correlation(CommonLoudness.of(attacks), logarithms(gains));
    assertTrue(r > 0.9, "correlation " + r);
    double plain = correlation(means(attacks), logarithms(gains));
    assertTrue(r > plain, "no better than the plain mean: " + r + " against " + plain);
  }

  /**
   * The weights of one common factor are one over the variances of the bands' own errors (Bartlett
   * 1937): with errors of 0.1 in one band and 0.8 in five, the variance of what is left is near 1 /
   * (1 / 0.01 + 5 / 0.64), against 0.089 for the plain mean.
   */
  @Test
  void sureBandsOutweighUnsureOnes() {
    Random random = new Random(9);
    double[] truth = random.doubles(400, -0.5, 0.5).toArray();
    List<AttackLevel.Attack> hits = new ArrayList<>();
    for (double t : truth) {
      double[] level = new double[6];
      for (int b = 0; b < level.length; b++) {
        level[b] = 3 * b + t + (b == 2 ? 0.1 : 0.8) * random.nextGaussian();
      }
      hits.add(new AttackLevel.Attack(level, new double[] {1, 1, 1, 1, 1, 1}));
    }
    assertTrue(variance(CommonLoudness.of(hits), truth) < 0.02);
    assertEquals(0.089, variance(means(hits), truth), 0.02);
  }

  /** A hit one of whose bands is far off is read from the others. */
  @Test
  void aBandThatStraysOnceOrIsMaskedCountsLittle() {
    List<AttackLevel.Attack> hits = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      double[] level = {i % 2, i % 2, i % 2, i % 2};
      double[] trust = {1, i == 9 ? 0.08 : 1, 1, 1};
      level[0] += i == 6 ? 3 : 0;
      level[1] += i == 9 ? 1 : 0;
      hits.add(new AttackLevel.Attack(level, trust));
    }
    double[] common = CommonLoudness.of(hits);
    assertEquals(common[2], common[6], 0.1, "strays");
    assertEquals(common[1], common[9], 0.1, "masked");
    assertEquals(1, common[1] - common[2], 0.05);
  }

  @Test
  void silenceAndDullRecordingsLeaveTheHitsAsTheyWere() {
    Audio dull = new Audio(new float[80_000], new float[80_000], 8000);
    for (Lane lane : new Lane[] {Lane.KICK, Lane.HAT_CLOSED}) {
      List<Hit> hits = new ArrayList<>();
      for (int k = 1; k < 9; k++) {
        hits.add(new Hit(lane, k, 80 + k % 3, 1, 1, 0, 1));
      }
      List<Hit> struck = new StrikeMeter(new Strokes(dull)).refine(hits);
      for (int k = 0; k < hits.size(); k++) {
        assertEquals(hits.get(k).velocity(), struck.get(k).velocity(), 2, lane + " " + k);
      }
    }
  }

  private static double[] logarithms(double[] gains) {
    return Arrays.stream(gains).map(Math::log).toArray();
  }

  private static double[] means(List<AttackLevel.Attack> hits) {
    double[] mean =
        hits.stream().mapToDouble(h -> Arrays.stream(h.level()).average().orElseThrow()).toArray();
    double middle = Arrays.stream(mean).average().orElseThrow();
    return Arrays.stream(mean).map(m -> m - middle).toArray();
  }

  private static double variance(double[] a, double[] b) {
    double middle = Arrays.stream(b).average().orElseThrow();
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += Math.pow(a[i] - b[i] + middle, 2);
    }
    return sum / a.length;
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
