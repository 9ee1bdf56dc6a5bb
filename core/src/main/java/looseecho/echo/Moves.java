package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Edits of what moves in a section and what leads into it. */
public final class Moves {
  // Common practice: the low cut climbs, the image narrows, the level dips, the tail grows.
  private static final double CUT_FROM = 30;
  private static final double CUT_TO = 900;
  private static final double NARROW = 0.3;
  private static final double DIP_DB = -6;
  private static final double TAIL = 0.4;

  private Moves() {}

  private static Edits.Edited edited(Template t, int section, Movement m, String words) {
    return new Edits.Edited(t.with(section, t.sections().get(section).with(m)), words);
  }

  private static Movement of(Template t, int section) {
    return t.sections().get(section).movement();
  }

  /** One more transition; a letter says where. */
  public static Edits.Edited lead(Template t, int section, Transition x) {
    String where = x.tick() == 0 ? " into section " : " in section ";
    return edited(
        t,
        section,
        of(t, section).with(x),
        capital(x.kind().words()) + where + t.sections().get(section).label());
  }

  /** A transition exchanged for another, or taken away (empty). */
  public static Edits.Edited change(
      Template t, int section, Transition old, Optional<Transition> now) {
    Movement without = of(t, section).without(old);
    return edited(
        t,
        section,
        now.map(without::with).orElse(without),
        capital(old.kind().words())
            + now.map(
                    n ->
                        " "
                            + Words.number(
                                (double) (n.before() + n.after()) / t.meter().ticksPerBeat())
                            + " beats, "
                            + Words.number(n.levelDb())
                            + " dB")
                .orElse(" taken away"));
  }

  /** A course, which takes the place of the one of its scope and target. */
  public static Edits.Edited course(Template t, int section, Course c) {
    return edited(t, section, of(t, section).with(c), capital(c.words()));
  }

  /** Takes a course away. */
  public static Edits.Edited drop(Template t, int section, Course c) {
    Movement m = of(t, section).without(c.scope(), c.target());
    return edited(t, section, m, capital(c.target().words()) + " stands still");
  }

  /** Builds up over the last bars of a section: everything is back at once on the next edge. */
  public static Edits.Edited buildUp(Template t, int section, int bars) {
    int end = t.ticks(section);
    int from = Math.max(0, end - bars * t.ticksPerBar());
    int last = Math.max(from, end - t.ticksPerBar());
    Movement m = of(t, section);
    for (Course c :
        List.of(
            course(Course.Target.LOW_CUT, from, end, CUT_FROM, CUT_TO),
            course(Course.Target.WIDTH, from, end, 1, NARROW),
            course(Course.Target.LEVEL, last, end, 0, DIP_DB),
            course(Course.Target.ROOM, from, end, 0, TAIL))) {
      m = m.with(c);
    }
    return edited(
        t, section, m, "Build-up over " + Words.bars((double) (end - from) / t.ticksPerBar()));
  }

  private static Course course(Course.Target target, int from, int end, double a, double b) {
    List<Course.Point> points = new ArrayList<>();
    if (from > 0) {
      points.add(new Course.Point(0, a));
    }
    points.add(new Course.Point(from, a));
    points.add(new Course.Point(end, b));
    return new Course(Course.ALL, target, points);
  }

  private static String capital(String words) {
    return Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }
}
