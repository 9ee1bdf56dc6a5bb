package looseecho.notes;

import java.util.List;
import looseecho.reading.Reading;

/**
 * The tonal half of what was heard.
 *
 * @param key with the other keys it may be
 * @param tuningCents how far the recording lies above 440 Hz
 */
public record Tonality(Reading<Key> key, double tuningCents, List<Chord> chords, List<Note> bass) {
  public Tonality {
    chords = List.copyOf(chords);
    bass = List.copyOf(bass);
  }
}
