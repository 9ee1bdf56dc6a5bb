package looseecho.desktop.ledger;

import java.util.List;
import javafx.scene.layout.VBox;
import looseecho.compare.Comparison;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Nearness;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.handover.Sheet;
import looseecho.project.Notebook;

/** What is still open before it is handed over. */
public final class HandoverLedger extends VBox {
  private final Desk desk;
  private final Nearness nearness;

  public HandoverLedger(Desk desk, Nearness nearness) {
    super(6);
    this.desk = desk;
    this.nearness = nearness;
    desk.notebookProperty().addListener((o, a, b) -> show());
    desk.templateProperty().addListener((o, a, b) -> show());
    nearness.comparisonProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    getChildren().setAll(ReadingRow.heading("Still open"));
    Template t = desk.templateProperty().get();
    if (t == null) {
      line("There is no echo yet.");
      return;
    }
    Comparison c = nearness.comparisonProperty().get();
    if (c == null) {
      line("The echo was not compared with the track (Ctrl+8).");
    } else if (nearness.isOld()) {
      line("The echo was changed after it was compared.");
    }
    Notebook notes = desk.notebookProperty().get();
    List<String> open =
        Part.of(t).stream().map(t::name).filter(n -> notes.of(n) == Notebook.Verdict.OPEN).toList();
    line(
        open.isEmpty()
            ? "Every part has its verdict."
            : "No verdict yet: " + String.join(", ", open));
    notes.notes().stream().filter(Notebook.Note::question).forEach(n -> line("? " + n.told(t)));
    getChildren().add(GroundLedger.rule());
    getChildren().add(ReadingRow.heading("In the pack"));
    line("The sheet prints on A4 and Letter and reads in black and white.");
    line("The stems add up to the mix, sample by sample.");
    line("The kit's SFZ files play in any sampler that reads them.");
    getChildren().add(GroundLedger.rule());
    getChildren().add(ReadingRow.heading("Before you use it"));
    line(Sheet.CAUTION);
  }

  private void line(String words) {
    getChildren().add(ReadingRow.line(words));
  }
}
