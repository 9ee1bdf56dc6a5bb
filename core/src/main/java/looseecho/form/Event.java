package looseecho.form;

/**
 * Something that happens once and marks a place in the track.
 *
 * @param start seconds
 * @param end seconds
 * @param words what happens, such as "snare roll in 16ths, getting louder"
 * @param confidence 0..1
 */
public record Event(Kind kind, double start, double end, String words, double confidence) {
  /** Kinds of events; the word is how it is named on a mark. */
  public enum Kind {
    STOP("stop"),
    ROLL("roll"),
    RISE("rise"),
    FALL("fall"),
    FILTER_OPENS("filter opens"),
    FILTER_CLOSES("filter closes"),
    THINNING("thins out"),
    HALF_SPEED("half speed"),
    DOUBLE_SPEED("double speed");

    private final String word;

    Kind(String word) {
      this.word = word;
    }

    public String word() {
      return word;
    }
  }
}
