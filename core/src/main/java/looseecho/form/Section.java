package looseecho.form;

/**
 * One section.
 *
 * @param label A, B, A, ...: equal letters sound alike
 * @param role a guess such as "intro", "drop"
 * @param start seconds
 * @param end seconds
 * @param bars length in bars, odd and fractional ones kept
 * @param confidence how clear the edge at the start is, 0..1
 * @param change what comes and goes at the start
 */
public record Section(
    String label,
    String role,
    double start,
    double end,
    double bars,
    double confidence,
    Change change) {}
