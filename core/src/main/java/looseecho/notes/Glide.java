package looseecho.notes;

/**
 * A slide into a note.
 *
 * @param from pitch it comes from, MIDI number with fractions
 * @param start seconds at which it leaves that pitch
 * @param end seconds at which it has arrived
 */
public record Glide(double from, double start, double end) {}
