package looseecho.desktop.ledger;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.Glyphs;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;
import looseecho.form.Section;
import looseecho.hits.Fill;
import looseecho.hits.Groove;
import looseecho.hits.Hit;
import looseecho.hits.Places;
import looseecho.hits.Roll;
import looseecho.hits.RollWords;
import looseecho.hits.TypicalBar;
import looseecho.hits.Variants;
import looseecho.pulse.Pulse;

/** Per lane: how many hits, how late on average, how loose. */
public final class HitsLedger extends VBox {

  private final Selection selection;
  private DrumWords here; // of the chosen section; null without one

  public HitsLedger(Desk desk, Selection selection) {
    super(3);
    this.selection = selection;
    desk.analysisProperty().addListener((o, a, b) -> show(b));
    selection.sectionProperty().addListener((o, a, b) -> show(desk.analysisProperty().get()));
    show(desk.analysisProperty().get());
  }

  private void show(Analysis a) {
    getChildren().clear();
    here = null;
    if (a == null || a.pulse().isEmpty()) {
      return;
    }
    groove(a, a.pulse().get());
    getChildren().add(ReadingRow.heading("Feel of each drum"));
    for (Lane lane : Lane.SHOWN) {
      List<Hit> hits = a.hits().stream().filter(h -> h.lane() == lane).toList();
      if (!hits.isEmpty()) {
        getChildren().add(row(lane, hits));
      }
    }
    long doubtful = a.hits().stream().filter(Hit::doubtful).count();
    Label sum = new Label(a.hits().size() + " hits, " + doubtful + " in doubt (thin lines)");
    sum.setWrapText(true);
    sum.getStyleClass().add(Theme.SMALL);
    getChildren().addAll(GroundLedger.rule(), sum);
  }

  /** What moves the bar of the chosen section. */
  private void groove(Analysis a, Pulse p) {
    int i = selection.sectionProperty().get();
    if (i < 0 || i >= a.form().sections().size()) {
      return;
    }
    Section s = a.form().sections().get(i);
    Places places = new Places(p);
    int first = places.at(s.start() + 0.01).bar();
    int end = Math.max(first + 1, places.at(s.end() + 0.01).bar());
    TypicalBar bar = TypicalBar.of(a.hits(), first, end);
    if (bar.lanes().isEmpty()) {
      return;
    }
    Groove g = Groove.of(bar, p.meter().value());
    getChildren().add(ReadingRow.heading("The bar of " + s.label() + " " + s.role()));
    line(
        String.format(
            Locale.ROOT,
            "The beats are %.0f %% alike; %s",
            100 * g.uniformity(),
            g.anchor()
                .map(h -> h.lane().words() + " on step " + h.step() + " marks the bar")
                .orElse("nothing marks the bar")));
    if (g.lanes().containsKey(Lane.KICK)) {
      line(
          String.format(Locale.ROOT, "The snare answers %.0f %% of the kicks", 100 * g.answered()));
    }
    line(empty("eighths", g.empty(p.stepsPerBeat() / 2)));
    line(empty("sixteenths", g.empty(1)));
    line(DrumWords.cycle(Variants.of(a.hits(), EnumSet.allOf(Lane.class), first, end)));
    List<Integer> fills = Fill.bars(a.hits(), first, end);
    line(
        fills.isEmpty()
            ? "No fills on snare or toms"
            : "Fills in bar " + fills.toString().replaceAll("[\\[\\]]", ""));
    new RollWords(p).of(Roll.find(a.hits(), p), first, end).forEach(this::line);
    getChildren().add(GroundLedger.rule());
    here = new DrumWords(a.hits(), p, g.lanes(), first, end);
  }

  private static String empty(String what, List<Integer> steps) {
    return steps.isEmpty()
        ? "Infill on all " + what
        : steps.size() > 6
            ? "Nobody fills in on " + steps.size() + " of the " + what
            : "Nobody fills in on " + what + " " + steps.toString().replaceAll("[\\[\\]]", "");
  }

  private void line(String text) {
    getChildren().add(small(text));
  }

  private static Label small(String text) {
    Label l = new Label(text);
    l.setWrapText(true);
    l.getStyleClass().add(Theme.SMALL);
    return l;
  }

  private HBox row(Lane lane, List<Hit> hits) {
    double mean = hits.stream().mapToDouble(Hit::offsetMs).average().orElse(0);
    double spread =
        Math.sqrt(
            hits.stream()
                .mapToDouble(h -> (h.offsetMs() - mean) * (h.offsetMs() - mean))
                .average()
                .orElse(0));
    Label name = new Label(lane.words());
    Label feel = small(Words.offset(mean) + ", ±" + Math.round(spread) + " ms");
    feel.setMinWidth(USE_PREF_SIZE);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox line = new HBox(6, name, gap, feel);
    line.setAlignment(Pos.BASELINE_LEFT);
    VBox texts = new VBox(0, line);
    HBox.setHgrow(texts, Priority.ALWAYS);
    if (here != null && here.lanes().containsKey(lane)) {
      texts.getChildren().add(small("here " + here.of(lane)));
    }
    String more = here != null && here.lanes().containsKey(lane) ? here.more(lane) : "";
    Tooltip.install(texts, new Tooltip((hits.size() + " hits\n" + more).strip()));
    var glyph = new javafx.scene.layout.StackPane(Glyphs.node(lane, 13));
    glyph.setMinWidth(20);
    HBox row = new HBox(10, glyph, texts);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }
}
