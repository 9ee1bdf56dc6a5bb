package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.List;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

/** Stems, excerpts and blocks are the whole mix, none more and none less. */
class WholeMixTest {
  private static final int RATE = EchoRenderer.RATE;

  /** What is heard at once after an edit is the whole rendering, to a thousandth. */
  @Test
  void anExcerptIsTheSameStretchOfTheWhole() {
    Template t = TemplateTest.small();
    Part snare = Part.of(Lane.SNARE);
    Sounds wet =
        Sounds.plain()
            .with(snare, Sounds.plain().strip(snare).sends(0.5, 0.4))
            .with(Bed.OFF.level(-30));
    EchoRenderer renderer = new EchoRenderer(wet);
    Audio whole = renderer.mix(t, Progress.NONE);
    Excerpt part = renderer.excerpt(t, 4.321, 2, Progress.NONE);
    assertEquals(2 * RATE, part.audio().length());
    double worst = 0;
    for (int i = 0; i < part.audio().length(); i++) {
      worst = Math.max(worst, Math.abs(part.sample(part.at() + i, 1) - whole.right(part.at() + i)));
    }
    assertEquals(0, worst, 1e-3);
    assertEquals(0, part.share(part.at() - 1));
    assertEquals(1, part.share(part.at() + RATE));
    assertEquals(0, part.share(part.at() + 2 * RATE));
  }

  /** Everything at once: drive, room, repeats, width, ducking, bed. */
  private static Sounds busy() {
    Sounds s = Sounds.plain().driven(1.5).with(Bed.OFF.level(-24).ducked(9, 180));
    for (Part part : Part.of(TemplateTest.small())) {
      s = s.with(part, s.strip(part).panned(0.4).sends(0.4, 0.3).wide(0.6));
    }
    return s;
  }

  /** The sum of the stems is the mix before the limiter, within -80 dB of its peak. */
  @Test
  void theStemsAddUpToTheMix() {
    Rendered r = Rendered.of(new EchoRenderer(busy()), TemplateTest.small());
    assertEquals(
        List.of("noise bed", "room", "repeats"),
        List.copyOf(r.stems().keySet()).subList(r.stems().size() - 3, r.stems().size()));
    double worst = 0;
    for (int i = 0; i < r.mix().length(); i++) {
      double l = r.mix().left(i);
      double x = r.mix().right(i);
      for (Audio stem : r.stems().values()) {
        l -= stem.left(i);
        x -= stem.right(i);
      }
      worst = Math.max(worst, Math.max(Math.abs(l), Math.abs(x)));
    }
    double db = 20 * Math.log10(worst / r.mix().peak());
    assertTrue(db < -80, "off by " + db + " dB");
  }

  /** A fourth-order Linkwitz-Riley high-pass is 6 dB down at its edge and 24 dB an octave below. */
  @Test
  void theLowEndIsMonoBelowTheEdge() {
    double[] sides = new double[2];
    double[] hertz = {60, 120};
    for (int k = 0; k < 2; k++) {
      Bus bus = new Bus(2 * RATE, RATE);
      float[] sine = Signals.sine(hertz[k], 0.5, 2, RATE, false).channel(0);
      bus.add(sine, 0, 1, 1);
      new LowMono(RATE, 120).run(bus);
      float[] side = new float[RATE];
      for (int i = 0; i < RATE; i++) {
        side[i] = (bus.left(RATE + i) - bus.right(RATE + i)) / 2;
      }
      sides[k] = 20 * Math.log10(Signals.rms(side, 0, RATE) / (0.5 / Math.sqrt(2)) * Math.sqrt(2));
    }
    assertEquals(-6, sides[1], 0.3);
    assertEquals(-24.6, sides[0], 1.0);
  }

  /** Rendered in blocks, a song is what it is in one piece: sounds, room and gain go on. */
  @Test
  void blocksJoinWithoutATrace() throws IOException {
    Template t = TemplateTest.small();
    EchoRenderer renderer = new EchoRenderer(busy());
    Audio whole = renderer.mix(t, Progress.NONE);
    Audio again = new EchoRenderer(busy()).mix(t, Progress.NONE);
    Bus one = new Bus(whole.length(), RATE);
    Mixer mixer = new Mixer(t, busy(), new Shots(busy()), java.util.Optional.empty(), false);
    one.add(mixer.next(new Window(0, whole.length())).mix(), 1);
    new Limiter(RATE, 0.891).limit(one);
    for (int i = 0; i < whole.length(); i++) {
      assertEquals(one.left(i), whole.left(i), 2e-5);
      assertEquals(whole.right(i), again.right(i));
    }
  }
}
