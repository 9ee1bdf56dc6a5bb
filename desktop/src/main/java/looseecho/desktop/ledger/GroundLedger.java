package looseecho.desktop.ledger;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.beans.binding.Bindings;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import looseecho.analysis.Analysis;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;
import looseecho.notes.Key;
import looseecho.pulse.Pulse;
import looseecho.pulse.TapTempo;

/** Tempo, bars and key, each to correct in one gesture. */
public final class GroundLedger extends VBox {
  private final Session session;

  public GroundLedger(Session session) {
    super(16);
    this.session = session;
    session.analysisProperty().addListener((o, a, b) -> show(b));
    show(session.analysisProperty().get());
  }

  private void show(Analysis a) {
    getChildren().clear();
    if (a == null) {
      Label waiting = new Label("The readings appear here as soon as the track has been heard.");
      waiting.setWrapText(true);
      waiting.getStyleClass().add(Theme.QUIET);
      getChildren().add(waiting);
      return;
    }
    a.pulse().ifPresent(this::pulse);
    getChildren()
        .addAll(
            rule(),
            ReadingRow.of(
                "Key",
                a.tonality().key(),
                Key::words,
                k -> session.correct(c -> c.withKey(k), "Key set to " + k.words())));
    Label tuning =
        new Label(String.format(Locale.ROOT, "Tuning %+.0f cents", a.tonality().tuningCents()));
    tuning.getStyleClass().add(Theme.SMALL);
    getChildren().add(tuning);
  }

  private void pulse(Pulse p) {
    double bpm = p.tempo().value();
    FlowPane octave =
        new FlowPane(
            6,
            6,
            button("halve", "Halve", () -> tempo(bpm / 2)),
            button("double", "Double", () -> tempo(bpm * 2)),
            button("tap", "Tap (T)", session::tap));
    String steady =
        p.steady() ? "One steady tempo; beats within " : "The playing drifts; beats wander by ";
    Label feel = small(steady + Math.max(1, Math.round(p.spreadMs())) + " ms");
    feel.setWrapText(true);
    getChildren()
        .addAll(
            ReadingRow.of("Tempo", p.tempo(), Words::bpm, this::tempo),
            feel,
            octave,
            tapped(p),
            rule());
    double one =
        p.beats().stream()
            .filter(b -> b.bar() >= 1 && b.position() == 1)
            .findFirst()
            .orElse(p.beats().get(0))
            .time();
    double beat = 60 / bpm;
    FlowPane bars =
        new FlowPane(
            6,
            6,
            button("bar-earlier", "A beat earlier", () -> barOne(one - beat)),
            button("bar-later", "A beat later", () -> barOne(one + beat)),
            button("bar-here", "At the playhead", () -> barOne(session.player().position())));
    Label meter =
        new Label(
            p.meter().value().words() + ", bar 1 at " + String.format(Locale.ROOT, "%.2f s", one));
    meter.setId("bar-one");
    meter.getStyleClass().add(Theme.NUMBER);
    getChildren().addAll(ReadingRow.heading("Bars"), meter, bars);
  }

  /** What the taps say and which tempo they speak for. */
  private Label tapped(Pulse p) {
    Label label = small("");
    label.setId("tapped");
    label.setWrapText(true);
    label.managedProperty().bind(label.textProperty().isNotEmpty());
    List<Double> tempos = new ArrayList<>(List.of(p.tempo().value()));
    p.tempo().alternatives().forEach(a -> tempos.add(a.value()));
    label
        .textProperty()
        .bind(
            Bindings.createStringBinding(
                () -> {
                  TapTempo t = session.tappedProperty().get();
                  return t == null
                      ? ""
                      : String.format(
                          Locale.ROOT,
                          "Tapped %.1f BPM, ±%.0f ms: speaks for %s",
                          t.bpm(),
                          t.spreadMs(),
                          Words.bpm(t.nearest(tempos)));
                },
                session.tappedProperty()));
    return label;
  }

  private void tempo(double bpm) {
    if (bpm >= 20 && bpm <= 400) {
      session.correct(c -> c.withBpm(bpm), "Tempo set to " + Words.bpm(bpm));
    }
  }

  private void barOne(double at) {
    session.correct(
        c -> c.withBarOneAt(Math.max(0, at)),
        String.format(Locale.ROOT, "Bar 1 set at %.2f s", Math.max(0, at)));
  }

  private static javafx.scene.control.Button button(String id, String text, Runnable action) {
    var b = ReadingRow.chip(text, text, action);
    b.setId(id);
    return b;
  }

  private static Label small(String text) {
    Label l = new Label(text);
    l.getStyleClass().add(Theme.SMALL);
    return l;
  }

  static Region rule() {
    Region r = new Region();
    r.getStyleClass().add("rule");
    return r;
  }
}
