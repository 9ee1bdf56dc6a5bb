package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.analysis.Analysis;
import looseecho.echo.Words;
import looseecho.notes.TonalContent;
import looseecho.reading.Progress;

/**
 * Several tracks heard one after the other, so that each opens at once when its turn comes. Belongs
 * to the interface's thread.
 */
public final class Batch {
  /** How far a track is. */
  public enum State {
    WAITING,
    HEARING,
    HEARD,
    FAILED
  }

  /**
   * A track.
   *
   * @param words what was heard, or why nothing was
   */
  public record Row(Path file, State state, String words) {
    /** The file's name. */
    public String name() {
      return String.valueOf(file.getFileName());
    }
  }

  private final Work lane;
  private final Ear ear;
  private final ReadOnlyObjectWrapper<List<Row>> rows = new ReadOnlyObjectWrapper<>(List.of());

  Batch(Work lane, Ear ear) {
    this.lane = lane;
    this.ear = ear;
  }

  /** Adds tracks to the list; one that is in it already is heard only once. */
  public void hear(List<Path> files) {
    for (Path file : files) {
      if (rows.get().stream().anyMatch(r -> r.file().equals(file) && r.state() != State.FAILED)) {
        continue;
      }
      set(new Row(file, State.WAITING, "waits"));
      lane.start(
          p -> {
            Platform.runLater(() -> set(new Row(file, State.HEARING, "is being heard")));
            return ear.open(
                file, file.getFileName().toString(), Optional.empty(), Ear.Early.NONE, p);
          },
          h -> set(new Row(file, State.HEARD, words(h))),
          e ->
              set(
                  new Row(
                      file,
                      State.FAILED,
                      e instanceof Progress.CancelledException
                          ? "stopped"
                          : String.valueOf(e.getMessage()))));
    }
  }

  /** The row of a file is as it is now; a late word of its beginning changes nothing. */
  private void set(Row row) {
    List<Row> all = new ArrayList<>(rows.get());
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).file().equals(row.file())) {
        boolean late = row.state() == State.HEARING && all.get(i).state() != State.WAITING;
        all.set(i, late ? all.get(i) : row);
        rows.set(List.copyOf(all));
        return;
      }
    }
    all.add(row);
    rows.set(List.copyOf(all));
  }

  private static String words(Ear.Heard h) {
    Analysis a = h.analysis();
    double seconds = h.reference().peaks().duration();
    String length = String.format(Locale.ROOT, "%d:%02d", (int) seconds / 60, (int) seconds % 60);
    String tempo = a.pulse().map(p -> Words.bpm(p.tempo().value())).orElse("no steady beat");
    String key =
        a.tonality().content() == TonalContent.KEY ? ", " + a.tonality().key().value().words() : "";
    return length + ", " + tempo + key;
  }

  /** Stops what is being heard and what waits. */
  public void stop() {
    lane.cancel();
  }

  /** In the order in which they came. */
  public ReadOnlyObjectProperty<List<Row>> rowsProperty() {
    return rows.getReadOnlyProperty();
  }
}
