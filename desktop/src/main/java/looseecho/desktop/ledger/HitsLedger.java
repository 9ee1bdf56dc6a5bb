package looseecho.desktop.ledger;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.Glyphs;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;
import looseecho.hits.Hit;
import looseecho.hits.Swing;

/** Per lane: how many hits, how late on average, how loose. */
public final class HitsLedger extends VBox {
  private static final double DOUBT = 0.6;

  public HitsLedger(Session session) {
    super(12);
    session.analysisProperty().addListener((o, a, b) -> show(b));
    show(session.analysisProperty().get());
  }

  private void show(Analysis a) {
    getChildren().clear();
    getChildren().add(ReadingRow.heading("Feel of each drum"));
    if (a == null) {
      return;
    }
    for (Lane lane : Lane.values()) {
      List<Hit> hits = a.hits().stream().filter(h -> h.lane() == lane).toList();
      if (!hits.isEmpty()) {
        getChildren().add(row(lane, hits));
      }
    }
    a.pulse().flatMap(p -> Swing.of(a.hits(), p)).ifPresent(this::swing);
    long doubtful = a.hits().stream().filter(h -> h.confidence() < DOUBT).count();
    Label sum =
        new Label(a.hits().size() + " hits, " + doubtful + " of them in doubt (thin lines)");
    sum.setWrapText(true);
    sum.getStyleClass().add(Theme.SMALL);
    getChildren().addAll(GroundLedger.rule(), sum);
  }

  private void swing(Swing s) {
    Label words =
        new Label(
            String.format(
                Locale.ROOT,
                "Swing %.0f %% of each pair of %ss: %s",
                s.percent(),
                s.unit(),
                s.words()));
    words.setWrapText(true);
    getChildren().addAll(GroundLedger.rule(), words);
  }

  private static HBox row(Lane lane, List<Hit> hits) {
    double mean = hits.stream().mapToDouble(Hit::offsetMs).average().orElse(0);
    double spread =
        Math.sqrt(
            hits.stream()
                .mapToDouble(h -> (h.offsetMs() - mean) * (h.offsetMs() - mean))
                .average()
                .orElse(0));
    Label name = new Label(lane.words() + ", " + hits.size());
    Label feel = new Label(Words.offset(mean) + ", ±" + Math.round(spread) + " ms");
    feel.getStyleClass().add(Theme.SMALL);
    var glyph = new javafx.scene.layout.StackPane(Glyphs.node(lane, 13));
    glyph.setMinWidth(20);
    HBox row = new HBox(10, glyph, new VBox(0, name, feel));
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }
}
