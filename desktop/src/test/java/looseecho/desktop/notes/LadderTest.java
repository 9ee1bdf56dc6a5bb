package looseecho.desktop.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.desktop.notes.NotesView.Ribbon;
import looseecho.echo.Tone;
import looseecho.notes.Key;
import looseecho.notes.Scale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LadderTest {
  private static Ribbon heard(int pitch) {
    return new Ribbon(0, 2, pitch, pitch, 1, "");
  }

  @Test
  void notesOfTheKeyLieOnRungsAndOthersBetween() {
    Key key = new Key(2, true);
    Ladder ladder = Ladder.of(key, List.of(heard(38), heard(50)), List.of(), 100, 220);
    assertEquals(
        ladder.yOfRung(key.rung(41)), ladder.y(41), 1e-9, "F is the third rung of D minor");
    double between = ladder.y(42);
    assertTrue(between < ladder.y(41) && between > ladder.y(43), "F sharp lies between F and G");
    assertEquals(key.rung(45), ladder.rungAt(ladder.y(45)));
    assertTrue(ladder.holds(100) && ladder.holds(319) && !ladder.holds(321));
  }

  @ParameterizedTest
  @EnumSource(names = {"MAJOR", "MINOR", "DORIAN", "PHRYGIAN", "LYDIAN", "MIXOLYDIAN"})
  void higherIsHigherInEveryKey(Scale scale) {
    Key key = new Key(7, scale);
    Ladder ladder = Ladder.of(key, List.of(heard(30), heard(80)), List.of(), 0, 400);
    for (double pitch = 30; pitch < 80; pitch += 0.5) {
      assertTrue(ladder.y(pitch + 0.5) < ladder.y(pitch), scale + " " + pitch);
    }
  }

  @Test
  void editingNearTheHeardNotesKeepsTheLadderStill() {
    Key key = new Key(0, false);
    List<Ribbon> heard = List.of(heard(48), heard(60));
    Ladder before = Ladder.of(key, heard, List.of(), 0, 300);
    Tone low = Tone.onStep(0, 0, 1, key.pitch(key.rung(48) - 2), 90);
    assertEquals(before, Ladder.of(key, heard, List.of(low), 0, 300));
    Tone far = Tone.onStep(0, 0, 1, 90, 90);
    assertTrue(Ladder.of(key, heard, List.of(far), 0, 300).high() > before.high());
  }
}
