package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import looseecho.Metrics;
import looseecho.activity.Lane;
import looseecho.activity.LineNet;
import looseecho.activity.Register;
import looseecho.audio.Resampler;
import looseecho.echo.Part;
import looseecho.mix.Bus;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.reading.Progress;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The riff written down from our own renderings: alone, and in front of drums, bass and chords. */
class RiffTest {
  private static final int RATE = EchoRenderer.RATE;
  private static final LineNet NET = LineNet.load(Register.RIFF);

  private record Tone(double start, double end, int pitch) {}

  /** A tune that walks and leaps on the notes of a key; the seed decides. */
  private static List<Tone> tune(long seed, double seconds) {
    SplittableRandom random = new SplittableRandom(seed);
    Key key = new Key(random.nextInt(12), true);
    int rung = key.rung(67);
    List<Tone> out = new ArrayList<>();
    for (double t = 0.4; t < seconds - 1; ) {
      double length = 0.15 * (1 + random.nextInt(4));
      rung += random.nextInt(7) - 3;
      rung = Math.max(key.rung(58), Math.min(key.rung(82), rung));
      out.add(new Tone(t, t + 0.85 * length, key.pitch(rung)));
      t += length;
    }
    return out;
  }

  private static void lay(Bus bus, List<Tone> tune, double gain) {
    for (Tone n : tune) {
      float[] tone =
          new ToneSynth().render(ToneSound.PLUCK, n.pitch(), n.end() - n.start(), 100, RATE);
      bus.add(tone, n.start(), gain, 0);
    }
  }

  private static List<Note> hear(Bus bus) {
    float[] x = new Resampler().resample(bus.audio(0.5).mono(), RATE, Register.RIFF.rate());
    return new LineFinder(LineFinder.Settings.RIFF)
        .find(NET.run(x, 0, Progress.NONE), Optional.empty());
  }

  /** Onset within 50 ms and the same semitone, as in MIREX note tracking. */
  private static double f(List<Tone> truth, List<Note> heard) {
    return Metrics.f(
        truth.stream().mapToDouble(n -> 1000 * n.pitch() + n.start()).toArray(),
        heard.stream().mapToDouble(n -> 1000 * n.pitch() + n.start()).toArray(),
        Metrics.ONSET);
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void aTuneAloneIsWrittenDown(long seed) {
    List<Tone> tune = tune(seed, 16);
    Bus bus = new Bus(16 * RATE, RATE);
    lay(bus, tune, 0.5);
    double f = f(tune, hear(bus));
    assertTrue(f > 0.75, "notes " + f);
  }

  @ParameterizedTest
  @ValueSource(longs = {4, 5})
  void aTuneInFrontOfABeatIsStillHeard(long seed) {
    List<Tone> tune = tune(seed, 16);
    Bus bus = new Bus(16 * RATE, RATE);
    lay(bus, tune, 0.5);
    EchoRenderer kit = new EchoRenderer(Sounds.plain());
    for (int k = 0; k < 30; k++) {
      bus.add(
          kit.oneShot(k % 2 == 0 ? Part.of(Lane.KICK) : Part.of(Lane.SNARE), 100),
          0.4 + 0.5 * k,
          0.6,
          0);
      bus.add(kit.oneShot(Part.of(Lane.HAT_CLOSED), 80), 0.65 + 0.5 * k, 0.6, 0);
      bus.add(
          new ToneSynth().render(ToneSound.BASS, 33 + k / 8 % 2 * 5, 0.4, 100, RATE),
          0.4 + 0.5 * k,
          0.4,
          0);
    }
    double f = f(tune, hear(bus));
    assertTrue(f > 0.6, "notes " + f);
  }

  @Test
  void drumsAloneHaveNoTune() {
    Bus bus = new Bus(10 * RATE, RATE);
    EchoRenderer kit = new EchoRenderer(Sounds.plain());
    for (int k = 0; k < 36; k++) {
      bus.add(
          kit.oneShot(k % 4 == 0 ? Part.of(Lane.KICK) : Part.of(Lane.HAT_CLOSED), 100),
          0.25 * k,
          1,
          0);
    }
    assertTrue(hear(bus).size() <= 4, "ghosts: " + hear(bus).size());
  }

  /** A song heard in two parts gives what it gives as a whole: long ones are never held at once. */
  @Test
  void partsGiveTheWhole() {
    List<Tone> tune = tune(9, 24);
    Bus bus = new Bus(24 * RATE, RATE);
    lay(bus, tune, 0.5);
    float[] x = new Resampler().resample(bus.audio(0.5).mono(), RATE, Register.RIFF.rate());
    int rate = Register.RIFF.rate();
    int frames = x.length * Register.FRAMES.perSecond() / rate + 1;
    double power = 0;
    for (float v : x) {
      power += v * v;
    }
    double rms = Math.sqrt(power / x.length);
    int cut = 600; // frames: twelve seconds
    float[] first =
        java.util.Arrays.copyOfRange(x, 0, (cut + 100) * rate / Register.FRAMES.perSecond());
    float[] second =
        java.util.Arrays.copyOfRange(x, (cut - 100) * rate / Register.FRAMES.perSecond(), x.length);
    var parts =
        List.of(
            new LineNet.Part(first, 0, cut, 0), new LineNet.Part(second, cut, frames, cut - 100));
    var whole = NET.run(x, 0, Progress.NONE);
    var joined = NET.run(frames, parts.iterator(), rms, 0, Progress.NONE);
    for (int n = 0; n < whole.frames(); n += 3) {
      for (int p = whole.lowest(); p < whole.end(); p += 4) {
        assertEquals(whole.sounds(n, p), joined.sounds(n, p), 2e-3, "frame " + n);
      }
    }
  }
}
