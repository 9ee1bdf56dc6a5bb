package looseecho.desktop.ground;

import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;

/**
 * The track's shape over one scale (loudness with events, tempo, sections) and the wave below with
 * its beats.
 */
public final class GroundBench extends VBox {
  private final SectionStrip strip;

  public GroundBench(Desk desk, Selection selection, Playback playback) {
    super(4);
    getStyleClass().add("bench");
    strip = new SectionStrip(desk, selection, playback);
    TideChart tide = new TideChart(desk, selection, playback);
    WaveChart wave = new WaveChart(desk, selection, playback);
    VBox.setVgrow(tide, Priority.ALWAYS);
    VBox.setVgrow(wave, Priority.ALWAYS);
    getChildren()
        .addAll(
            heading("Loudness, tempo and sections. Drag an edge to the beat it belongs on"),
            tide,
            new TempoCurve(desk),
            new SectionBands(desk, selection, playback, strip::editName),
            strip,
            heading(
                "The wave: the wheel zooms, dragging moves, Home shows all; click a beat and press 1 for bar 1"),
            wave);
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
  }

  private void key(KeyEvent e) {
    if (e.getTarget() instanceof TextInputControl || e.isShortcutDown()) {
      return;
    }
    switch (e.getCode()) {
      case S -> strip.split();
      case J -> strip.join();
      default -> {
        return;
      }
    }
    e.consume();
  }

  private static Label heading(String text) {
    Label l = new Label(text);
    l.getStyleClass().add(Theme.QUIET);
    return l;
  }
}
