package looseecho.notes;

import java.util.List;
import looseecho.reading.Reading;

/**
 * The tonal half of what was heard.
 *
 * @param content how much harmony there is; below {@link TonalContent#KEY} the key only stands in
 *     for one
 * @param key with the other keys it may be
 * @param sectionKeys keys of the sections, in their order; empty where there are none
 * @param tuningCents how far the recording lies above 440 Hz
 * @param bass in order of time
 * @param riff the most salient line above the bass
 * @param figures what the riff repeats
 * @param voiced the chords as they are held: their notes, in order of time
 */
public record Tonality(
    TonalContent content,
    Reading<Key> key,
    List<Reading<Key>> sectionKeys,
    double tuningCents,
    List<Chord> chords,
    List<Note> bass,
    List<Note> riff,
    List<Figure> figures,
    List<Note> voiced) {
  public Tonality {
    voiced = voiced == null ? List.of() : List.copyOf(voiced);
    sectionKeys = List.copyOf(sectionKeys);
    chords = List.copyOf(chords);
    bass = List.copyOf(bass);
    riff = List.copyOf(riff);
    figures = List.copyOf(figures);
  }

  /** With chords by name only. */
  public Tonality(
      TonalContent content,
      Reading<Key> key,
      List<Reading<Key>> sectionKeys,
      double tuningCents,
      List<Chord> chords,
      List<Note> bass,
      List<Note> riff,
      List<Figure> figures) {
    this(content, key, sectionKeys, tuningCents, chords, bass, riff, figures, List.of());
  }

  /** False when no key is heard. */
  public boolean tonal() {
    return content != TonalContent.NONE;
  }

  /** How far it lies from 440 Hz: "12 cents sharp"; within half a cent, "in tune". */
  public String tuningWords() {
    long cents = Math.round(tuningCents);
    return cents == 0
        ? "in tune"
        : Math.abs(cents)
            + (Math.abs(cents) == 1 ? " cent " : " cents ")
            + (cents > 0 ? "sharp" : "flat");
  }

  /** The key as far as it is heard: "D minor", "E, no third heard", "no key". */
  public String keyWords() {
    return switch (content) {
      case NONE -> "no key";
      case HOME -> key.value().spelled(key.value().tonic()) + ", no third heard";
      case KEY -> key.value().words();
    };
  }

  /** The chord at a second; null where none is known. */
  public Chord chordAt(double time) {
    for (Chord c : chords) {
      if (c.start() <= time && time < c.end()) {
        return c;
      }
    }
    return null;
  }
}
