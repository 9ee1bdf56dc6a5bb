package looseecho.compare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.compare.Finding.Kind;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What was done to an echo is named first, and what can be mended by itself is mended. */
class ComparerTest {
  private static final int BARS = 5;
  private static Template track;
  private static Audio sound;

  @BeforeAll
  static void track() {
    Template t = Template.bars(BARS, Part.of(Lane.KICK), steps(110, 0, 8), List.of());
    TemplateSection s = t.sections().get(0);
    s = s.with(Part.of(Lane.SNARE), steps(100, 4, 12));
    s = s.with(Part.of(Lane.HAT_CLOSED), steps(80, 0, 2, 4, 6, 8, 10, 12, 14));
    List<Tone> bass = new ArrayList<>();
    List<Tone> chords = new ArrayList<>();
    for (int bar = 0; bar < BARS; bar++) {
      int at = bar * 3840;
      for (int k = 0; k < 4; k++) {
        bass.add(new Tone(at + 960 * k + 240, 0, 600, 36 + bar % 4, 100));
      }
      for (int pitch : new int[] {60, 64, 67}) {
        chords.add(new Tone(at, 0, 3600, pitch + bar % 4, 80));
      }
    }
    s = s.with(Part.of(Line.BASS), bass).with(Part.of(Line.CHORDS), chords);
    track = t.with(List.of(s));
    sound = mix(track, Sounds.plain());
  }

  private static List<Stroke> steps(int velocity, int... steps) {
    List<Stroke> out = new ArrayList<>();
    for (int bar = 0; bar < BARS; bar++) {
      for (int step : steps) {
        out.add(Stroke.onStep(16 * bar + step, 0, velocity));
      }
    }
    return out;
  }

  private static Audio mix(Template t, Sounds sounds) {
    return new EchoRenderer(sounds).mix(t, Progress.NONE);
  }

  private static Comparison compare(Template t, Sounds sounds) {
    return Comparer.compare(
        new Side("track", track, sound),
        Side.echo("echo", t, new EchoRenderer(sounds), Progress.NONE),
        Progress.NONE);
  }

  private static Finding first(Template t, Sounds sounds) {
    Comparison c = compare(t, sounds);
    assertTrue(c.score() < 99.8, "it is noticed at all: " + c.score());
    return c.differences().get(0);
  }

  private static Template with(Part part, List<Stroke> hits) {
    TemplateSection s = track.sections().get(0);
    return track.with(0, s.with(part.asDrum().orElseThrow(), hits));
  }

  @Test
  void itsOwnRenderingScoresAHundred() {
    Comparison c = compare(track, Sounds.plain());
    assertEquals(100, c.score(), 1e-9);
    assertTrue(c.differences().isEmpty(), c.differences().toString());
    for (String part : List.of("kick", "snare", "closed hat", "bass", "chords", "mix")) {
      assertEquals(100, c.scores().getOrDefault(part, 0.0), 1e-9, part);
    }
    assertTrue(Side.same(sound, mix(track, Sounds.plain())));
  }

  @Test
  void aPartThatIsLateIsNamedAndMovedBack() {
    List<Stroke> late =
        steps(100, 4, 12).stream().map(s -> s.at(s.tick(), s.offsetMs() + 10)).toList();
    Template t = with(Part.of(Lane.SNARE), late);
    Finding f = first(t, Sounds.plain());
    assertEquals(List.of(Kind.TIMING, "snare"), List.of(f.kind(), f.of()), f.words());
    assertTrue(f.words().contains("10 ms late"), f.words());
    assertEquals(track, f.mend().orElseThrow().of(t, Sounds.plain(), track).template());
  }

  @Test
  void aMissingStrokeIsNamedWithItsPlace() {
    List<Stroke> fewer = new ArrayList<>(steps(110, 0, 8));
    fewer.remove(5); // bar 3, third beat: 5 s
    Template t = with(Part.of(Lane.KICK), fewer);
    Finding f = first(t, Sounds.plain());
    assertEquals(List.of(Kind.PATTERN, "kick"), List.of(f.kind(), f.of()), f.words());
    assertTrue(f.words().contains("misses 1 of 10"), f.words());
    assertEquals(5, f.at().orElseThrow(), 1e-6);
    assertEquals(track, f.mend().orElseThrow().of(t, Sounds.plain(), track).template());
  }

  @Test
  void aSoundThatIsTunedOtherwiseIsNamed() {
    DrumSound snare = Sounds.plain().drum(Part.of(Lane.SNARE));
    Sounds tuned =
        Sounds.plain()
            .with(Part.of(Lane.SNARE), snare.tuned(snare.toneHz() * Math.pow(2, 3 / 12.0)));
    Finding f = first(track, tuned);
    assertEquals(List.of(Kind.SOUND, "snare"), List.of(f.kind(), f.of()), f.words());
  }

  @Test
  void aBassThatIsLoudIsNamedAndTurnedDown() {
    var bass = Part.of(Line.BASS);
    Sounds plain = Sounds.plain();
    Sounds loud = plain.with(bass, plain.strip(bass).level(plain.strip(bass).levelDb() + 3));
    Finding f = first(track, loud);
    assertEquals(List.of(Kind.LEVEL, "bass"), List.of(f.kind(), f.of()), f.words());
    assertTrue(f.words().contains("too loud"), f.words());
    double db = f.mend().orElseThrow().amount();
    assertTrue(db < -1.2 && db > -4, "about what it has too much: " + db);
  }

  /** What is parted from the mix gives a long deep kick to the bass; its own sound knows better. */
  @Test
  void aBassIsNoLouderForALongKick() {
    Sounds plain = Sounds.plain();
    Part kick = Part.of(Lane.KICK);
    DrumSound k = plain.drum(Part.of(Lane.KICK));
    Sounds deep =
        plain.with(kick, new DrumSound(50, k.sweep(), k.sweepMs(), 400, 0, 100, 1000, 10, 0, 1));
    Side echo = Side.echo("echo", track, new EchoRenderer(deep), Progress.NONE);
    assertTrue(bass(new Side("echo", track, echo.audio())) > 5, "the mix alone is mistaken");
    assertEquals(0, bass(echo), 1);
  }

  /** Steps by which the bass's level is told to be off. */
  private static double bass(Side echo) {
    return Comparer.compare(new Side("track", track, sound), echo, Progress.NONE)
        .differences()
        .stream()
        .filter(f -> f.kind() == Kind.LEVEL && f.of().equals("bass"))
        .mapToDouble(Finding::noticed)
        .findFirst()
        .orElse(0);
  }

  @Test
  void aLayerInMonoIsNamed() {
    var chords = Part.of(Line.CHORDS);
    Sounds plain = Sounds.plain();
    Sounds wide = plain.with(chords, plain.strip(chords).wide(0.8));
    Comparison c =
        Comparer.compare(
            new Side("track", track, mix(track, wide)),
            new Side("echo", track, mix(track, plain.with(chords, plain.strip(chords).wide(0)))),
            Progress.NONE);
    Finding f = c.differences().get(0);
    assertEquals(List.of(Kind.WIDTH, "chords"), List.of(f.kind(), f.of()), f.words());
    assertTrue(f.words().contains("narrower"), f.words());
    Sounds narrow = plain.with(chords, plain.strip(chords).wide(0));
    Sounds mended = f.mend().orElseThrow().of(track, narrow, track).sounds();
    assertEquals(0.8, mended.strip(chords).width(), 0.2, "about as wide as it was");
  }

  @Test
  void aPartIsMissedAndUncalledForBySections() {
    TemplateSection a = new TemplateSection("A", "", 4, Map.of(), Map.of());
    TemplateSection b = new TemplateSection("B", "", 4, Map.of(), Map.of());
    Part kick = Part.of(Lane.KICK);
    List<Stroke> hit = List.of(new Stroke(0, 0, 90));
    Template four = Template.bars(2, kick, hit, List.of());
    Template inA = four.with(List.of(a.with(Part.of(Lane.KICK), hit), b));
    Template inB = four.with(List.of(a, b.with(Part.of(Lane.KICK), hit)));
    Finding f = new PatternCompare(inA, inB).find().get(0);
    assertEquals(Kind.PRESENCE, f.kind());
    assertEquals(
        "The kick misses 1 of 1 strokes and has 1 that the track has not. It is silent in A. It"
            + " plays where it is silent in the track, in B.",
        f.words());
  }

  @Test
  void theBarestBarOfAPart() {
    TemplateSection s = track.sections().get(0);
    Template t = with(Part.of(Lane.SNARE), List.of(new Stroke(3840 + 960, 0, 90)));
    assertEquals(new BareBars.Bare(2, 2, 4), BareBars.of(t, Part.of(Lane.SNARE)).orElseThrow());
    Template two =
        t.with(
            0,
            s.with(Part.of(Lane.SNARE), List.of(new Stroke(0, 0, 90))).without(Part.of(Line.BASS)));
    assertEquals(3, BareBars.of(two, Part.of(Lane.SNARE)).orElseThrow().others());
    assertTrue(BareBars.of(t, Part.of(Lane.TOM)).isEmpty());
  }

  @Test
  void sectionsAreFoundByTheirLettersAndAllInOne() {
    TemplateSection a = new TemplateSection("A", "", 4, Map.of(), Map.of());
    TemplateSection b = new TemplateSection("B", "", 4, Map.of(), Map.of());
    Template four = Template.bars(2, Part.of(Lane.KICK), steps(100, 0), List.of());
    Template ab = four.with(List.of(a, b));
    Template ba = four.with(List.of(b, a));
    assertEquals(List.of(1, 0), List.of(Sections.match(ab, ba)[0], Sections.match(ab, ba)[1]));
    TemplateSection one = a.with(Part.of(Lane.KICK), List.of(new Stroke(0, 3, 90)));
    TemplateSection two = b.with(Part.of(Lane.KICK), List.of(new Stroke(960, 0, 90)));
    Template whole = new Side("x", four.with(List.of(one, two)), sound).whole().template();
    assertEquals(
        List.of(new Stroke(0, 3, 90), new Stroke(4800, 0, 90)),
        whole.sections().get(0).hits(Part.of(Lane.KICK)));
  }
}
