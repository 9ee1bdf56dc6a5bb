package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;

/** The template and its edits. */
public class TemplateTest {
  /** Two sections, the second of one and a half bars, at 120 beats per minute from 0.5 s on. */
  public static Template small() {
    List<Stroke> kick =
        List.of(
            Stroke.onStep(0, 0, 110),
            Stroke.onStep(8, 4, 100),
            Stroke.onStep(16, 0, 110),
            Stroke.onStep(24, 4, 100));
    List<Stroke> snare =
        List.of(
            Stroke.onStep(4, 12, 100),
            Stroke.onStep(12, 11, 104),
            Stroke.onStep(20, 13, 100),
            Stroke.onStep(28, 12, 104));
    List<Beat> beats =
        IntStream.range(0, 15)
            .mapToObj(k -> new Beat(0.5 + k * 0.5, k % 4 + 1, k / 4 + 1))
            .toList();
    TemplateSection a =
        new TemplateSection(
            "A",
            "verse",
            8,
            Map.of(Part.of(Lane.KICK), kick, Part.of(Lane.SNARE), snare),
            Map.of(
                Part.of(Line.BASS),
                List.of(Tone.onStep(0, 0, 6, 33, 100), Tone.onStep(10, 3, 4, 45, 90))));
    TemplateSection b =
        new TemplateSection(
            "B",
            "break",
            6,
            Map.of(Part.of(Lane.HAT_CLOSED), List.of(Stroke.onStep(2, -3, 60))),
            Map.of());
    return new Template(120, Meter.FOUR_FOUR, new Key(9, true), beats, List.of(a, b));
  }

  /** Any edits, undone, give the state before them, and done again the state after them. */
  @Test
  void undoAndRedoRestoreEveryState() {
    Random random = new Random(11);
    History<Template> history = new History<>(small(), "made", (a, b) -> "");
    List<Template> states = new ArrayList<>(List.of(history.present()));
    for (int i = 0; i < 60; i++) {
      Template t = history.present();
      int section = random.nextInt(2);
      DrumPart lane = Part.of(Lane.values()[random.nextInt(8)]);
      int step = random.nextInt(24);
      Edits.Edited edit =
          random.nextInt(3) > 0
              ? Edits.toggle(
                  t, Cell.step(section, lane, step), 1 + random.nextInt(127), random.nextBoolean())
              : Edits.shape(t, Cell.step(section, lane, step), 20, random.nextInt(40) - 20);
      history.apply(edit.template(), edit.words());
      states.add(history.present());
    }
    for (int i = states.size() - 2; i >= 0; i--) {
      assertTrue(history.undo().isPresent());
      assertEquals(states.get(i), history.present());
    }
    assertTrue(history.undo().isEmpty());
    for (int i = 1; i < states.size(); i++) {
      assertTrue(history.redo().isPresent());
      assertEquals(states.get(i), history.present());
    }
    assertEquals(1 + 3 * 60, history.log().size());
  }

  @Test
  void aNewHitKeepsTheGrooveOfItsStep() {
    Template t = Edits.toggle(small(), Cell.step(0, Part.of(Lane.SNARE), 4), 90, false).template();
    assertEquals(3, t.sections().get(0).hits(Lane.SNARE).size());
    Stroke back =
        Edits.toggle(t, Cell.step(0, Part.of(Lane.SNARE), 4), 90, false)
            .template()
            .sections()
            .get(0)
            .hits(Part.of(Lane.SNARE))
            .get(0);
    assertEquals(Stroke.onStep(4, 13, 90), back, "as late as the same step of the other bar");
  }

  @Test
  void everyBarOfAnOddSectionIsFilledAndNoMore() {
    Template t = Edits.toggle(small(), Cell.step(1, Part.of(Lane.CLAP), 4), 90, true).template();
    assertEquals(
        List.of(4, 20), t.sections().get(1).hits(Lane.CLAP).stream().map(Stroke::step).toList());
    t = Edits.toggle(small(), Cell.step(1, Part.of(Lane.CLAP), 12), 90, true).template();
    assertEquals(
        List.of(12), t.sections().get(1).hits(Lane.CLAP).stream().map(Stroke::step).toList());
    assertNotEquals(small(), t);
  }

  @Test
  void stepsHaveTimes() {
    Template t = small();
    assertEquals(0.5, t.time(0, 0, 0));
    assertEquals(0.5 + 4 + 0.25 + 0.012, t.time(1, Stroke.onStep(2, 12, 90)), 1e-9);
    assertEquals(7.5, t.end());
    assertThrows(
        IllegalArgumentException.class,
        () -> new Template(120, Meter.FOUR_FOUR, t.key(), t.beats(), t.sections().subList(0, 1)));
    assertThrows(IllegalArgumentException.class, () -> Stroke.onStep(0, 0, 0));
  }

  @Test
  void numbersAreSaidAsAMusicianSaysThem() {
    assertEquals("12 ms late", Words.offset(12.2));
    assertEquals("8 ms early", Words.offset(-8));
    assertEquals("on the grid", Words.offset(0.2));
    assertEquals("1.5 bars", Words.bars(1.5));
    assertEquals("1.75 bars", Words.bars(1.75));
    assertEquals("1 bar", Words.bars(1));
    assertEquals("124 BPM", Words.bpm(124.001));
    assertEquals("123.97 BPM", Words.bpm(123.97));
  }

  /** A correction flows into parts that were not touched, and leaves edited ones alone. */
  @Test
  void editsSurviveACorrection() {
    Template heard = small();
    Template mine = Edits.toggle(heard, Cell.step(0, Part.of(Lane.KICK), 5), 90, false).template();
    Template corrected =
        Edits.toggle(
                Edits.toggle(heard, Cell.step(0, Part.of(Lane.SNARE), 7), 80, false).template(),
                Cell.step(0, Part.of(Lane.KICK), 9),
                80,
                false)
            .template();
    TemplateMerge.Merged m = TemplateMerge.merge(heard, corrected, mine);
    assertTrue(m.kept());
    assertEquals(
        mine.sections().get(0).hits(Lane.KICK), m.template().sections().get(0).hits(Lane.KICK));
    assertEquals(
        corrected.sections().get(0).hits(Lane.SNARE),
        m.template().sections().get(0).hits(Lane.SNARE));
    assertEquals(corrected, TemplateMerge.merge(heard, corrected, heard).template());
    Template longer = small();
    Template shorter =
        new Template(
            longer.bpm(),
            longer.meter(),
            longer.key(),
            longer.beats().subList(0, 9),
            longer.sections().subList(0, 1));
    assertTrue(!TemplateMerge.merge(heard, shorter, mine).kept(), "other sections: made anew");
  }

  /** At 120 a sixteenth lasts 125 ms: 12.5 ms are a tenth of it. */
  @Test
  void offsetsAreSaidInMillisecondsAndPercentOfAStep() {
    assertEquals("12 ms late, 10 % of a step", Words.offset(12.4, 125));
    assertEquals("25 ms early, 20 % of a step", Words.offset(-25, 125));
    assertEquals("on the grid", Words.offset(0.3, 125));
  }
}
