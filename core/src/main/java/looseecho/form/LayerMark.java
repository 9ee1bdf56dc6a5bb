package looseecho.form;

/**
 * What the person decides about a layer; decisions count in order, each by the name that the layer
 * has by then.
 *
 * @param name the layer
 * @param to what it shall be: another name, family or job; the other layer that is joined to it;
 *     empty for the rest
 * @param from seconds of the edge that is moved, or of the cut
 * @param at seconds at which the edge shall lie
 */
public record LayerMark(Kind kind, String name, String to, double from, double at) {
  private static final int MOST_LETTERS = 200;
  private static final double MOST_SECONDS = 86_400;

  /** What is decided. */
  public enum Kind {
    RENAME,
    FAMILY,
    JOB,
    /** The other layer was the same one. */
    JOIN,
    /** What plays from a time on is another layer. */
    SPLIT,
    /** It comes in or goes out elsewhere. */
    EDGE,
    /** There is no such layer. */
    REMOVE
  }

  public LayerMark {
    boolean said = !name.isBlank() && name.length() <= MOST_LETTERS && to.length() <= MOST_LETTERS;
    boolean timed = Math.abs(from) <= MOST_SECONDS && Math.abs(at) <= MOST_SECONDS;
    boolean named = kind.ordinal() > Kind.JOIN.ordinal() || !to.isBlank();
    if (!said || !timed || !named) {
      throw new IllegalArgumentException("not a decision about a layer: " + kind + " " + name);
    }
  }

  public static LayerMark rename(String name, String to) {
    return new LayerMark(Kind.RENAME, name, to, 0, 0);
  }

  public static LayerMark family(String name, String family) {
    return new LayerMark(Kind.FAMILY, name, family, 0, 0);
  }

  public static LayerMark job(String name, String job) {
    return new LayerMark(Kind.JOB, name, job, 0, 0);
  }

  public static LayerMark join(String name, String other) {
    return new LayerMark(Kind.JOIN, name, other, 0, 0);
  }

  public static LayerMark split(String name, double at) {
    return new LayerMark(Kind.SPLIT, name, "", at, at);
  }

  public static LayerMark edge(String name, double from, double at) {
    return new LayerMark(Kind.EDGE, name, "", from, at);
  }

  public static LayerMark remove(String name) {
    return new LayerMark(Kind.REMOVE, name, "", 0, 0);
  }
}
