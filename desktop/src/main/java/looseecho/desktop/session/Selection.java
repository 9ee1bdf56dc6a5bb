package looseecho.desktop.session;

import java.util.HashMap;
import java.util.Map;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import looseecho.activity.Lane;
import looseecho.doubt.Doubt;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.pulse.Grid;

/** What is looked at: a section and a part. Belongs to the interface's thread. */
public final class Selection {
  private final IntegerProperty section = new SimpleIntegerProperty(-1);
  private final ObjectProperty<Part> part = new SimpleObjectProperty<>(Part.of(Lane.KICK));

  private final Map<Part, ObjectProperty<Grid>> lines = new HashMap<>();
  private final ObjectProperty<Grid> grid = new SimpleObjectProperty<>(Grid.SIXTEENTH);

  private final ObjectProperty<Doubt.Spot> spot = new SimpleObjectProperty<>();
  private final DoubleProperty waveSeconds = new SimpleDoubleProperty(9);

  Selection() {
    part.addListener((o, a, b) -> grid.set(linesOf(b).get()));
    grid.addListener((o, a, b) -> linesOf(part.get()).set(b));
  }

  void none() {
    section.set(-1);
  }

  /** Keeps to the sections that there are. */
  void within(Template t) {
    section.set(Math.min(Math.max(0, section.get()), t.sections().size() - 1));
  }

  /** Index of the section at work, -1 for none. */
  public IntegerProperty sectionProperty() {
    return section;
  }

  /** A place that the benches go to; null before any. */
  public ObjectProperty<Doubt.Spot> spotProperty() {
    return spot;
  }

  /** Seconds that the wave shows. */
  public DoubleProperty waveSecondsProperty() {
    return waveSeconds;
  }

  /** The lines that a part is written on. */
  public ObjectProperty<Grid> linesOf(Part of) {
    return lines.computeIfAbsent(of, p -> new SimpleObjectProperty<>(Grid.SIXTEENTH));
  }

  /** The lines that the part at work is written on; each part keeps its own. */
  public ObjectProperty<Grid> gridProperty() {
    return grid;
  }

  /** The part at work; never null. */
  public ObjectProperty<Part> partProperty() {
    return part;
  }
}
