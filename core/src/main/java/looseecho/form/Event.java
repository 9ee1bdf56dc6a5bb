package looseecho.form;

/**
 * Something that happens once and marks a place in the track.
 *
 * @param start seconds
 * @param end seconds
 * @param words what happens, such as "snare roll in 16ths, getting louder"
 * @param confidence 0..1
 * @param from where what moves begins: hertz of a filter's edge, decibels of a fade; beats from one
 *     repeat of a throw to the next; else 0
 * @param to where it ends; decibels from one repeat of a throw to the next
 */
public record Event(
    Kind kind, double start, double end, String words, double confidence, double from, double to) {
  /** One in which nothing moves that has figures. */
  public Event(Kind kind, double start, double end, String words, double confidence) {
    this(kind, start, end, words, confidence, 0, 0);
  }

  /** Kinds of events; the word is how it is named on a mark. */
  public enum Kind {
    STOP("stop"),
    ROLL("roll"),
    RISE("rise"),
    FALL("fall"),
    /** Noise that swells towards an edge while the rest goes on. */
    NOISE_RISES("noise rises"),
    /** In from nothing or out to nothing. */
    FADE("fade"),
    FILTER_OPENS("filter opens"),
    FILTER_CLOSES("filter closes"),
    LOW_CUT("low end goes"),
    NARROWING("narrows"),
    DIP("dips"),
    REVERSED("turned round"),
    /** A single stroke that is sent into a delay. */
    THROW("throw"),
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
