package looseecho.form;

/**
 * Where the person lets a section begin, and how it is called.
 *
 * @param start seconds
 * @param label such as "A"
 * @param role such as "verse"; may be empty
 */
public record SectionMark(double start, String label, String role) {}
