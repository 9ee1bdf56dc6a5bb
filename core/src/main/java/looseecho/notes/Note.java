package looseecho.notes;

import java.util.Optional;

/**
 * One note.
 *
 * @param start seconds
 * @param end seconds
 * @param pitch MIDI number, 69 = 440 Hz
 * @param velocity 1..127
 * @param confidence 0..1
 * @param glide the slide into it
 * @param sub true when most of its strength lies in its own low pitch, not in its overtones
 * @param doubled true when the same note an octave away sounds with it
 */
public record Note(
    double start,
    double end,
    int pitch,
    int velocity,
    double confidence,
    Optional<Glide> glide,
    boolean sub,
    boolean doubled) {
  public Note(double start, double end, int pitch, int velocity, double confidence) {
    this(start, end, pitch, velocity, confidence, Optional.empty(), false, false);
  }
}
