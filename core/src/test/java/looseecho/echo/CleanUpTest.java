package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import looseecho.notes.Key;
import looseecho.notes.Scale;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;

class CleanUpTest {
  private static final List<Tone> LINE =
      List.of(
          Tone.onStep(0, 4, 2, 62, 100),
          Tone.onStep(2, 4, 2, 62, 90), // the same note, broken in two
          Tone.onStep(5, -6, 0.2, 65, 80), // string noise
          Tone.onStep(8, 0, 2, 69, 12), // a ghost
          Tone.onStep(12, 10, 2, 61, 60)); // outside D minor

  private static CleanUp.Result clean(CleanUp.Settings s) {
    return new CleanUp(s, 2, 125.0 / Meter.STEP).clean(LINE);
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
    Tone first = r.notes().get(0);
    assertEquals(4 * Meter.STEP, first.lengthTicks());
    assertEquals(2, first.offsetMs(), 1e-9);
    assertEquals(80, first.velocity(), "both evened out to the mean");
    assertEquals(60, r.notes().get(1).pitch(), "C sharp goes to C, the lower neighbour");
  }

  /** Diatonic inversion and retrograde (any handbook of counterpoint): done twice they undo. */
  @Test
  void turnsUndoThemselves() {
    Key key = new Key(2, true);
    SplittableRandom random = new SplittableRandom(5);
    List<Tone> riff = new ArrayList<>();
    for (int k = 0; k < 12; k++) {
      riff.add(
          Tone.onStep(
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
          riff,
          pair[1].apply(pair[0].apply(riff, key, 64 * Meter.STEP), key, 64 * Meter.STEP),
          pair[0] + " and back");
    }
    List<Tone> d = List.of(Tone.onStep(0, 0, 1, 62, 90), Tone.onStep(4, 0, 1, 65, 90));
    assertEquals(
        58, Turn.UPSIDE_DOWN.apply(d, key, 16 * Meter.STEP).get(1).pitch(), "a third down: B flat");
  }
}
