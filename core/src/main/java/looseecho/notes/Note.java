package looseecho.notes;

/**
 * One note.
 *
 * @param start seconds
 * @param end seconds
 * @param pitch MIDI number, 69 = 440 Hz
 * @param velocity 1..127
 * @param confidence 0..1
 */
public record Note(double start, double end, int pitch, int velocity, double confidence) {}
