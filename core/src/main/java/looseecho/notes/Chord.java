package looseecho.notes;

/**
 * One chord over a span of seconds.
 *
 * @param label in the syntax of Harte and others, "Symbolic representation of musical chords",
 *     ISMIR 2005: "A:min", "N"
 */
public record Chord(double start, double end, String label, double confidence) {}
