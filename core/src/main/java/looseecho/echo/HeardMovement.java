package looseecho.echo;

import java.util.List;
import looseecho.form.Event;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;

/** What moves in a section as it was heard: filters, fades, build-ups, what leads in, stops. */
final class HeardMovement {
  private static final double SURE = 0.9; // confidence of what is written
  private static final double LEAST_FADE_DB = -40;
  private static final double NEAR = 0.3; // beats
  private static final double LEAD_IN_DB = -6;
  private static final int STOP_BEATS = 8; // a longer silence is a section of its own

  private final Pulse pulse;
  private final List<Event> events;

  HeardMovement(Pulse pulse, List<Event> events) {
    this.pulse = pulse;
    this.events = events;
  }

  /** Of the section between two beats. */
  Movement of(int firstBeat, int endBeat) {
    Movement out = Movement.NONE;
    for (Event e : events) {
      double from = pulse.beatsAt(e.start()) - firstBeat;
      double to = pulse.beatsAt(e.end()) - firstBeat;
      int beats = endBeat - firstBeat;
      if (to < -NEAR || from >= beats || e.confidence() < SURE && !isStop(e)) {
        continue;
      }
      boolean inside = to > NEAR;
      out =
          switch (e.kind()) {
            case FILTER_OPENS, FILTER_CLOSES ->
                inside ? out.with(course(Course.Target.HIGH_CUT, e, from, to, beats)) : out;
            case FADE, DIP ->
                inside ? out.with(course(Course.Target.LEVEL, e, from, to, beats)) : out;
            case LOW_CUT ->
                inside && e.to() > 0
                    ? out.with(course(Course.Target.LOW_CUT, e, from, to, beats))
                    : out;
            case NARROWING ->
                inside ? out.with(course(Course.Target.WIDTH, narrowed(e), from, to, beats)) : out;
            case NOISE_RISES -> leadIn(out, Transition.Kind.RISE, from, to, beats);
            case REVERSED -> leadIn(out, Transition.Kind.REVERSED, from, to, beats);
            case STOP -> stopped(out, from, to);
            default -> out;
          };
    }
    return out;
  }

  private static boolean isStop(Event e) {
    return e.kind() == Event.Kind.STOP;
  }

  /** The part of a course that lies in the section, in beats from its start. */
  private Course course(Course.Target target, Event e, double from, double to, int beats) {
    double span = to - from;
    double a = Math.max(0, from);
    double b = Math.min(beats, to);
    Course whole =
        new Course(
            Course.ALL,
            target,
            List.of(
                new Course.Point(0, value(target, e.from())),
                new Course.Point(Meter.QUARTER, value(target, e.to()))));
    return new Course(
        Course.ALL,
        target,
        List.of(
            new Course.Point(ticks(a), whole.at(Meter.QUARTER * (a - from) / span)),
            new Course.Point(ticks(b), whole.at(Meter.QUARTER * (b - from) / span))));
  }

  private static double value(Course.Target target, double heard) {
    double least = target == Course.Target.LEVEL ? LEAST_FADE_DB : target.least();
    return Math.max(least, Math.min(target.most(), heard));
  }

  /** The sides' share as the part of the width that is left. */
  private static Event narrowed(Event e) {
    double left = Math.sqrt(e.to() / Math.max(1e-6, e.from()));
    return new Event(e.kind(), e.start(), e.end(), e.words(), e.confidence(), 1, left);
  }

  /** What leads in belongs to the section into which it leads. */
  private Movement leadIn(Movement m, Transition.Kind kind, double from, double to, int beats) {
    double edge = Math.rint(to);
    return edge < 0 || edge >= beats
        ? m
        : m.with(new Transition(kind, ticks(edge), ticks(to - from), 0, LEAD_IN_DB, "", ""));
  }

  private Movement stopped(Movement m, double from, double to) {
    int begin = Grid.SIXTEENTH.nearest(ticks(from));
    int end = Grid.SIXTEENTH.nearest(ticks(to));
    return from < 0 || end <= begin || to - from > STOP_BEATS
        ? m
        : m.with(new Transition(Transition.Kind.STOP, end, end - begin, 0, 0, "", ""));
  }

  private int ticks(double beats) {
    return (int) Math.round(beats * pulse.meter().value().ticksPerBeat());
  }
}
