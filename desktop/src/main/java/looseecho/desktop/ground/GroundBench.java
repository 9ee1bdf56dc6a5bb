package looseecho.desktop.ground;

import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;

/**
 * Two charts: the loudness of every bar as a tide, and the wave near the playhead with its beats.
 */
public final class GroundBench extends VBox {
  public GroundBench(Session session) {
    super(8);
    getStyleClass().add("bench");
    TideChart tide = new TideChart(session);
    WaveChart wave = new WaveChart(session);
    VBox.setVgrow(tide, Priority.ALWAYS);
    VBox.setVgrow(wave, Priority.ALWAYS);
    getChildren()
        .addAll(
            heading("Sections and loudness, bar by bar"),
            tide,
            heading(
                "The wave at the playhead: scroll to zoom, click a beat and press 1 to make it bar 1"),
            wave);
  }

  private static Label heading(String text) {
    Label l = new Label(text);
    l.getStyleClass().add(Theme.QUIET);
    return l;
  }
}
