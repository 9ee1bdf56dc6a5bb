package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import looseecho.activity.Lane;
import looseecho.notes.Line;

/**
 * A part of the template: one of the drums of a kind, or one of the lines of a kind. It is known by
 * its kind and a number, so that it can be called anything; see {@link Template#name}.
 */
public sealed interface Part extends Comparable<Part> permits DrumPart, LinePart {
  /** The most parts of one kind. */
  int MOST = 16;

  /** 1 for the first of its kind. */
  int number();

  /** How it is called as long as the person gives it no name. */
  String words();

  /** The same kind with another number. */
  Part numbered(int other);

  /** Place among all parts: drums from the kick up, then the lines. */
  int order();

  /** How many hits or notes it has in a section. */
  int size(TemplateSection s);

  /** Itself where it is a drum. */
  default Optional<DrumPart> asDrum() {
    return this instanceof DrumPart d ? Optional.of(d) : Optional.empty();
  }

  /** Itself where it is a line of notes. */
  default Optional<LinePart> asLine() {
    return this instanceof LinePart l ? Optional.of(l) : Optional.empty();
  }

  @Override
  default int compareTo(Part other) {
    return Comparator.comparingInt(Part::order).thenComparingInt(Part::number).compare(this, other);
  }

  /** The first drum of a kind. */
  static DrumPart of(Lane lane) {
    return new DrumPart(lane, 1);
  }

  /** The first line of a kind. */
  static LinePart of(Line line) {
    return new LinePart(line, 1);
  }

  /** All parts that play in a section, drums first. */
  static List<Part> of(TemplateSection s) {
    List<Part> out = new ArrayList<>(s.drums().keySet());
    out.addAll(s.lines().keySet());
    return out;
  }

  /** All parts that play anywhere or were added, drums first. */
  static List<Part> of(Template t) {
    TreeSet<Part> out = new TreeSet<>(t.names().keySet());
    t.sections().forEach(s -> out.addAll(of(s)));
    return new ArrayList<>(out);
  }

  /** As written in a file: the kind, and the number of those after the first. */
  static String text(String kind, int number) {
    return number == 1 ? kind : kind + " " + number;
  }

  /** Reads what {@link #text} wrote. */
  static Part valueOf(String text) {
    String kind = text.replaceFirst(" .*", "");
    int number = text.equals(kind) ? 1 : Integer.parseInt(text.substring(kind.length() + 1));
    for (Line line : Line.values()) {
      if (line.name().equals(kind)) {
        return new LinePart(line, number);
      }
    }
    return new DrumPart(Lane.valueOf(kind), number);
  }
}
