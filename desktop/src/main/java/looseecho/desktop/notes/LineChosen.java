package looseecho.desktop.notes;

import javafx.event.Event;
import javafx.event.EventType;
import looseecho.notes.Line;

/** The person clicked into another line. */
final class LineChosen extends Event {
  static final EventType<LineChosen> TYPE = new EventType<>(Event.ANY, "LINE_CHOSEN");
  private static final long serialVersionUID = 1;
  private final Line line;

  LineChosen(Line line) {
    super(TYPE);
    this.line = line;
  }

  Line line() {
    return line;
  }
}
