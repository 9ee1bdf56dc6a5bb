package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.dsp.Attacks;
import looseecho.echo.DrumPart;
import looseecho.echo.Loops;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Key;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.reading.Progress;
import looseecho.synth.SampleSound;
import looseecho.synth.Slices;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A recording of one's own as a part: cut up, fitted to the tempo, laid over edges. */
class OwnAudioTest {
  private static final int RATE = 44100;
  private static final DrumPart LOOP = Part.of(Lane.PERCUSSION).numbered(2);
  private static final double[] STRUCK = {
    0, 0.5, 0.75, 1.5
  }; // seconds: beats 1, 2, 2 and a half, 4

  @TempDir private Path dir;
  private Path file;

  /** Four beats at 120 BPM, so two seconds, with four strokes of noise. */
  @BeforeEach
  void record() throws IOException {
    float[] x = new float[2 * RATE];
    Random random = new Random(4);
    for (double at : STRUCK) {
      for (int i = 0; i < 6000; i++) {
        x[(int) (at * RATE) + i] += (float) (0.5 * Math.exp(-i / 1200.0) * random.nextGaussian());
      }
    }
    file = dir.resolve("loop.wav");
    new WavWriter().write(new Audio(x, x, RATE), file);
  }

  /** Two sections of six beats at a tempo: the loop of four goes over their edge. */
  private static Template song(double bpm) {
    List<Beat> beats =
        IntStream.rangeClosed(0, 12)
            .mapToObj(k -> new Beat(k * 60 / bpm, k % 4 + 1, k / 4 + 1))
            .toList();
    TemplateSection s = new TemplateSection("A", "part", 6, Map.of(), Map.of());
    return new Template(bpm, Meter.FOUR_FOUR, new Key(9, true), beats, List.of(s, s));
  }

  private Slices cut() throws IOException {
    SampleSound sample = SampleSound.of(file);
    double[] found = new Attacks().find(sample.render(RATE).mono(), RATE);
    return Slices.NONE.lasting(Slices.likelyBeats(2, 124)).at(found, 2);
  }

  private Audio rendered(Template t, Slices slices, Loops.Loop loop) {
    Template laid = Loops.lay(t, LOOP, loop, 0, 1).template();
    Sounds sounds = Sounds.plain().with(LOOP, SampleSound.of(file).cut(slices));
    sounds = sounds.with(LOOP, sounds.strip(LOOP).sends(0, 0).panned(0));
    return new EchoRenderer(sounds).mix(laid, Progress.NONE);
  }

  @Test
  void aLoopIsCutAtItsAttacks() throws IOException {
    Slices slices = cut();
    assertEquals(4, slices.beats(), "two seconds at 124 are four beats");
    double[] seconds = slices.starts().stream().mapToDouble(s -> 2 * s).toArray();
    assertArrayEquals(STRUCK, seconds, 0.002);
    assertEquals(8, slices.every(0.5).count());
    assertThrows(
        IllegalArgumentException.class, () -> new Slices(4, Slices.Fit.SPEED, List.of(0.5, 0.25)));
  }

  /** At 90 BPM every piece is heard on its own beat, through both sections. */
  @Test
  void itsPiecesGoWithTheTempoAndOverTheEdge() throws IOException {
    Slices slices = cut();
    Loops.Loop loop = new Loops.Loop(4, slices.starts(), Loops.Order.AS_RECORDED, 1);
    Template t = song(90);
    Audio heard = rendered(t, slices, loop);
    List<Double> expected = new ArrayList<>();
    for (int turn = 0; turn < 3; turn++) {
      for (double at : STRUCK) {
        expected.add((4 * turn + 2 * at) * 60 / 90);
      }
    }
    double[] found = new Attacks().find(heard.mono(), RATE);
    assertArrayEquals(expected.stream().mapToDouble(e -> e).toArray(), found, 0.003);
    Template laid = Loops.lay(t, LOOP, loop, 0, 1).template();
    Stroke first = laid.sections().get(1).hits(LOOP).get(0);
    assertEquals(960, first.tick(), 4, "beat 8 of the song, cut just before it");
    assertEquals(4, first.manner().slice(), "is beat 4 of the loop");
  }

  /** A tone of 440 Hz over the whole loop: stretched it stays 440 Hz, by speed it falls. */
  @Test
  void aWholeLoopIsFittedByItsLengthOrItsSpeed() throws IOException {
    float[] x = new float[2 * RATE];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.5 * Math.sin(2 * Math.PI * 440 * i / RATE));
    }
    new WavWriter().write(new Audio(x, x, RATE), file);
    Loops.Loop whole = new Loops.Loop(4, List.of(), Loops.Order.AS_RECORDED, 1);
    Slices four = Slices.NONE.lasting(4);
    Template t = song(100);
    for (Slices.Fit fit : Slices.Fit.values()) {
      float[] out = rendered(t, four.fitted(fit), whole).mono();
      double hz = crossings(out, 0.4, 1.6) / 1.2;
      double expected = fit == Slices.Fit.SPEED ? 440 * 100 / 120.0 : 440;
      assertEquals(expected, hz, 0.02 * expected, fit.words());
      double gap = Signals.rms(out, (int) (2.1 * RATE), (int) (2.35 * RATE));
      assertEquals(fit == Slices.Fit.AS_IT_IS, gap < 0.01, fit.words() + " leaves a gap: " + gap);
    }
  }

  private static double crossings(float[] x, double from, double to) {
    int count = 0;
    for (int i = (int) (from * RATE); i < to * RATE; i++) {
      count += x[i] <= 0 && x[i + 1] > 0 ? 1 : 0;
    }
    return count;
  }

  @Test
  void piecesComeInAnotherOrderAndAreGated() throws IOException {
    Slices slices = Slices.NONE.lasting(4).every(1);
    Template t = song(120);
    List<Integer> pieces =
        Loops.lay(t, LOOP, new Loops.Loop(4, slices.starts(), Loops.Order.BACKWARDS, 0.5), 0, 0)
            .template()
            .sections()
            .get(0)
            .hits(LOOP)
            .stream()
            .map(h -> h.manner().slice())
            .toList();
    assertEquals(List.of(4, 3, 2, 1, 4, 3), pieces);
    Loops.Loop gated = new Loops.Loop(4, slices.starts(), Loops.Order.AS_RECORDED, 0.5);
    Template laid = Loops.lay(t, LOOP, gated, 0, 0).template();
    assertTrue(
        laid.sections().get(0).hits(LOOP).stream()
            .allMatch(h -> h.manner().lengthTicks() == Meter.QUARTER / 2));
  }
}
