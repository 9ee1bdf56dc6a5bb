package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import looseecho.activity.DrawnLine;
import looseecho.activity.Register;
import looseecho.pulse.PlainPulse;
import looseecho.pulse.Pulse;
import org.junit.jupiter.api.Test;

class LineFinderTest {
  private static List<Note> find(DrawnLine line) {
    return new LineFinder(LineFinder.Settings.RIFF).find(line.done(), Optional.empty());
  }

  @Test
  void oneVoiceIsPickedTheSurerWinsAndDoublingsAreRemembered() {
    DrawnLine line =
        new DrawnLine(Register.RIFF, 6)
            .note(0.503, 1.0, 62, 0.9)
            .note(0.503, 1.0, 74, 0.5) // the octave above, softer
            .note(1.5, 2.0, 65, 0.8)
            .note(1.51, 2.0, 69, 0.6) // a neighbour that begins with it
            .note(2.5, 2.52, 67, 0.9) // too short
            .note(3.0, 4.0, 60, 0.2); // too unsure
    List<Note> notes = find(line);
    assertEquals(List.of(62, 65), notes.stream().map(Note::pitch).toList());
    assertEquals(0.503, notes.get(0).start(), 0.004, "between two frames");
    assertEquals(1.0, notes.get(0).end(), 0.04);
    assertTrue(notes.get(0).doubled() && !notes.get(1).doubled());
    assertEquals(0.9, notes.get(0).confidence(), 0.05);
  }

  @Test
  void aNoteEndsWhereTheNextBegins() {
    DrawnLine line =
        new DrawnLine(Register.BASS, 4).note(0.5, 2.0, 33, 0.9).note(1.2, 2.0, 36, 0.9);
    List<Note> notes = find(line);
    assertEquals(notes.get(1).start(), notes.get(0).end(), 1e-9);
    assertTrue(find(new DrawnLine(Register.BASS, 3)).isEmpty());
  }

  /** Four bars of two seconds: faint where every bar has it is a note, faint and alone is not. */
  @Test
  void theBarsAroundDecideOnFaintNotes() {
    DrawnLine line = new DrawnLine(Register.BASS, 9);
    for (int bar = 0; bar < 4; bar++) {
      line.note(2 * bar + 0.5, 2 * bar + 0.8, 33, bar == 2 ? 0.4 : 0.9);
    }
    line.note(3.24, 3.5, 36, 0.5);
    Pulse pulse = PlainPulse.at120(0, 17);
    LineFinder finder = new LineFinder(LineFinder.Settings.BASS);
    List<Double> with =
        finder.find(line.done(), Optional.of(pulse)).stream().map(Note::start).toList();
    assertEquals(4, with.size(), with.toString());
    assertEquals(4.5, with.get(2), 0.01);
    List<Double> without =
        finder.find(line.done(), Optional.empty()).stream().map(Note::start).toList();
    assertEquals(4, without.size(), without.toString());
    assertEquals(3.24, without.get(2), 0.01);
  }
}
