package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.Beat;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;

class BrushTest {
  private static final DrumPart HAT = Part.of(Lane.HAT_CLOSED);

  /**
   * Eight bars of 4/4 in A minor: a hat on every sixteenth of bar one, a bass on its first half.
   */
  private static Template song() {
    List<Beat> beats =
        IntStream.rangeClosed(0, 32)
            .mapToObj(k -> new Beat(k * 0.5, k % 4 + 1, k / 4 + 1))
            .toList();
    List<Stroke> hats =
        IntStream.range(0, 16).mapToObj(k -> Stroke.onStep(k, k % 2 == 1 ? 8 : 0, 80)).toList();
    List<Tone> bass = new ArrayList<>();
    for (int bar = 0; bar < 8; bar++) {
      bass.add(Tone.onStep(16 * bar, 0, 2, 33, 100));
      bass.add(Tone.onStep(16 * bar + 4, 0, 4, 36, 100));
    }
    TemplateSection s =
        new TemplateSection("A", "verse", 32, Map.of(HAT, hats), Map.of(Part.of(Line.BASS), bass));
    return new Template(120, Meter.FOUR_FOUR, new Key(9, true), beats, List.of(s));
  }

  private static List<Stroke> hats(Edits.Edited e) {
    return e.template().sections().get(0).hits(HAT);
  }

  private static List<Integer> steps(Edits.Edited e) {
    return hats(e).stream().map(Stroke::step).toList();
  }

  @Test
  void aStretchIsFilledErasedAndThinned() {
    Template t = song();
    Stretch second = Stretch.bar(t, 0, 1);
    Edits.Edited e = Brush.every(t, HAT, second, Grid.SIXTEENTH, 3, 70);
    assertEquals(List.of(16, 19, 22, 25, 28, 31), steps(e).subList(16, 22));
    assertEquals("closed hat on every third of the 16ths in bar 2", e.words());
    Edits.Edited rolled = Brush.every(t, HAT, second, Grid.THIRTY_SECOND, 1, 70);
    assertEquals(32, hats(rolled).stream().filter(second::holds).count());
    Stretch first = Stretch.bar(t, 0, 0);
    assertEquals(
        List.of(0, 2, 4, 6, 8, 10, 12, 14),
        steps(Brush.without(t, HAT, first, Brush.Level.SIXTEENTHS)));
    assertEquals(
        List.of(0, 1, 3, 4, 5, 7, 8, 9, 11, 12, 13, 15),
        steps(Brush.without(t, HAT, first, Brush.Level.EIGHTHS)));
    Stretch half = new Stretch(0, 4 * 240 + 240, 2 * 3840);
    Edits.Edited gone = Brush.erase(t, Part.of(Line.BASS), half);
    List<Tone> bass = gone.template().sections().get(0).notes(Line.BASS);
    assertEquals(16 - 2, bass.size(), "both notes of bar two are out");
    assertEquals(240, bass.get(1).lengthTicks(), "the one that reached in ends there");
    assertEquals("No bass in bars 1 to 2 from step 6", gone.words());
  }

  @Test
  void loudnessAndPitchClimbAlongAStretch() {
    Template t = song();
    Stretch bar = Stretch.bar(t, 0, 0);
    List<Stroke> ramp = hats(Brush.ramp(t, HAT, bar, 20, 110));
    assertEquals(20, ramp.get(0).velocity());
    assertEquals(110, ramp.get(15).velocity());
    assertEquals(65, ramp.get(7).velocity(), 4);
    List<Double> climbing =
        hats(Brush.pitch(t, HAT, bar, 1, 1, false)).stream().map(h -> h.manner().pitch()).toList();
    assertEquals(List.of(0.0, 1.0, 2.0, 3.0), climbing.subList(0, 4));
    Edits.Edited lower = Brush.pitch(t, HAT, bar, 2, -2, true);
    assertEquals(
        List.of(0.0, -2.0, 0.0, -2.0),
        hats(lower).stream().map(h -> h.manner().pitch()).limit(4).toList());
    assertEquals("closed hat: every second hit 2 semitones lower in bar 1", lower.words());
  }

  @Test
  void aBarGoesWhereItIsWanted() {
    Template t = song();
    Part part = HAT;
    Map<Brush.Where, List<Integer>> bars =
        Map.of(
            Brush.Where.ALL, List.of(0, 1, 2, 3, 4, 5, 6, 7),
            Brush.Where.EVERY_SECOND, List.of(0, 2, 4, 6),
            Brush.Where.LAST_OF_FOUR, List.of(0, 3, 7),
            Brush.Where.THREE_OF_FOUR, List.of(0, 1, 2, 4, 5, 6));
    bars.forEach(
        (where, wanted) ->
            assertEquals(
                wanted,
                hats(Brush.spread(t, 0, part, 0, where)).stream()
                    .map(h -> h.tick() / 3840)
                    .distinct()
                    .toList(),
                where.words()));
  }

  @Test
  void theFeelGoesFromNoneToTwice() {
    assertTrue(hats(Brush.feel(song(), 0, HAT, 0)).stream().allMatch(h -> h.offsetMs() == 0));
    assertEquals(song(), Brush.feel(song(), 0, HAT, 1).template());
    assertEquals(16, hats(Brush.feel(song(), 0, HAT, 2)).get(1).offsetMs());
    assertEquals(16, hats(Brush.feel(song(), 0, HAT, 0)).size(), "no two fall on one place");
  }

  @Test
  void gapsAreFoundAndAnswered() {
    Template t = song();
    List<Gap> gaps = Gap.of(t, 0, Part.of(Line.BASS));
    assertEquals(8, gaps.size());
    Gap first = gaps.get(0);
    assertEquals(new Stretch(0, 8 * 240, 3840), first.stretch());
    assertEquals(List.of(HAT), first.fillers());
    assertEquals(List.of(), gaps.get(1).fillers(), "nobody in bar two");
    Edits.Edited e = first.answer(t, Part.of(Line.RIFF));
    List<Tone> riff = e.template().sections().get(0).notes(Line.RIFF);
    assertEquals(List.of(8, 12), riff.stream().map(Tone::step).toList(), "the bass's rhythm");
    assertEquals(60, riff.get(0).pitch(), "a third over the A two octaves up: C");
    assertEquals("riff answers the bass in bar 1, 2 notes", e.words());
  }

  @Test
  void chordsAreChoppedAndBroken() {
    List<Tone> chord =
        List.of(
            Tone.onStep(0, 5, 8, 57, 80),
            Tone.onStep(0, 5, 8, 60, 80),
            Tone.onStep(0, 5, 8, 64, 80));
    List<Tone> chopped = ChordShape.GATE.apply(chord, Grid.EIGHTH);
    assertEquals(4 * 3, chopped.size());
    assertTrue(chopped.stream().allMatch(n -> n.lengthTicks() == 288 && n.offsetMs() == 5));
    assertEquals(
        List.of(57, 60, 64, 57, 60, 64, 57, 60),
        ChordShape.UP.apply(chord, Grid.SIXTEENTH).stream().map(Tone::pitch).toList());
    assertEquals(
        List.of(57, 60, 64, 60, 57, 60, 64, 60),
        ChordShape.UP_AND_DOWN.apply(chord, Grid.SIXTEENTH).stream().map(Tone::pitch).toList());
    assertEquals(
        List.of(64, 60, 57, 64),
        ChordShape.DOWN.apply(chord, Grid.EIGHTH).stream().map(Tone::pitch).toList());
  }

  /** Rolls and triplets keep their number on any lines, and each its time until it is pulled. */
  @Test
  void tighteningNeverPutsTwoStrokesOnOnePlace() {
    Template t = song();
    List<Stroke> fine = new ArrayList<>();
    for (int k = 0; k < 32; k++) {
      fine.add(new Stroke(120 * k, 3, 80));
    }
    for (int k = 0; k < 12; k++) {
      fine.add(new Stroke(3840 + 320 * k, -4, 80));
    }
    t = Edits.part(t, 0, HAT, fine, "").template();
    assertEquals(44, hats(Tighten.all(t, 1)).stream().map(Stroke::tick).distinct().count());
    double[] before = t.only(HAT).attacks();
    for (Grid grid : List.of(Grid.EIGHTH, Grid.SIXTEENTH, Grid.SIXTEENTH_TRIPLET)) {
      Edits.Edited e = Tighten.onto(t, grid);
      assertEquals(44, hats(e).stream().map(Stroke::tick).distinct().count(), grid.words());
      double[] after = e.template().only(HAT).attacks();
      java.util.Arrays.sort(after);
      for (int k = 0; k < before.length; k++) {
        assertEquals(before[k], after[k], 1e-9);
      }
    }
  }
}
