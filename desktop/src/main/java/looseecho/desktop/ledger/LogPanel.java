package looseecho.desktop.ledger;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Desk;
import looseecho.desktop.theme.Theme;
import looseecho.echo.LogLine;

/** The logbook: what was done last, newest first. The project keeps all of it. */
final class LogPanel extends VBox {
  private static final int SHOWN = 4; // the whole of it is read where the work is handed over

  private final Desk desk;

  LogPanel(Desk desk) {
    super(2);
    this.desk = desk;
    setId("logbook");
    desk.logProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    List<LogLine> log = desk.logProperty().get();
    getChildren().setAll(ReadingRow.heading("Logbook"));
    for (int i = log.size() - 1; i >= Math.max(0, log.size() - SHOWN); i--) {
      Label line = new Label((i + 1) + "  " + log.get(i).words());
      line.setWrapText(true);
      line.getStyleClass().add(Theme.SMALL);
      getChildren().add(line);
    }
  }
}
