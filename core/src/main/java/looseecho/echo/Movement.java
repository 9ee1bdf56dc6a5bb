package looseecho.echo;

import java.util.ArrayList;
import java.util.List;

/**
 * What moves in a section and what leads into it.
 *
 * @param courses at most one of a target and scope
 * @param transitions in order of place
 */
public record Movement(List<Course> courses, List<Transition> transitions) {
  public static final Movement NONE = new Movement(List.of(), List.of());

  public Movement {
    courses = courses == null ? List.of() : List.copyOf(courses);
    transitions = transitions == null ? List.of() : List.copyOf(transitions);
  }

  /** The same with a course, which takes the place of that of its scope and target. */
  public Movement with(Course course) {
    List<Course> out = new ArrayList<>(without(course.scope(), course.target()).courses());
    out.add(course);
    return new Movement(out, transitions);
  }

  public Movement without(String scope, Course.Target target) {
    return new Movement(
        courses.stream().filter(c -> !c.scope().equals(scope) || c.target() != target).toList(),
        transitions);
  }

  /** The same with one more transition. */
  public Movement with(Transition transition) {
    List<Transition> out = new ArrayList<>(transitions);
    out.add(transition);
    return new Movement(courses, out);
  }

  public Movement without(Transition transition) {
    return new Movement(courses, transitions.stream().filter(t -> !t.equals(transition)).toList());
  }
}
