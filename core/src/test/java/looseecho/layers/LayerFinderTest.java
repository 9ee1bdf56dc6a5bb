package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Loudness;
import looseecho.dsp.ThirdOctaves;
import looseecho.echo.Part;
import looseecho.hits.Hit;
import looseecho.mix.Sounds;
import looseecho.reading.Progress;
import looseecho.separate.StemPowers;
import looseecho.synth.DrumSynth;
import org.junit.jupiter.api.Test;

/** Layers that were laid at known places, levels and depths. */
class LayerFinderTest {
  private static final int RATE = 44100;

  /** IEC 61260-1:2014, table 1: exact mid-band frequencies of one-third-octave bands. */
  @Test
  void bandsHaveTheStandardsCentres() {
    assertEquals(25.119, ThirdOctaves.centre(0), 0.001);
    assertEquals(1000, ThirdOctaves.centre(16), 1e-9);
    assertEquals(1995.262, ThirdOctaves.centre(19), 0.001);
    assertEquals(19952.62, ThirdOctaves.centre(29), 0.01);
    // and its nominal ones
    assertEquals(31.5, ThirdOctaves.nominal(ThirdOctaves.centre(1)), 1e-9);
    assertEquals(315, ThirdOctaves.nominal(ThirdOctaves.centre(11)), 1e-9);
    assertEquals("500 to 12500 Hz", ThirdOctaves.words(501.19, 12589));
    // edges lie a sixth of an octave off, by ten to the 1/20: 891 to 1122 Hz around 1 kHz
    assertEquals(16, ThirdOctaves.band(892));
    assertEquals(16, ThirdOctaves.band(1121));
    assertEquals(15, ThirdOctaves.band(890));
  }

  @Test
  void aStrokesSideWidthAndBandAreMeasured() {
    float[] hat = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.HAT_CLOSED)), RATE, 3);
    float[] left = new float[2 * RATE];
    float[] right = new float[2 * RATE];
    for (int i = 0; i < hat.length; i++) {
      left[RATE + i] = 0.2f * hat[i];
      right[RATE + i] = 0.6f * hat[i];
    }
    BandPowers powers = new BandPowers();
    new SoundProbe(new Audio(left, right, RATE), 0.046).stroke(1, 3000, 20000, powers);
    // energies 0.04 and 0.36: pan 0.8; side 0.2, middle 0.4: width 0.04 / 0.2 = 0.2
    assertEquals(0.8, powers.image().pan(), 0.01);
    assertEquals(0.2, powers.image().width(), 0.01);
    double[] edges = powers.edges();
    assertTrue(edges[0] > 4500 && edges[0] < 9000, "" + edges[0]);
    assertTrue(edges[1] > 14000, "" + edges[1]);
  }

  /** A soft shaker is no louder for the snares that are struck with every other stroke of it. */
  @Test
  void whatIsStruckBesideALayerDoesNotCountAsItsLevel() {
    float[] shaker = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.PERCUSSION)), RATE, 3);
    float[] snare = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.SNARE)), RATE, 3);
    float[] x = new float[10 * RATE];
    List<Hit> hits = new ArrayList<>();
    for (int k = 1; k < 36; k++) {
      add(x, shaker, k * RATE / 4, 0.1f);
      hits.add(new Hit(Lane.PERCUSSION, k / 4.0, 100, k / 16, k % 16, 0, 1).withLength(60));
    }
    double bare = level(x, hits);
    for (int k = 2; k < 36; k += 2) {
      add(x, snare, k * RATE / 4, 0.8f);
      hits.add(new Hit(Lane.SNARE, k / 4.0, 100, k / 16, k % 16, 0, 1));
    }
    hits.sort(Comparator.comparingDouble(Hit::time));
    assertEquals(bare, level(x, hits), 1);
  }

  /** One stroke in two seconds: the pauses fall under the gates of ITU-R BS.1770-4. */
  @Test
  void aRareStrokeIsAsLoudAsAMeterWithGatesReadsIt() {
    Random random = new Random(5);
    float[] x = new float[20 * RATE];
    List<Hit> hits = new ArrayList<>();
    for (int k = 0; k < 10; k++) {
      for (int i = 0; i < RATE; i++) { // 20 dB in 200 ms
        x[2 * k * RATE + RATE / 2 + i] =
            (float) (0.3 * random.nextGaussian() * Math.pow(10, -i / (0.2 * RATE)));
      }
      hits.add(new Hit(Lane.SNARE, 2 * k + 0.5, 100, k, 0, 0, 1).withLength(200));
    }
    Audio audio = new Audio(x, x, RATE);
    StemMeter meter = new StemMeter(StemPowers.of(audio, List.of(), Progress.NONE));
    double power =
        new StrokeMeter(audio, meter, hits)
            .measure(Lane.SNARE, hits, List.of(new HeardLayer.Span(0, 20)))
            .mean();
    double lufs = -0.691 + 10 * Math.log10(power / 3); // noise of variance 1 adds up to 3
    assertEquals(new Loudness().integrated(audio).getAsDouble(), lufs, 1);
  }

  private static void add(float[] to, float[] sound, int at, float gain) {
    for (int i = 0; i < sound.length && at + i < to.length; i++) {
      to[at + i] += gain * sound[i];
    }
  }

  /** Of the percussion, in decibels. */
  private static double level(float[] x, List<Hit> all) {
    Audio audio = new Audio(x, x, RATE);
    StemMeter meter = new StemMeter(StemPowers.of(audio, List.of(), Progress.NONE));
    List<Hit> own = all.stream().filter(h -> h.lane() == Lane.PERCUSSION).toList();
    return 10
        * Math.log10(
            new StrokeMeter(audio, meter, all)
                .measure(Lane.PERCUSSION, own, List.of(new HeardLayer.Span(0, 10)))
                .mean());
  }
}
