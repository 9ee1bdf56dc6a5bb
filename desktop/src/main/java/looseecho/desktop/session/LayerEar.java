package looseecho.desktop.session;

import java.util.List;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.analysis.Analysis;
import looseecho.echo.Edits;
import looseecho.echo.Template;
import looseecho.form.LayerMark;
import looseecho.layers.HeardLayer;
import looseecho.layers.LayerEdits;
import looseecho.layers.LayerFinder;
import looseecho.layers.Played;
import looseecho.mix.Sounds;
import looseecho.palette.FromClaps;
import looseecho.palette.FromLayers;
import looseecho.palette.FromRooms;
import looseecho.palette.FromThrows;

/**
 * Hears the layers of the track when they are first asked for, and again when its readings have
 * changed. Belongs to the interface's thread.
 */
public final class LayerEar {
  private final Desk desk;
  private final Work lane;
  private final Notice notice;
  private final Supplier<Sounds> sounds;
  private final Hearings hearings;
  private final ReadOnlyObjectWrapper<List<HeardLayer>> layers =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<HeardLayer> picked = new ReadOnlyObjectWrapper<>();
  private List<HeardLayer> heard = List.of(); // before the person's decisions
  private Analysis of;

  /**
   * For the track of a desk.
   *
   * @param sounds the echo's
   * @param hearings which keep what was parted
   */
  LayerEar(Desk desk, Work lane, Notice notice, Supplier<Sounds> sounds, Hearings hearings) {
    this.hearings = hearings;
    this.sounds = sounds;
    this.desk = desk;
    this.lane = lane;
    this.notice = notice;
    desk.referenceProperty().addListener((o, a, b) -> forget());
    desk.correctionsProperty().addListener((o, a, b) -> decided());
  }

  private void forget() {
    lane.drop();
    of = null;
    heard = List.of();
    layers.set(List.of());
    picked.set(null);
  }

  /**
   * Shows the layers under the person's decisions; the one that is looked at stays, by its name.
   */
  private void decided() {
    HeardLayer before = picked.get();
    List<HeardLayer> now = LayerEdits.apply(heard, desk.correctionsProperty().get().layers());
    if (!now.equals(layers.get())) {
      int row = before == null ? -1 : layers.get().indexOf(before);
      layers.set(now);
      HeardLayer next = row >= 0 && row < now.size() ? now.get(row) : null;
      picked.set(
          now.stream()
              .filter(l -> before != null && l.name().equals(before.name()))
              .findFirst()
              .orElse(next));
    }
  }

  /** A decision about a layer; it is kept with the corrections and can be undone. */
  public void decide(LayerMark mark, String words) {
    desk.correct(c -> c.with(mark), words);
  }

  /** Hears the layers unless they are known. */
  public void hear() {
    Reference r = desk.referenceProperty().get();
    Analysis a = desk.analysisProperty().get();
    if (r == null || a == null || a.equals(of) || desk.document().isEmpty()) {
      return;
    }
    of = a;
    lane.start(
        p -> new LayerFinder(r.audio(), hearings.parted(r, a.hits(), p), Played.of(a)).find(),
        found -> {
          heard = found;
          decided();
        },
        e -> {
          of = null;
          notice.failed("Hearing the layers", e, "Open this bench again to hear them.");
        });
  }

  /**
   * Takes their ducking, rooms, what moves, what is thrown, claps and a bed of noise into the echo.
   */
  public void take() {
    Template t = desk.templateProperty().get();
    if (t == null || layers.get().isEmpty()) {
      desk.say("There are no layers yet to take into an echo.");
      return;
    }
    FromLayers.Taken lines = FromLayers.take(t, sounds.get(), layers.get());
    FromLayers.Taken rooms = FromRooms.take(lines.template(), lines.sounds(), layers.get());
    FromLayers.Taken claps = FromClaps.take(rooms.template(), rooms.sounds(), layers.get());
    FromLayers.Taken taken = FromThrows.take(claps.template(), claps.sounds(), of.form().events());
    if (lines.changes() + rooms.changes() + claps.changes() + taken.changes() == 0) {
      desk.say("No ducking, room, moves, throws, bed of noise or further clap was heard.");
    } else {
      desk.edit(
          new Edits.Edited(
              taken.template(), "Ducking, rooms, moves, throws, claps and noise as heard"),
          taken.sounds());
    }
  }

  /** The layers, drums first; none until they have been heard. */
  public ReadOnlyObjectProperty<List<HeardLayer>> layersProperty() {
    return layers.getReadOnlyProperty();
  }

  /** The layer that is looked at; null for none. */
  public ReadOnlyObjectProperty<HeardLayer> pickedProperty() {
    return picked.getReadOnlyProperty();
  }

  /** Looks at another layer. */
  public void pick(HeardLayer layer) {
    picked.set(layer);
  }
}
