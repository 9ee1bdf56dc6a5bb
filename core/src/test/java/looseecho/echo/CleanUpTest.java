package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import looseecho.notes.Key;
import looseecho.notes.Scale;
import org.junit.jupiter.api.Test;

class CleanUpTest {
  private static final List<StepNote> LINE =
      List.of(
          new StepNote(0, 4, 2, 62, 100),
          new StepNote(2, 4, 2, 62, 90), // the same note, broken in two
          new StepNote(5, -6, 0.2, 65, 80), // string noise
          new StepNote(8, 0, 2, 69, 12), // a ghost
          new StepNote(12, 10, 2, 61, 60)); // outside D minor

  private static CleanUp.Result clean(CleanUp.Settings s) {
    return new CleanUp(s, 2, 125).clean(LINE);
  }

  @Test
  void nothingIsDoneAtNoStrength() {
    assertEquals(LINE, clean(CleanUp.Settings.NOTHING).notes());
  }

  @Test
  void everyStepDoesItsOwnPartAndSaysHowMuch() {
    CleanUp.Result r = clean(new CleanUp.Settings(30, 60, 20, Scale.MINOR, 1, 0.5));
    assertEquals(List.of(1, 1, 1, 1), List.of(r.joined(), r.tooShort(), r.tooSoft(), r.offScale()));
    assertEquals(2, r.notes().size());
    StepNote first = r.notes().get(0);
    assertEquals(4, first.lengthSteps(), 1e-9);
    assertEquals(2, first.offsetMs(), 1e-9);
    assertEquals(80, first.velocity(), "both evened out to the mean");
    assertEquals(60, r.notes().get(1).pitch(), "C sharp goes to C, the lower neighbour");
  }

  /** Diatonic inversion and retrograde (any handbook of counterpoint): done twice they undo. */
  @Test
  void turnsUndoThemselves() {
    Key key = new Key(2, true);
    SplittableRandom random = new SplittableRandom(5);
    List<StepNote> riff = new ArrayList<>();
    for (int k = 0; k < 12; k++) {
      riff.add(
          new StepNote(
              2 * k, random.nextDouble() * 8 - 4, 2, key.pitch(28 + random.nextInt(18)), 90));
    }
    for (Turn[] pair :
        new Turn[][] {
          {Turn.UPSIDE_DOWN, Turn.UPSIDE_DOWN},
          {Turn.BACKWARDS, Turn.BACKWARDS},
          {Turn.OCTAVE_UP, Turn.OCTAVE_DOWN},
          {Turn.STEP_UP, Turn.STEP_DOWN},
          {Turn.TWICE_AS_LONG, Turn.HALF_AS_LONG}
        }) {
      assertEquals(
          riff, pair[1].apply(pair[0].apply(riff, key, 64), key, 64), pair[0] + " and back");
    }
    List<StepNote> d = List.of(new StepNote(0, 0, 1, 62, 90), new StepNote(4, 0, 1, 65, 90));
    assertEquals(58, Turn.UPSIDE_DOWN.apply(d, key, 16).get(1).pitch(), "a third down: B flat");
  }
}
