package looseecho.mix;

import looseecho.reading.Limits;

/**
 * What the whole ends in.
 *
 * @param end what keeps the peaks below full scale
 * @param upward how much of what is soft is lifted, 0..1; 0.05 to 0.15 is usual (common practice)
 */
public record Master(End end, double upward) {
  public static final Master PLAIN = new Master(End.LIMITER, 0);

  /** Three schools. */
  public enum End {
    LIMITER("limiter"),
    /** Peaks are rounded off. */
    CLIPPER("soft clipper"),
    /** Nothing: peaks may pass full scale where the file can hold them. */
    NONE("nothing");

    private final String words;

    End(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public Master {
    end = end == null ? End.LIMITER : end;
    Limits.within("upward", upward, 0, 1);
  }
}
