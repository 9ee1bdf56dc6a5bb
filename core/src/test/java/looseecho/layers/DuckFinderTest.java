package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import looseecho.Signals;
import looseecho.audio.Audio;
import looseecho.layers.HeardLayer.Span;
import looseecho.mix.Ducking;
import looseecho.notes.Note;
import looseecho.separate.SpectrumBands;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;

/** What is pushed down by known depths. */
class DuckFinderTest {
  private static final int RATE = 44100;
  private static final int SECONDS = 11;
  private static final double HOP = (double) SpectrumBands.HOP / RATE;
  private static final double[] KICKS = IntStream.range(1, 20).mapToDouble(k -> k * 0.5).toArray();
  private static final DuckMeter.Drum KICK = new DuckMeter.Drum("kick", KICKS, new float[0]);
  private static final DuckMeter.Drum SNARE = new DuckMeter.Drum("snare", KICKS, new float[0]);
  private static final DuckMeter.Drum NONE =
      new DuckMeter.Drum("snare", new double[0], new float[0]);
  private static final List<Span> HELD = List.of(new Span(0, 10));

  /** A saw that is pushed down by 8 dB on every half second, and the same even. */
  private static float[] saw(boolean ducked) {
    ToneSound saw = new ToneSound(1, 1, 0, 6000, 0, 2, 5000, 1, 20, 0, 0, Timbre.PLAIN);
    int[] at = IntStream.range(1, 20).map(k -> k * RATE / 2).toArray();
    float[] gains = new Ducking(ducked ? 8 : 0, 250).envelope(at, SECONDS * RATE, RATE);
    float[] x = new ToneSynth().render(saw, 57, 10, 110, RATE);
    float[] out = new float[SECONDS * RATE];
    for (int i = 0; i < out.length && i < x.length; i++) {
      out[i] = 0.3f * x[i] * gains[i];
    }
    return out;
  }

  @Test
  void duckingUnderTheKickIsHeardWithItsDepth() {
    DuckMeter meter = new DuckMeter(loudness(saw(true)));
    HeardLayer.Duck duck = meter.find(HELD, KICK, NONE).orElseThrow().duck();
    assertEquals("kick", duck.by());
    assertEquals("snare", meter.find(HELD, NONE, SNARE).orElseThrow().duck().by());
    assertEquals(8, duck.depthDb(), 1.5);
    // What comes back from each dip may have been told as a note of its own.
    assertEquals(duck, meter.find(DuckFinder.held(notes(0)), KICK, NONE).orElseThrow().duck());
    assertTrue(meter.find(DuckFinder.held(notes(1)), KICK, NONE).isEmpty());
    // Half a cosine in gain from -8 dB over 250 ms: 90 % of the way in dB after some 190 ms.
    assertEquals(190, duck.recoveryMs(), 50);
    assertEquals(250, Ducking.whole(8, 187.5), 10);
    assertTrue(new DuckMeter(loudness(saw(false))).find(HELD, KICK, NONE).isEmpty());
  }

  /** One note each half second, every other of them so much higher. */
  private static List<Note> notes(int higher) {
    return IntStream.range(0, 20)
        .mapToObj(k -> new Note(k / 2.0, k / 2.0 + 0.5, 57 + k % 2 * higher, 100, 1))
        .toList();
  }

  /** The same dip of a tenth of a second is a drum's own where it is as loud, and else a push. */
  @Test
  void whatALoudDrumHidesIsNotPushedDown() {
    float[] bass = course(t -> since(t) < 0.1 ? 0.1 : 1);
    float[] longDrum = course(t -> since(t) < 0.12 ? 5 : 1e-6);
    float[] shortDrum = course(t -> since(t) < 0.03 ? 5 : 1e-6);
    DuckMeter meter = new DuckMeter(bass);
    assertTrue(meter.find(HELD, new DuckMeter.Drum("kick", KICKS, longDrum), NONE).isEmpty());
    assertEquals(
        10,
        meter
            .find(HELD, new DuckMeter.Drum("kick", KICKS, shortDrum), NONE)
            .orElseThrow()
            .duck()
            .depthDb(),
        0.5);
  }

  /** Bars of two seconds: half a cosine of 6 dB over half of each, and a stab on each beat. */
  @Test
  void aSwellOverEachBarIsHeardWithItsLength() {
    BarSwell swell = new BarSwell(0.5, 2);
    List<Span> active = List.of(new Span(0.4, SECONDS), new Span(SECONDS, 3 * SECONDS));
    DoubleUnaryOperator bar = t -> (t + 1.5) % 2 / 2;
    float[] swells =
        course(t -> db(-3 - 3 * Math.cos(Math.PI * Math.min(1, 2 * bar.applyAsDouble(t)))));
    HeardLayer.Duck duck = swell.find(swells, active).orElseThrow();
    assertEquals("Swells over each bar", duck.words().split(":")[0]);
    assertEquals(6, duck.depthDb(), 0.3);
    assertEquals(795, duck.recoveryMs(), 60, "(1 + cos x) / 2 = 0.1 at 79.5 % of half a bar");
    float[] stabs = course(t -> db(-20 * ((t + 1.5) % 0.5)));
    assertTrue(swell.find(stabs, active).isEmpty());
    float[] grows = course(t -> db(t));
    assertTrue(swell.find(grows, active).isEmpty());
  }

  /** A kick in the middle is not heard at the sides, where a wide saw is pushed down. */
  @Test
  void whatStandsWideIsHeardAtTheSides() {
    float[] wide = saw(true);
    float[] kick = Signals.sine(300, 0.5, SECONDS, RATE, false).channel(0);
    float[] left = kick.clone();
    float[] right = kick.clone();
    for (int i = 0; i < wide.length; i++) {
      left[i] += wide[i];
      right[i] -= wide[i];
    }
    HeardLayer.Duck duck =
        new DuckMeter(SideCourse.of(new Audio(left, right, RATE)))
            .find(HELD, KICK, NONE)
            .orElseThrow()
            .duck();
    assertEquals(8, duck.depthDb(), 1);
    float[] middle = SideCourse.of(new Audio(kick, kick, RATE));
    assertEquals(0, IntStream.range(0, middle.length).mapToDouble(n -> middle[n]).max().orElse(1));
  }

  private static double since(double time) {
    return (time + 0.006) % 0.5;
  }

  private static double db(double value) {
    return Math.pow(10, value / 10);
  }

  private static float[] course(DoubleUnaryOperator power) {
    float[] out = new float[(int) (3 * SECONDS / HOP)];
    for (int n = 0; n < out.length; n++) {
      out[n] = (float) power.applyAsDouble(n * HOP);
    }
    return out;
  }

  /** Mean square in every frame of the separator, over as long as its window is half high. */
  private static float[] loudness(float[] x) {
    float[] out = new float[x.length / SpectrumBands.HOP + 1];
    for (int n = 0; n < out.length; n++) {
      int from = Math.max(0, n * SpectrumBands.HOP - SpectrumBands.WINDOW / 4);
      int to = Math.min(x.length, n * SpectrumBands.HOP + SpectrumBands.WINDOW / 4);
      double rms = Signals.rms(x, from, to);
      out[n] = (float) (rms * rms);
    }
    return out;
  }
}
