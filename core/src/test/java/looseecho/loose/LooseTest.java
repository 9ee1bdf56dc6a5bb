package looseecho.loose;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.echo.Arrangement;
import looseecho.echo.Part;
import looseecho.echo.Retune;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;

class LooseTest {
  private static final List<Aspect> ON_THE_TEMPLATE =
      List.of(Aspect.TIMING, Aspect.PATTERN, Aspect.NOTES, Aspect.ARRANGEMENT);

  /** Two sections of four bars: kick, back beat, hats on eighths, bass and riff. */
  private static Template beat() {
    List<Beat> beats = new ArrayList<>();
    for (int k = 0; k <= 32; k++) {
      beats.add(new Beat(0.5 * k, k % 4 + 1, k / 4 + 1));
    }
    return new Template(
        120, Meter.FOUR_FOUR, new Key(2, true), beats, List.of(section("A", 6), section("B", 10)));
  }

  private static TemplateSection section(String label, int anchor) {
    List<Stroke> kick = new ArrayList<>();
    List<Stroke> snare = new ArrayList<>();
    List<Stroke> hat = new ArrayList<>();
    List<Tone> bass = new ArrayList<>();
    List<Tone> riff = new ArrayList<>();
    for (int bar = 0; bar < 64; bar += 16) {
      kick.add(Stroke.onStep(bar, 0, 110));
      kick.add(Stroke.onStep(bar + anchor, 2, 90));
      snare.add(Stroke.onStep(bar + 4, 9, 100));
      snare.add(Stroke.onStep(bar + 12, 9, 100));
      for (int s = 0; s < 16; s += 2) {
        hat.add(Stroke.onStep(bar + s, -1, s % 4 == 0 ? 90 : 60));
      }
      bass.add(Tone.onStep(bar, 0, 4, 38, 100));
      bass.add(Tone.onStep(bar + 14, 0, 2, 36, 90));
      riff.add(Tone.onStep(bar + 2, 3, 2, 62, 80));
      riff.add(Tone.onStep(bar + 6, 3, 2, 65, 80));
      riff.add(Tone.onStep(bar + 11, 3, 2, 69, 80));
    }
    return new TemplateSection(
        label,
        "verse",
        16,
        Map.of(Part.of(Lane.KICK), kick, Part.of(Lane.SNARE), snare, Part.of(Lane.HAT_CLOSED), hat),
        Map.of(Part.of(Line.BASS), bass, Part.of(Line.RIFF), riff));
  }

  private static Template loosened(Map<Aspect, Integer> amounts, long seed) {
    List<Loosener.Step> steps = new Loosener().loosen(beat(), amounts, seed);
    return steps.isEmpty() ? beat() : steps.get(steps.size() - 1).template();
  }

  @Test
  void notLoosenedIsTheSameAndSeedsRepeat() {
    assertEquals(beat(), loosened(Map.of(), 1));
    assertEquals(beat(), loosened(Map.of(Aspect.PATTERN, 0), 1));
    Map<Aspect, Integer> all = Map.of(Aspect.PATTERN, 100, Aspect.NOTES, 60, Aspect.TIMING, 40);
    assertEquals(loosened(all, 7), loosened(all, 7));
    assertNotEquals(loosened(all, 7), loosened(all, 8));
    Map<Aspect, Double> same = Originality.of(beat(), beat(), Sounds.plain(), Sounds.plain());
    same.values().forEach(v -> assertEquals(0, v, 1e-9));
  }

  /** What makes the style stays: the kick on one and the back beat (common practice). */
  @Test
  void everyAspectLoosensOnlyItselfAndKeepsTheBackBeat() {
    for (long seed = 0; seed < 12; seed++) {
      for (Aspect aspect : ON_THE_TEMPLATE) {
        Template t = loosened(Map.of(aspect, 100), seed);
        Map<Aspect, Double> read = Originality.of(beat(), t, Sounds.plain(), Sounds.plain());
        assertTrue(read.get(aspect) > 1, aspect + " with seed " + seed + ": " + read);
        if (aspect != Aspect.ARRANGEMENT) {
          for (Aspect other : Aspect.values()) {
            assertTrue(
                other == aspect || other == Aspect.ARRANGEMENT || read.get(other) < 1e-9,
                aspect + " moved " + other + ": " + read);
          }
          for (int bar = 0; bar < 4; bar++) {
            int one = 16 * bar;
            for (int step : new int[] {4, 12}) {
              assertTrue(hit(t, Lane.SNARE, one + step), "back beat, seed " + seed);
            }
            assertTrue(hit(t, Lane.KICK, one), "kick on one, seed " + seed);
          }
        }
        for (Loosener.Step s : new Loosener().loosen(beat(), Map.of(aspect, 30), seed)) {
          assertTrue(s.words().contains("Kept: "), s.words());
        }
      }
    }
  }

  private static boolean hit(Template t, Lane lane, int step) {
    return t.sections().get(0).hits(lane).stream().anyMatch(h -> h.step() == step);
  }

  @Test
  void aTransposedTuneIsNotANewOne() {
    Template up = Retune.key(beat(), new Key(5, true)).template();
    assertEquals(
        0, Originality.of(beat(), up, Sounds.plain(), Sounds.plain()).get(Aspect.NOTES), 1e-9);
  }

  /** The same verse once more is another arrangement, but no new pattern, notes or feel. */
  @Test
  void aRepeatedSectionIsNewInTheArrangementAlone() {
    Template longer = Arrangement.insert(Arrangement.repeat(beat(), 0).template(), 0, 8).template();
    Map<Aspect, Double> read = Originality.of(beat(), longer, Sounds.plain(), Sounds.plain());
    for (Aspect same : List.of(Aspect.PATTERN, Aspect.NOTES, Aspect.TIMING, Aspect.SOUNDS)) {
      assertEquals(0, read.get(same), 1e-9, same.words());
    }
    assertTrue(read.get(Aspect.ARRANGEMENT) > 20, read.toString());
  }

  @Test
  void looserSoundsAreNamedRepeatAndKeepWhatTheySay() {
    SampleSound own = SampleSound.of(java.nio.file.Path.of("mine.wav"));
    Sounds mine = Sounds.plain().with(Part.of(Lane.SNARE), own);
    assertEquals(List.of(), new SoundLoosener().loosen(mine, beat(), 0, 3));
    double mild = 0;
    double wild = 0;
    for (long seed = 0; seed < 12; seed++) {
      var steps = new SoundLoosener().loosen(mine, beat(), 100, seed);
      assertEquals(steps, new SoundLoosener().loosen(mine, beat(), 100, seed));
      Sounds now = steps.get(steps.size() - 1).sounds();
      assertEquals(own, now.sample(Part.of(Lane.SNARE)).orElseThrow());
      assertEquals(mine.drum(Part.of(Lane.CLAP)), now.drum(Part.of(Lane.CLAP)), "no clap plays");
      assertTrue(steps.stream().allMatch(s -> s.words().contains(". Kept: ")), steps.toString());
      var few = new SoundLoosener().loosen(Sounds.plain(), beat(), 20, seed);
      mild += read(few.get(few.size() - 1).sounds());
      var many = new SoundLoosener().loosen(Sounds.plain(), beat(), 100, seed);
      wild += read(many.get(many.size() - 1).sounds());
    }
    assertTrue(wild > 1.5 * mild && mild > 12, mild / 12 + " %, " + wild / 12 + " %");
  }

  private static double read(Sounds s) {
    return Originality.of(beat(), beat(), Sounds.plain(), s).get(Aspect.SOUNDS);
  }
}
