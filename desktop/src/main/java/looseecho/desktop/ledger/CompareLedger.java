package looseecho.desktop.ledger;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.layout.VBox;
import looseecho.compare.Comparison;
import looseecho.compare.Finding;
import looseecho.desktop.session.Nearness;

/** Scores by what is measured, over all parts, and the balance of the mix from the low end up. */
public final class CompareLedger extends VBox {
  private static final int MOST = 7;
  private final Nearness nearness;

  public CompareLedger(Nearness nearness) {
    super(6);
    this.nearness = nearness;
    nearness.comparisonProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    getChildren().setAll(ReadingRow.heading("What is measured"));
    Comparison c = nearness.comparisonProperty().get();
    if (c == null) {
      line("Timing, patterns, notes, accents, sounds, levels, widths, ducking, balance, dynamics.");
      return;
    }
    Map<Finding.Kind, List<Finding>> kinds = new LinkedHashMap<>();
    for (Finding.Kind kind : Finding.Kind.values()) {
      List<Finding> own = c.findings().stream().filter(f -> f.kind() == kind).toList();
      if (!own.isEmpty()) {
        kinds.put(kind, own);
      }
    }
    kinds.forEach(
        (kind, own) ->
            line(
                String.format(
                    Locale.ROOT,
                    "%s %.0f",
                    kind.words(),
                    own.stream().mapToDouble(Finding::score).average().orElse(100))));
    getChildren().add(GroundLedger.rule());
    getChildren().add(ReadingRow.heading("The whole mix"));
    List<String> whole =
        c.differences().stream()
            .filter(f -> f.of().equals(Finding.MIX))
            .map(Finding::words)
            .limit(MOST)
            .toList();
    if (whole.isEmpty()) {
      line("As the track's");
    }
    whole.forEach(this::line);
  }

  private void line(String words) {
    getChildren().add(ReadingRow.line(words));
  }
}
