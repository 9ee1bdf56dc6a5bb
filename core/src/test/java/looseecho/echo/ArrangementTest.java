package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import looseecho.activity.Lane;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.Scale;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ArrangementTest {
  private static final Template SONG = TemplateTest.small();

  /** Whatever is done, undo gives back the state before it, and sections still fill the map. */
  @Test
  void anyRearrangementCanBeUndone() {
    SplittableRandom random = new SplittableRandom(11);
    History<Template> history = new History<>(SONG, "start", (a, b) -> "");
    List<Template> states = new ArrayList<>(List.of(SONG));
    for (int k = 0; k < 200; k++) {
      Template t = history.present();
      int section = random.nextInt(t.sections().size());
      List<Part> parts = Part.of(t);
      Part part = parts.isEmpty() ? Part.of(Lane.KICK) : parts.get(random.nextInt(parts.size()));
      Edits.Edited e =
          switch (random.nextInt(9)) {
            case 0 ->
                t.sections().size() < 6
                    ? Arrangement.repeat(t, section)
                    : Arrangement.remove(t, section);
            case 1 -> Arrangement.remove(t, section);
            case 2 -> Arrangement.move(t, section, random.nextInt(t.sections().size()));
            case 3 -> Arrangement.resize(t, section, 1 + random.nextInt(13));
            case 4 ->
                Arrangement.stop(
                    t,
                    section,
                    Meter.STEP * random.nextInt(8),
                    Meter.STEP * (1 + random.nextInt(6)));
            case 5 -> Arrangement.copyPart(t, part, section, random.nextInt(t.sections().size()));
            case 6 ->
                Arrangement.copyBar(t, section, null, 0, random.nextInt(t.grid(section).size()));
            case 7 -> Retune.tempo(t, 60 + random.nextInt(120), random.nextBoolean());
            default -> Retune.key(t, new Key(random.nextInt(12), random.nextBoolean()));
          };
      history.apply(e.template(), e.words());
      states.add(e.template());
      for (int i = 1; i < e.template().beats().size(); i++) {
        assertTrue(e.template().beats().get(i).time() > e.template().beats().get(i - 1).time());
      }
    }
    for (int k = states.size() - 1; k > 0; k--) {
      assertEquals(states.get(k), history.present());
      history.undo();
    }
    assertEquals(SONG, history.present());
  }

  @Test
  void sectionsRepeatShrinkAndStopWithTheirHits() {
    Template twice = Arrangement.repeat(SONG, 0).template();
    assertEquals(3, twice.sections().size());
    assertEquals(SONG.sections().get(0), twice.sections().get(1));
    assertEquals(SONG.end() + 8 * 0.5, twice.end(), 1e-9);
    Template odd = Arrangement.resize(SONG, 0, 7).template();
    assertEquals(SONG.end() - 0.5, odd.end(), 1e-9);
    assertTrue(odd.sections().get(0).hits(Lane.KICK).stream().allMatch(h -> h.step() < 28));
    Template longer = Arrangement.resize(SONG, 0, 16).template();
    assertEquals(
        2 * SONG.sections().get(0).hits(Lane.KICK).size(),
        longer.sections().get(0).hits(Lane.KICK).size(),
        "goes on as it began");
    Template stopped = Arrangement.stop(SONG, 0, 4 * Meter.STEP, 8 * Meter.STEP).template();
    Tone held = stopped.sections().get(0).notes(Line.BASS).get(0);
    assertEquals(4, held.lengthTicks() / Meter.STEP, "a held note ends at the stop");
  }

  @Test
  void aGrooveIsLiftedByStrength() {
    GrooveLift groove = GrooveLift.of(SONG, 0);
    assertEquals(SONG, groove.onto(SONG, 0, Part.of(Lane.SNARE), Part.of(Lane.KICK), 0).template());
    Template whole = groove.onto(SONG, 0, Part.of(Lane.SNARE), Part.of(Lane.SNARE), 1).template();
    for (Stroke h : whole.sections().get(0).hits(Lane.SNARE)) {
      GrooveLift.Feel f = groove.drums().get(Part.of(Lane.SNARE)).get(h.tick() % (16 * Meter.STEP));
      assertEquals(f.offsetMs(), h.offsetMs(), 1e-9);
      assertEquals(f.velocity(), h.velocity(), 0.5);
    }
  }

  /** At 120 BPM, tempo arithmetic: 60 000 ms / tempo; any handbook's table of delay times. */
  @ParameterizedTest
  @CsvSource({
    "quarter,500",
    "dotted eighth,375",
    "eighth,250",
    "eighth triplet,166.667",
    "sixteenth,125",
    "sixteenth triplet,83.333",
    "dotted sixteenth,187.5"
  })
  void noteValuesAsInTheHandbook(String name, double ms) {
    Arithmetic.Value v =
        Arithmetic.noteValues(120).stream()
            .filter(n -> n.name().equals(name))
            .findFirst()
            .orElseThrow();
    assertEquals(ms, v.ms(), 0.001);
    assertEquals(1000 / ms, v.hertz(), 0.001);
    assertEquals(name, Arithmetic.nearest(ms * 1.02, 120).name());
  }

  /** Equal temperament (ISO 16, A4 = 440 Hz): C4 261.626 Hz; C5 to E5 is 136.004 Hz apart. */
  @Test
  void semitonesHertzAndRatios() {
    assertEquals(261.626, Arithmetic.hertz(60), 0.001);
    assertEquals(136.004, Arithmetic.shift(72, 76), 0.001);
    assertEquals(1.498307, Arithmetic.ratio(7), 1e-6);
    assertEquals(12, Arithmetic.semitones(2), 1e-9);
  }

  @Test
  void anotherTempoKeepsTheFeelAndAnotherKeyItsDegrees() {
    Template fast = Retune.tempo(SONG, 240, true).template();
    double zero = SONG.beats().get(0).time();
    assertEquals(zero + (SONG.end() - zero) / 2, fast.end(), 1e-9);
    assertEquals(1.5, fast.sections().get(0).notes(Line.BASS).get(1).offsetMs(), 1e-9);
    Template same = Retune.tempo(SONG, 240, false).template();
    assertEquals(3, same.sections().get(0).notes(Line.BASS).get(1).offsetMs(), 1e-9);
    // A minor to C minor: three semitones up; to A dorian: the same degrees
    Template up = Retune.key(SONG, new Key(0, true)).template();
    assertEquals(36, up.sections().get(0).notes(Line.BASS).get(0).pitch());
    Key dorian = new Key(9, Scale.DORIAN);
    Template sixth =
        Retune.key(
                Edits.line(SONG, 0, Part.of(Line.RIFF), List.of(Tone.onStep(0, 0, 1, 65, 90)), "")
                    .template(),
                dorian)
            .template();
    assertEquals(
        66, sixth.sections().get(0).notes(Line.RIFF).get(0).pitch(), "the sixth is raised");
  }

  @Test
  void ornamentsGoRoundAndSound() {
    Template t = SONG;
    int step = t.sections().get(0).hits(Lane.SNARE).get(0).step();
    for (int k = 1; k < Ornament.values().length; k++) {
      t = Edits.ornament(t, Cell.step(0, Part.of(Lane.SNARE), step)).template();
      assertNotEquals(
          Ornament.NONE, t.sections().get(0).hits(Lane.SNARE).get(0).manner().ornament());
      assertTrue(
          t.sections().get(0).hits(Lane.SNARE).get(0).manner().ornament().blows(22).size() > 1);
    }
    assertEquals(SONG, Edits.ornament(t, Cell.step(0, Part.of(Lane.SNARE), step)).template());
  }

  @Test
  void anEmptySectionIsPutInAtTheTempoOfItsNeighbour() {
    Template t = TemplateTest.small();
    Template more = Arrangement.insert(t, 0, 8).template();
    assertEquals(List.of("A", "C", "B"), more.sections().stream().map(s -> s.label()).toList());
    assertEquals(0, Part.of(more.sections().get(1)).size());
    assertEquals(t.end() + 8 * 0.5, more.end(), 1e-9); // a beat at 120 lasts half a second
    assertEquals(t.sections(), Arrangement.remove(more, 1).template().sections());
  }
}
