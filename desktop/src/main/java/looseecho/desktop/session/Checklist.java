package looseecho.desktop.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.analysis.Analysis;
import looseecho.doubt.Doubt;
import looseecho.doubt.Doubt.Topic;
import looseecho.doubt.DoubtFinder;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.layers.HeardLayer;

/**
 * What is worth checking, of what has been heard by now. What the person has looked at and left as
 * it is does not come again for this track. Belongs to the interface's thread.
 */
public final class Checklist {
  private static final double FAR_DB = 12; // as on the palette's chart

  private final Desk desk;
  private final LayerEar layers;
  private final PaletteEar palette;
  private final Supplier<Settings.Schools> schools;
  private final Set<String> fine = new HashSet<>();
  private final ReadOnlyObjectWrapper<List<Doubt>> doubts = new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Doubt> looked = new ReadOnlyObjectWrapper<>();

  Checklist(Desk desk, LayerEar layers, PaletteEar palette, Supplier<Settings.Schools> schools) {
    this.desk = desk;
    this.layers = layers;
    this.palette = palette;
    this.schools = schools;
    desk.referenceProperty().addListener((o, a, b) -> forget());
    desk.analysisProperty().addListener((o, a, b) -> collect());
    layers.layersProperty().addListener((o, a, b) -> collect());
    palette.rowsProperty().addListener((o, a, b) -> collect());
  }

  private void forget() {
    fine.clear();
    looked.set(null);
    collect();
  }

  private void collect() {
    List<Doubt> all = new ArrayList<>();
    Analysis a = desk.analysisProperty().get();
    if (a != null) {
      all.addAll(DoubtFinder.of(a));
    }
    List<HeardLayer> heard = layers.layersProperty().get();
    if (!heard.isEmpty()) {
      all.addAll(DoubtFinder.of(heard));
    }
    for (PaletteRow r : palette.rowsProperty().get()) {
      if (r.distance() > FAR_DB) {
        all.add(far(r));
      }
    }
    all.removeIf(d -> fine.contains(d.words()));
    if (schools.get().fillsFirst()) {
      all.sort(Comparator.comparing(d -> !d.gap())); // stable: the rest keeps its order
    }
    doubts.set(List.copyOf(all));
    if (looked.get() != null && !all.contains(looked.get())) {
      looked.set(null);
    }
  }

  private static Doubt far(PaletteRow r) {
    String step = r.advice().isEmpty() ? "" : ": " + r.advice().get(0);
    return new Doubt(
        Topic.PALETTE,
        r.heard().name() + " is " + Math.round(r.distance()) + " dB from the track's" + step,
        Optional.of(
            new Doubt.Spot(
                -1,
                r.heard().part().asDrum().map(DrumPart::lane),
                r.heard().part().asLine().map(LinePart::line))),
        Math.min(1, r.distance() / 20),
        false);
  }

  /** What is worth a look on a step of the job, most important first. */
  public List<Doubt> of(Topic topic) {
    return doubts.get().stream().filter(d -> d.topic() == topic).toList();
  }

  /** Looks at the next one of a step, from the last to the first again; empty when all is well. */
  public Optional<Doubt> next(Topic topic) {
    List<Doubt> all = of(topic);
    if (all.isEmpty()) {
      looked.set(null);
      return Optional.empty();
    }
    Doubt next = all.get((all.indexOf(looked.get()) + 1) % all.size());
    looked.set(null); // the same one again is looked at again
    looked.set(next);
    return Optional.of(next);
  }

  /** The one looked at is fine as it is. */
  public void fine() {
    Doubt d = looked.get();
    if (d != null) {
      fine.add(d.words());
      collect();
    }
  }

  public ReadOnlyObjectProperty<List<Doubt>> doubtsProperty() {
    return doubts.getReadOnlyProperty();
  }

  /** What is looked at; null for nothing. */
  public ReadOnlyObjectProperty<Doubt> lookedProperty() {
    return looked.getReadOnlyProperty();
  }
}
