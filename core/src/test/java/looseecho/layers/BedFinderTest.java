package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.ThirdOctaves;
import looseecho.echo.Part;
import looseecho.form.Event;
import looseecho.layers.HeardLayer.Span;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSynth;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;

class BedFinderTest {
  private static final int RATE = 44100;
  private static final int SECONDS = 24;
  private static final DuckMeter.Drum NONE =
      new DuckMeter.Drum("snare", new double[0], new float[0]);

  /** Hats and snares on quarters at 120 over a held note, 24 seconds. */
  private static float[] beat(double cutoffHz) {
    DrumSynth drums = new DrumSynth();
    float[] hat = drums.render(Sounds.plain().drum(Part.of(Lane.HAT_CLOSED)), RATE, 3);
    float[] snare = drums.render(Sounds.plain().drum(Part.of(Lane.SNARE)), RATE, 3);
    float[] x = new float[SECONDS * RATE];
    for (int k = 0; k < 2 * SECONDS; k++) {
      add(x, k % 2 == 1 ? snare : hat, k * RATE / 2, 0.5f);
    }
    ToneSound saw = new ToneSound(1, 1, 0, cutoffHz, 0, 2, 5000, 1, 20, 0, 0, Timbre.PLAIN);
    add(x, new ToneSynth().render(saw, 57, SECONDS, 110, RATE), 0, 0.3f);
    return x;
  }

  private static void add(float[] to, float[] sound, int at, float gain) {
    for (int i = 0; i < sound.length && at + i < to.length; i++) {
      to[at + i] += gain * sound[i];
    }
  }

  /** White noise of a standard deviation on both sides, each its own, between two times. */
  private static Audio withNoise(float[] x, double deviation, double from, double to) {
    Random random = new Random(5);
    float[] left = x.clone();
    float[] right = x.clone();
    for (int i = (int) (from * RATE); i < Math.min(x.length, to * RATE); i++) {
      left[i] += (float) (deviation * random.nextGaussian());
      right[i] += (float) (deviation * random.nextGaussian());
    }
    return new Audio(left, right, RATE);
  }

  @Test
  void aBedIsHeardBetweenTheStrokesWithItsPlaceAndLevel() {
    Audio mix = withNoise(beat(500), 0.004, 6, 18);

    NoiseFinder.Noise bed = new BedFinder(mix).find();

    assertEquals(1, bed.active().size());
    assertEquals(6, bed.active().get(0).start(), 0.6, "a snare rings on until then");
    assertEquals(18, bed.active().get(0).end(), 0.3);
    // Power is even over frequency: that of a band is its share of half the rate (0 to 22.05 kHz).
    int band = ThirdOctaves.band(8000);
    double share = (ThirdOctaves.high(band) - ThirdOctaves.low(band)) / (RATE / 2.0);
    double measured = bed.powers().mean(BandPowers.LEFT, band);
    double sine = 2 * share * 0.004 * 0.004; // as the power of a sine's amplitude
    assertEquals(0, 10 * Math.log10(measured / sine), 4);
    assertEquals(0.5, bed.powers().image().high(), 0.1, "each side its own: half at the sides");
    assertTrue(new BedFinder(mix).swell(bed).isEmpty(), "it begins at once");
  }

  /** Over ten seconds it grows by 16 dB, and then stands still. */
  @Test
  void aBedThatGrowsHasAMoveOfItsLevel() {
    Random random = new Random(5);
    float[] x = new float[2 * SECONDS * RATE];
    for (int i = 0; i < x.length; i++) {
      double db = -16 * Math.max(0, 1 - (double) i / (10 * RATE));
      x[i] = (float) (0.004 * Math.pow(10, db / 20) * random.nextGaussian());
    }
    add(x, beat(500), 0, 1);
    add(x, beat(500), SECONDS * RATE, 1);
    BedFinder finder = new BedFinder(new Audio(x, x, RATE));
    HeardLayer.Move swell = finder.swell(finder.find()).orElseThrow();
    assertEquals(HeardLayer.Move.LEVEL, swell.what());
    assertEquals(0, swell.start(), 2);
    assertEquals(10, swell.end(), 2);
    assertEquals(-16, swell.from(), 4);
    assertEquals(0, swell.to());
  }

  /** Pushed down by 12 dB on every beat, and 90 % of the way back after 300 ms. */
  @Test
  void aBedThatTheKickPushesDownIsHeardWithItsWayBack() {
    double[] beats = IntStream.range(0, 2 * SECONDS).mapToDouble(k -> k / 2.0).toArray();
    DuckMeter.Drum kick = new DuckMeter.Drum("kick", beats, new float[0]);
    double[] backs = IntStream.range(0, SECONDS).mapToDouble(k -> k + 0.5).toArray();
    DuckMeter.Drum snare = new DuckMeter.Drum("snare", backs, new float[0]);
    float[] x = new float[SECONDS * RATE];
    float[] hat = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.HAT_CLOSED)), RATE, 3);
    for (int k = 0; k < 4 * SECONDS; k++) {
      add(x, hat, k * RATE / 4, 0.3f);
    }
    BedFinder without = new BedFinder(new Audio(x, x, RATE));
    assertTrue(without.pushed(kick, snare).isEmpty());

    Random random = new Random(5);
    double length = 0.3 * Math.PI / Math.acos(-0.8); // of half a cosine that is 90 % over in 0.3 s
    for (int i = 4 * RATE; i < 18 * RATE; i++) {
      double since = i / (double) RATE % 0.5;
      double db = -6 - 6 * Math.cos(Math.PI * Math.min(1, since / length));
      x[i] += (float) (0.004 * Math.pow(10, db / 20) * random.nextGaussian());
    }
    BedFinder finder = new BedFinder(new Audio(x, x, RATE));
    PushedBed.Found found = finder.pushed(kick, snare).orElseThrow();
    assertTrue(finder.find().active().isEmpty(), "it never stands still");
    assertEquals("kick", found.duck().by());
    assertEquals(12, found.duck().depthDb(), 1.5);
    assertEquals(300, found.duck().recoveryMs(), 45);
    assertEquals(1, found.noise().active().size());
    assertEquals(4, found.noise().active().get(0).start(), 0.6);
    assertEquals(18, found.noise().active().get(0).end(), 0.6);
  }

  @Test
  void strokesHeldNotesAndFaintHissAreNoBed() {
    float[] x = beat(9000);
    assertTrue(new BedFinder(new Audio(x, x, RATE)).find().active().isEmpty());
    assertTrue(new BedFinder(withNoise(x, 0.0001, 0, SECONDS)).find().active().isEmpty());
    float[] none = new float[RATE];
    assertTrue(new BedFinder(new Audio(none, none, RATE)).find().active().isEmpty());
  }

  @Test
  void noiseThatSwellsIntoABedIsItsBeginningAndElseALayerOfItsOwn() {
    Audio mix = withNoise(beat(500), 0.004, 8, SECONDS);
    Event into = new Event(Event.Kind.NOISE_RISES, 4, 8, "noise rises", 1);
    Event away = new Event(Event.Kind.NOISE_RISES, 1, 3, "noise rises", 1);

    NoiseFinder.Found found = new NoiseFinder(mix, List.of(away, into)).find(NONE, NONE);

    assertEquals(new Span(4, 8), found.bed().active().get(0));
    assertEquals(List.of(new Span(1, 3)), found.rises().active());
  }
}
