package looseecho.form;

/**
 * Where the person lets a section begin, and how it is called.
 *
 * @param start seconds
 * @param label such as "A"
 * @param role such as "verse"; may be empty
 */
public record SectionMark(double start, String label, String role) {
  private static final int MOST_LETTERS = 200;
  private static final double MOST_SECONDS = 86_400;

  public SectionMark {
    if (!(Math.abs(start) <= MOST_SECONDS)
        || label.length() > MOST_LETTERS
        || role.length() > MOST_LETTERS) {
      throw new IllegalArgumentException("not a section: at " + start + " s");
    }
  }
}
