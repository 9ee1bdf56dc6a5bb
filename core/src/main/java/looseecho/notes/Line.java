package looseecho.notes;

import java.util.List;

/** The lines of notes that are heard and written, from the bottom up. */
public enum Line {
  BASS("bass", 33),
  CHORDS("chords", 89),
  RIFF("riff", 81);

  /** As shown: highest first. */
  public static final List<Line> SHOWN = List.of(CHORDS, RIFF, BASS);

  private final String words;
  private final int program;

  Line(String words, int program) {
    this.words = words;
    this.program = program;
  }

  public String words() {
    return words;
  }

  /** Program of General MIDI, from 0: fingered bass, pad, lead. */
  public int program() {
    return program;
  }
}
