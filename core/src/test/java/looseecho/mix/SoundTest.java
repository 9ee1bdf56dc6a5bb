package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Loudness;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.play.OutputDevice;
import looseecho.play.Player;
import looseecho.reading.Progress;
import looseecho.synth.Playing;
import looseecho.synth.SampleSound;
import looseecho.synth.Slices;
import org.junit.jupiter.api.Test;

class SoundTest {
  private static final int RATE = EchoRenderer.RATE;

  /**
   * A device that takes blocks as fast as they come, keeps them, and lets the test act at a block.
   */
  private static final class Recorder implements OutputDevice {
    private final List<float[]> blocks = new ArrayList<>();
    private final CountDownLatch full;
    private final Consumer<Integer> at;

    Recorder(int count, Consumer<Integer> at) {
      full = new CountDownLatch(count);
      this.at = at;
    }

    @Override
    public void write(float[] x, int samples) {
      if (full.getCount() > 0) {
        at.accept(blocks.size());
        blocks.add(java.util.Arrays.copyOf(x, 2 * samples));
        full.countDown();
      } else {
        java.util.concurrent.locks.LockSupport.parkNanos(1_000_000);
      }
    }

    @Override
    public long waiting() {
      return 0;
    }

    @Override
    public String remark() {
      return "";
    }

    @Override
    public void close() {
      // nothing is held
    }

    float[] left() throws InterruptedException {
      assertTrue(full.await(20, TimeUnit.SECONDS));
      float[] out = new float[blocks.size() * blocks.get(0).length / 2];
      int n = 0;
      for (float[] b : blocks) {
        for (int i = 0; i < b.length; i += 2) {
          out[n++] = b[i];
        }
      }
      return out;
    }
  }

  /** The device waits until the test has set everything up. */
  private static void hold(CountDownLatch ready) {
    try {
      ready.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static double steepest(float[] x, int from, int to) {
    double worst = 0;
    for (int i = from + 1; i < to; i++) {
      worst = Math.max(worst, Math.abs(x[i] - x[i - 1]));
    }
    return worst;
  }

  @Test
  void renderingIsDeterministicKeepsTheCeilingAndPutsHitsInPlace() {
    Audio mix = new EchoRenderer(Sounds.plain()).mix(TemplateTest.small(), Progress.NONE);
    Rendered a = Rendered.of(new EchoRenderer(Sounds.plain()), TemplateTest.small());
    Rendered b = Rendered.of(new EchoRenderer(Sounds.plain()), TemplateTest.small());
    assertArrayEquals(a.mix().channel(0), b.mix().channel(0));
    assertTrue(mix.peak() <= 0.892 && mix.peak() > 0.3, "peak " + mix.peak());
    List<String> names = List.of("kick", "snare", "closed hat", "bass", "room");
    assertEquals(names, List.copyOf(a.stems().keySet()));
    assertEquals(names, new EchoRenderer(Sounds.plain()).stems(TemplateTest.small()));
    float[] snare = a.stems().get("snare").channel(0);
    int at = (int) Math.round((0.5 + 0.5 + 0.012) * RATE);
    assertEquals(0, Signals.rms(snare, at - 400, at - 2), 1e-9);
    assertTrue(Signals.rms(snare, at, at + 400) > 0.05);
    for (int i = 0; i < mix.length(); i += 13) {
      assertEquals(a.mix().right(i) * a.course().right(i), mix.right(i));
    }
  }

  /**
   * Flipping from heard to echo, editing and pausing while it plays must not click: no step beyond
   * the sine's own.
   */
  @Test
  void switchingEditingAndPausingDoNotClick() throws InterruptedException {
    Audio heard = Signals.sine(200, 0.5, 5, RATE, true);
    Audio echo = Signals.sine(300, 0.5, 5, RATE, true);
    Audio edited = Signals.sine(250, 0.5, 5, RATE, true);
    Player[] player = new Player[1];
    CountDownLatch ready = new CountDownLatch(1);
    Recorder device =
        new Recorder(
            160,
            n -> {
              try {
                ready.await();
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              }
              Player p = player[0];
              switch (n) {
                case 0 -> {
                  p.load(heard, 1);
                  p.echo(echo, 1);
                  p.balance(0);
                  p.volume(1);
                  p.play();
                }
                case 40 -> p.balance(1);
                case 80 -> p.echo(edited, 1);
                case 120 -> p.pause();
                default -> {
                  return;
                }
              }
            });
    try (Player p = new Player(device)) {
      player[0] = p;
      ready.countDown();
      float[] x = device.left();
      double own = 0.5 * 2 * Math.PI * 300 / RATE;
      assertTrue(
          steepest(x, 0, x.length) < 1.6 * own,
          "steepest step " + steepest(x, 0, x.length) + " against " + own);
      assertEquals(0.354, Signals.rms(x, 30 * 512, 40 * 512), 0.02);
      assertEquals(0.354, Signals.rms(x, 70 * 512, 80 * 512), 0.02);
      assertEquals(0, Signals.rms(x, 150 * 512, 160 * 512), 1e-3);
      assertTrue(p.position() > 1.0 && p.position() < 1.9, "position " + p.position());
    }
  }

  @Test
  void theLoopHolds() throws InterruptedException {
    float[] ramp = new float[RATE * 2];
    for (int i = 0; i < ramp.length; i++) {
      ramp[i] = i / (float) ramp.length;
    }
    CountDownLatch ready = new CountDownLatch(1);
    Recorder device = new Recorder(200, n -> hold(ready));
    try (Player p = new Player(device)) {
      p.load(new Audio(ramp, ramp.clone(), RATE), 1);
      p.loop(0.5, 0.75);
      p.seek(0.5);
      p.volume(0.5);
      p.play();
      ready.countDown();
      float[] x = device.left();
      for (int i = x.length / 2; i < x.length; i++) {
        assertTrue(x[i] > 0.5 * 0.24 && x[i] < 0.5 * 0.38, "sample " + i + " is " + x[i]);
      }
    }
  }

  @Test
  void heardAndEchoAreMatchedInLoudness() {
    Audio soft = Signals.sine(997, 0.05, 3, RATE, true);
    Audio mix = new EchoRenderer(Sounds.plain()).mix(TemplateTest.small(), Progress.NONE);
    for (Audio a : new Audio[] {soft, mix}) {
      Bus bus = new Bus(a.length(), RATE);
      bus.add(a.channel(0), 0, LoudnessMatch.gain(a), -1);
      bus.add(a.channel(1), 0, LoudnessMatch.gain(a), 1);
      // a hard-panned channel gains 3 dB on the bus
      assertEquals(-16 + 3.01, new Loudness().integrated(bus.audio(1)).orElseThrow(), 0.1);
    }
    assertEquals(1, LoudnessMatch.gain(Signals.sine(100, 0, 2, RATE, true)));
  }

  @Test
  void duckingFollowsDepthAndRecovery() {
    float[] e = new Ducking(6, 100).envelope(new int[] {RATE / 2}, RATE, RATE);
    assertEquals(1, e[RATE / 2 - 200], 1e-6);
    assertEquals(0.501, e[RATE / 2], 1e-3);
    assertEquals(0.75, e[RATE / 2 + RATE / 20], 0.01);
    assertEquals(1, e[RATE / 2 + RATE / 10], 1e-3);
    assertTrue(steepest(e, 0, e.length) < 0.01);
  }

  @Test
  void anEditIsHeardInTheStemItBelongsTo() {
    EchoRenderer renderer = new EchoRenderer(Sounds.plain());
    var edited =
        Edits.toggle(TemplateTest.small(), Cell.step(0, Part.of(Lane.CLAP), 6), 100, false)
            .template();
    var stems = Rendered.of(renderer, edited).stems();
    int at = (int) Math.round((0.5 + 0.75) * RATE);
    assertTrue(Signals.rms(stems.get("clap").channel(0), at, at + 2000) > 0.03);
    assertEquals(
        renderer.oneShot(Part.of(Lane.CLAP), 127).length,
        renderer.oneShot(Part.of(Lane.CLAP), 20).length);
  }

  /**
   * What is played live is what is written: the same samples, but for volume and the fade in; and a
   * newer stretch laid over it is played in its place.
   */
  @Test
  void livePlayIsTheRendering() throws InterruptedException {
    Template old = TemplateTest.small();
    Template edited = Edits.toggle(old, Cell.step(0, Part.of(Lane.CLAP), 2), 120, false).template();
    EchoRenderer renderer = new EchoRenderer(Sounds.plain());
    Audio mix = renderer.mix(old, Progress.NONE);
    Excerpt newer = renderer.excerpt(edited, 0.7, 0.2, Progress.NONE);
    assertTrue(newer.audio().peak() > mix.slice(newer.at(), newer.at() + RATE / 5).peak() + 0.05);
    CountDownLatch ready = new CountDownLatch(1);
    Recorder device = new Recorder(120, n -> hold(ready));
    try (Player p = new Player(device)) {
      p.load(mix, 1);
      p.echo(mix, 1);
      p.over(newer);
      p.balance(1);
      p.volume(1);
      p.play();
      ready.countDown();
      float[] x = device.left();
      double best = Double.MAX_VALUE; // blocks before the first sound are silent
      for (int silent = 0; silent < 4 * 512 && best > 2e-3; silent++) {
        double worst = 0;
        for (int i = RATE / 2; i + silent < x.length && worst < best; i++) {
          double s = newer.share(i);
          double is = s == 0 ? mix.left(i) : s * newer.sample(i, 0) + (1 - s) * mix.left(i);
          worst = Math.max(worst, Math.abs(is - x[i + silent]));
        }
        best = Math.min(best, worst);
      }
      assertTrue(best < 2e-3, "differs by " + best);
      assertTrue(p.listening().seconds() > 0.3 && p.listening().levelDb() < 0);
    }
  }

  @Test
  void samplesAreCutTurnedAndTransposed() {
    float[] ramp = new float[RATE];
    for (int i = 0; i < ramp.length; i++) {
      ramp[i] = i / (float) ramp.length;
    }
    SampleSound s =
        new SampleSound("x", "", 12, 100, 500, 0, 0, 0, false, Slices.NONE, Playing.USUAL);
    float[] up = s.shape(ramp, RATE);
    assertEquals(
        RATE / 4, up.length, 1, "an octave up is half as long (ratio 2, equal temperament)");
    assertTrue(up[10] < up[up.length - 1]);
    float[] back = s.turned(true).shape(ramp, RATE);
    assertEquals(up[0], back[back.length - 1], 0.01);
    float[] even = new float[RATE];
    java.util.Arrays.fill(even, 1);
    float[] shaped = s.tuned(0).from(0).lasting(400).shaped(10, 100, 50).shape(even, RATE);
    assertEquals(0, shaped[0], 1e-6, "comes up from nothing");
    double fall = 20 * Math.log10(shaped[RATE / 5] / shaped[RATE / 10]);
    assertEquals(-8.686, fall, 0.01, "1/e is 8.686 dB (definition of the neper, ISO 80000-3)");
    assertTrue(shaped[shaped.length - 1] < 1e-3, "and goes to nothing");
    EchoRenderer r =
        new EchoRenderer(
            Sounds.plain()
                .with(Part.of(Lane.KICK), SampleSound.of(java.nio.file.Path.of("gone.wav"))));
    assertEquals(1, r.missing().size(), "a lost sample is told, and the built-in drum plays");
    assertTrue(r.oneShot(Part.of(Lane.KICK), 100).length > 1000);
  }
}
