package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.activity.DrawnLine;
import looseecho.activity.Register;
import org.junit.jupiter.api.Test;

class LineFinderTest {
  private static List<Note> find(DrawnLine line) {
    return new LineFinder(LineFinder.Settings.DEFAULTS).find(line.done());
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
}
