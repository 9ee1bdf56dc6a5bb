package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.echo.Course;
import looseecho.echo.DrumPart;
import looseecho.echo.Manner;
import looseecho.echo.Movement;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.echo.Transition;
import looseecho.notes.Line;
import looseecho.synth.Moved;
import looseecho.synth.Playing;
import looseecho.synth.SampleSound;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Layers, movement and mixer against worked values. */
class LayersTest {
  private static final int RATE = EchoRenderer.RATE;
  private static final Part BASS = Part.of(Line.BASS);
  private static final DrumPart CLAP = Part.of(Lane.CLAP);
  private static final ToneSound SINE =
      new ToneSound(0, 1, 0, 15000, 0, 2, 1000, 1, 20, 0, 0, Timbre.PLAIN);

  private static Template held(Movement movement, int pitch) {
    Template t = Template.bars(2, BASS, List.of(), List.of(new Tone(0, 0, 7680, pitch, 100)));
    return t.with(0, t.sections().get(0).with(movement));
  }

  private static Sounds bare(Sound bass) {
    Sounds s = Sounds.plain().monoBelow(0);
    return s.with(BASS, bass);
  }

  private static Strip strip() {
    return new Strip(-6, 0, false, 0, 100, 0, 0);
  }

  private static Audio mix(Sounds s, Template t) {
    return Rendered.of(new EchoRenderer(s), t).mix();
  }

  private static double db(Audio a, int side, double from, double to) {
    return 20
        * Math.log10(Signals.rms(a.channel(side), (int) (from * RATE), (int) (to * RATE)) + 1e-9);
  }

  @Test
  void aLayerCopiesAnotherAnOctaveUpAtItsLevelAndPlace() {
    Layer copy = Layer.of(new Moved(1, 12)).placed(-6, 1);
    Sound stack = Sound.of(SINE, strip()).and(copy);
    Audio both = mix(bare(stack), held(Movement.NONE, 45)); // A2: 110 Hz
    Audio one = mix(bare(Sound.of(SINE, strip())), held(Movement.NONE, 45));
    float[] more = new float[2 * RATE];
    for (int i = 0; i < more.length; i++) {
      more[i] = both.right(i) - one.right(i);
      assertEquals(one.left(i), both.left(i), 1e-6, "the copy stands on the right alone");
    }
    assertEquals(220, crossings(more, RATE / 2, RATE), 1.5);
    // -6 dB, and 3 dB more where all of it is on one side (constant power)
    double level = 20 * Math.log10(Signals.rms(more, RATE / 2, RATE));
    assertEquals(db(one, 1, 0.5, 1) - 6 + 3.01, level, 0.1);
  }

  private static double crossings(float[] x, int from, int count) {
    int up = 0;
    for (int i = from + 1; i < from + count; i++) {
      up += x[i - 1] < 0 && x[i] >= 0 ? 1 : 0;
    }
    return (double) up * RATE / count;
  }

  @Test
  void widthLeavesTheMonoSumAsItsKindSays() {
    Audio point = mix(bare(Sound.of(SINE, strip())), held(Movement.NONE, 69));
    for (Spread.Kind kind : List.of(Spread.Kind.DOUBLED, Spread.Kind.SIDES)) {
      Layer layer = Layer.of(SINE).with(new Spread(kind, 1));
      Audio wide = mix(bare(new Sound(List.of(layer), strip())), held(Movement.NONE, 69));
      double due = kind == Spread.Kind.SIDES ? 0 : 1;
      float[] sum = wide.mono();
      for (int i = RATE / 2; i < RATE; i++) {
        assertEquals(due * point.left(i), sum[i], 1e-5, kind.words());
      }
      assertTrue(Math.abs(db(wide, 0, 0.5, 1)) < 60, "it sounds");
    }
    Layer late = Layer.of(SINE).with(new Spread(Spread.Kind.DELAYED, 0.5)); // of 30 ms
    Audio a = mix(bare(new Sound(List.of(late), strip())), held(Movement.NONE, 69));
    int lag = (int) (0.015 * RATE);
    for (int i = RATE / 2; i < RATE; i++) {
      assertEquals(a.left(i - lag), a.right(i), 1e-5);
    }
  }

  /** A dotted eighth at 120 is 375 ms (60 000 / 120 x 3/4). */
  @Test
  void aPartsOwnDelayComesWhenItIsDue() {
    Template t = Template.bars(2, CLAP, List.of(new Stroke(0, 0, 127)), List.of());
    Sounds plain = Sounds.plain().monoBelow(0);
    Strip strip = plain.strip(CLAP).panned(0).sends(0, 1);
    Sounds s = plain.with(CLAP, strip.repeating(Optional.of(new Repeats(0.75, 0.5, false, 0, 0))));
    Audio repeats = Rendered.of(new EchoRenderer(s), t).stems().get(Mixer.REPEATS);
    double[] levels =
        IntStream.range(0, 4)
            .mapToDouble(k -> db(repeats, 0, 0.375 * k, 0.375 * k + 0.1))
            .toArray();
    assertTrue(levels[0] < -100, "nothing before the first");
    assertEquals(-6, levels[2] - levels[1], 1.5, "half of it comes round; it gets darker");
    assertTrue(db(repeats, 0, 0.25, 0.37) < levels[1] - 20);
  }

  @Test
  void onlyTheThrownStrokeRings() {
    Stroke dry = new Stroke(0, 0, 110);
    Stroke thrown = new Stroke(1920, 0, 110, Manner.PLAIN.thrown(1, 0));
    Sounds s = Sounds.plain().with(CLAP, Sounds.plain().strip(CLAP).sends(0, 0));
    Template one = Template.bars(2, CLAP, List.of(dry), List.of());
    Template two = Template.bars(2, CLAP, List.of(dry, thrown), List.of());
    assertTrue(!Rendered.of(new EchoRenderer(s), one).stems().containsKey(Mixer.ROOM));
    Audio room = Rendered.of(new EchoRenderer(s), two).stems().get(Mixer.ROOM);
    assertTrue(db(room, 0, 0, 1) < -100);
    assertTrue(db(room, 0, 1.1, 1.4) > -60);
  }

  @Test
  void aLetterHasItsOwnSound() {
    Template t = held(Movement.NONE, 45);
    TemplateSection a = t.sections().get(0);
    TemplateSection b =
        new TemplateSection("B", "", a.beats(), a.drums(), a.lines(), Movement.NONE);
    List<looseecho.pulse.Beat> map = new java.util.ArrayList<>();
    for (int k = 0; k <= 16; k++) {
      map.add(new looseecho.pulse.Beat(k * 0.5, k % 4 + 1, k / 4 + 1));
    }
    Template two = new Template(120, t.meter(), t.key(), map, List.of(a, b));
    Sound quiet = Sound.of(SINE, strip().level(-26));
    Sounds s = bare(Sound.of(SINE, strip())).with("B", BASS, quiet);
    Audio mix = mix(s, two);
    assertEquals(-20, db(mix, 0, 5, 6) - db(mix, 0, 1, 2), 0.1);
  }

  @Test
  void aRecordingPlaysTheNotesOfItsRangeOnly(@TempDir Path dir) throws IOException {
    Path wav = dir.resolve("tone.wav");
    new WavWriter().write(Signals.sine(220, 0.5, 1, RATE, true), wav);
    SampleSound low = SampleSound.of(wav).with(Playing.USUAL.root(57).between(0, 50));
    Sounds s = bare(Sound.of(low, strip()));
    assertTrue(db(mix(s, held(Movement.NONE, 45)), 0, 0.1, 0.5) > -40);
    assertTrue(db(mix(s, held(Movement.NONE, 57)), 0, 0.1, 0.5) < -100);
  }

  @Test
  void coursesMoveLevelCutAndWidth() {
    Course down = Course.of(Course.ALL, Course.Target.LEVEL, 7680, 0, -12);
    Audio level = mix(bare(Sound.of(SINE, strip())), held(Movement.NONE.with(down), 69));
    assertEquals(-6, db(level, 0, 1.95, 2.05) - db(level, 0, 0.02, 0.1), 0.4, "half way");
    Course cut = Course.of(BASS.toString(), Course.Target.LOW_CUT, 7680, 30, 880);
    Audio low = mix(bare(Sound.of(SINE, strip())), held(Movement.NONE.with(cut), 69));
    Audio open = mix(bare(Sound.of(SINE, strip())), held(Movement.NONE, 69));
    // 440 Hz under an edge of 839: 1 / sqrt(1 + (839 / 440)^4) is -11.5 dB (Butterworth)
    assertEquals(-11.5, db(low, 0, 3.9, 3.99) - db(open, 0, 3.9, 3.99), 0.3);
    Layer wide = Layer.of(SINE).with(new Spread(Spread.Kind.SIDES, 1));
    Course narrow = Course.of(Course.ALL, Course.Target.WIDTH, 7680, 1, 0);
    Audio width =
        mix(bare(new Sound(List.of(wide), strip())), held(Movement.NONE.with(narrow), 69));
    assertEquals(-6, db(width, 0, 1.95, 2.05) - db(width, 0, 0.02, 0.06), 0.5);
  }

  @Test
  void aStopIsSilentAndHalfSpeedIsAnOctaveLower() {
    Movement stop =
        Movement.NONE.with(new Transition(Transition.Kind.STOP, 3840, 960, 0, 0, "", ""));
    Audio stopped = mix(bare(Sound.of(SINE, strip())), held(stop, 69));
    assertTrue(db(stopped, 0, 1.51, 1.99) < -100);
    assertTrue(db(stopped, 0, 2.01, 2.2) > -40);
    assertTrue(largestStep(stopped) < 0.06, "no click");
    Movement half =
        Movement.NONE.with(new Transition(Transition.Kind.HALF_SPEED, 3840, 1920, 0, 0, "", ""));
    Audio slow = mix(bare(Sound.of(SINE, strip())), held(half, 69));
    assertEquals(220, crossings(slow.channel(0), (int) (1.2 * RATE), RATE / 2), 3);
  }

  private static double largestStep(Audio a) {
    double most = 0;
    for (int i = 1; i < a.length(); i++) {
      most = Math.max(most, Math.abs(a.left(i) - a.left(i - 1)));
    }
    return most;
  }

  @Test
  void aRiseSwellsUpToItsEdgeAndAReversedHitEndsOnIt() {
    for (Transition.Kind kind : List.of(Transition.Kind.RISE, Transition.Kind.REVERSED)) {
      Movement m = Movement.NONE.with(Transition.into(kind, 960).at(3840).lasting(1920, 0));
      Template t = held(m, 45);
      Audio x = Rendered.of(new EchoRenderer(Sounds.plain()), t).stems().get("transitions");
      assertTrue(db(x, 0, 1.85, 1.98) > db(x, 0, 1.0, 1.2) + 6, kind.words());
      assertTrue(db(x, 0, 2.01, 2.5) < -90, kind.words());
    }
  }

  /** Whatever bends the sum, the stems add up to it. */
  @Test
  void stemsAddUpWithEverythingOn() {
    Squeeze press = new Squeeze(-24, 4, 5, 80, 3);
    Sounds s =
        Sounds.plain()
            .with(Group.DRUMS, new GroupBus(2, 40, 15000, press, 1.5, 0.4))
            .with(Group.ALL, new GroupBus(0, 30, 0, press.by(2), 0, 1))
            .with(new Space(1.2, 0.6, 1))
            .with(Sounds.plain().whole().with(new Master(Master.End.CLIPPER, 0.15)));
    s = s.with(CLAP, s.strip(CLAP).sends(0.3, 0.4));
    Movement m =
        Movement.NONE
            .with(Course.of(Course.ALL, Course.Target.LOW_CUT, 7680, 30, 900))
            .with(Transition.into(Transition.Kind.RISE, 960).at(7680))
            .with(new Transition(Transition.Kind.SLOW_DOWN, 7680, 960, 0, 0, "", ""));
    List<Stroke> hits = IntStream.range(0, 8).mapToObj(k -> Stroke.onStep(4 * k, 0, 100)).toList();
    Template t = held(m, 33);
    t = t.with(0, t.sections().get(0).with(CLAP, hits).with(Part.of(Lane.KICK), hits));
    Rendered r = Rendered.of(new EchoRenderer(s), t);
    float[] sum = new float[r.mix().length()];
    r.stems().values().forEach(a -> add(sum, a.channel(0)));
    assertArrayEquals(r.mix().channel(0), sum, 2e-4f);
    assertTrue(r.mix().peak() <= 0.892, "the clipper holds the ceiling");
  }

  private static void add(float[] sum, float[] x) {
    for (int i = 0; i < sum.length; i++) {
      sum[i] += x[i];
    }
  }
}
