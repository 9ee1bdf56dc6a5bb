package looseecho.echo;

/**
 * A stretch of a section.
 *
 * @param from tick from the section's start
 * @param to tick behind it
 */
public record Stretch(int section, int from, int to) {
  /** A bar of a section, by its index there. */
  public static Stretch bar(Template t, int section, int bar) {
    var b = t.grid(section).bars().get(bar);
    return new Stretch(section, b.from(), b.end());
  }

  public boolean holds(Placed<?> p) {
    return p.tick() >= from && p.tick() < to;
  }
}
