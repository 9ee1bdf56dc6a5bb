package looseecho.desktop.ledger;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import looseecho.analysis.Analysis;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Taps;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;
import looseecho.hits.Feel;
import looseecho.hits.Swing;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;
import looseecho.pulse.PulseFinder.Wanted;
import looseecho.pulse.TapTempo;

/** Tempo, bars and key, each to correct in one gesture. */
public final class GroundLedger extends VBox {
  private final Desk desk;
  private final Playback playback;
  private final Taps taps;

  public GroundLedger(Desk desk, Playback playback, Taps taps) {
    super(7);
    this.desk = desk;
    this.playback = playback;
    this.taps = taps;
    desk.analysisProperty().addListener((o, a, b) -> show(b));
    desk.correctionsProperty().addListener((o, a, b) -> show(desk.analysisProperty().get()));
    show(desk.analysisProperty().get());
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
    a.pulse().ifPresentOrElse(p -> pulse(a, p), this::noPulse);
    getChildren()
        .addAll(
            rule(),
            new KeyRow(
                a.tonality(), k -> desk.correct(c -> c.withKey(k), "Key set to " + k.words())));
    Label tuning = new Label("Tuning: " + a.tonality().tuningWords());
    tuning.getStyleClass().add(Theme.SMALL);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox last =
        new HBox(
            8,
            tuning,
            gap,
            button(
                "hear-again",
                "Hear again",
                "Listens to the whole track anew; your corrections stay",
                desk::hearAgain));
    last.setAlignment(Pos.CENTER_LEFT);
    getChildren().add(last);
  }

  private void noPulse() {
    Label none = new Label("none heard");
    none.setId("reading-tempo");
    none.getStyleClass().add(Theme.BIG_NUMBER);
    getChildren().addAll(ReadingRow.heading("Tempo"), none, small("no beat stands out"));
  }

  private void pulse(Analysis a, Pulse p) {
    double bpm = p.tempo().value();
    FlowPane octave =
        new FlowPane(
            6,
            4,
            button("halve", "Halve", "To " + Words.bpm(bpm / 2), () -> tempo(bpm / 2)),
            button("double", "Double", "To " + Words.bpm(bpm * 2), () -> tempo(bpm * 2)),
            button("tap", "Tap", "Tap along to check or set the tempo (T)", taps::tap));
    getChildren()
        .addAll(
            ReadingRow.of("Tempo", p.tempo(), Words::bpm, this::tempo, b -> !isOctave(b / bpm)),
            octave,
            small(steadiness(p)),
            tapped(p),
            rule(),
            ReadingRow.of("Meter", p.meter(), Meter::words, this::meter));
    bars(p);
    getChildren().addAll(rule(), feel(a.feel()));
  }

  /** Half and double have buttons of their own. */
  private static boolean isOctave(double ratio) {
    return Math.abs(ratio - 2) < 0.02 || Math.abs(ratio - 0.5) < 0.005;
  }

  private static String steadiness(Pulse p) {
    long spread = Math.max(1, Math.round(p.spreadMs()));
    return p.steady()
        ? String.format(
            Locale.ROOT,
            "One steady tempo: %.0f %% of the beats lie on it, within %d ms",
            100 * p.explained(),
            spread)
        : "The playing drifts: no one tempo explains the beats, they wander by " + spread + " ms";
  }

  private void bars(Pulse p) {
    double one =
        p.beats().stream()
            .filter(b -> b.bar() >= 1 && b.position() == 1)
            .findFirst()
            .orElse(p.beats().get(0))
            .time();
    double beat = 60 / p.tempo().value();
    FlowPane bars =
        new FlowPane(
            6,
            4,
            button("bar-earlier", "Earlier", "Bar 1 a beat earlier", () -> barOne(one - beat)),
            button("bar-later", "Later", "Bar 1 a beat later", () -> barOne(one + beat)),
            button(
                "bar-here",
                "Here",
                "Bar 1 where the playhead is (1 on the wave)",
                () -> barOne(playback.player().position())),
            button(
                "nudge-earlier", "−1 ms", "The whole grid a millisecond earlier", () -> nudge(-1)),
            button("nudge-later", "+1 ms", "The whole grid a millisecond later", () -> nudge(1)));
    boolean locked = desk.correctionsProperty().get().locked();
    bars.getChildren()
        .add(
            button(
                "lock",
                locked ? "Unlock" : "Lock",
                "Keeps tempo, bars and sections from being moved by accident",
                () ->
                    desk.correct(
                        c -> c.withLocked(!locked),
                        locked ? "The ground is free again" : "The ground is locked")));
    double nudged = 1000 * desk.correctionsProperty().get().pulse().nudge();
    Label at =
        new Label(
            String.format(Locale.ROOT, "bar 1 at %.3f s", one)
                + (nudged == 0 ? "" : String.format(Locale.ROOT, ", grid %+.0f ms", nudged)));
    at.setId("bar-one");
    at.getStyleClass().add(Theme.NUMBER);
    getChildren().addAll(at, bars);
  }

  /** Swing and grid in words. */
  private static VBox feel(Feel feel) {
    Label all =
        new Label(
            feel.swing()
                .map(s -> String.format(Locale.ROOT, "%.0f %% %s", s.percent(), s.words()))
                .orElse("too few off-beats"));
    feel.division()
        .ifPresent(d -> Tooltip.install(all, new Tooltip("The hits lie on " + d.words())));
    all.setId("reading-swing");
    all.getStyleClass().add(Theme.NUMBER);
    VBox box = new VBox(2, ReadingRow.titled("Swing", all));
    List<String> families = new ArrayList<>();
    for (Feel.Family family : Feel.Family.values()) {
      Swing s = feel.families().get(family);
      if (s != null) {
        families.add(String.format(Locale.ROOT, "%s %.0f\u00a0%%", family.words(), s.percent()));
      }
    }
    if (!families.isEmpty()) {
      box.getChildren().add(small(String.join(", ", families)));
    }
    return box;
  }

  /** What the taps say and which tempo they speak for. */
  private Label tapped(Pulse p) {
    Label label = small("");
    label.setId("tapped");
    label.managedProperty().bind(label.textProperty().isNotEmpty());
    List<Double> tempos = new ArrayList<>(List.of(p.tempo().value()));
    p.tempo().alternatives().forEach(a -> tempos.add(a.value()));
    label
        .textProperty()
        .bind(
            Bindings.createStringBinding(
                () -> {
                  TapTempo t = taps.tempoProperty().get();
                  return t == null
                      ? ""
                      : String.format(
                          Locale.ROOT,
                          "Tapped %.1f BPM, ±%.0f ms: speaks for %s",
                          t.bpm(),
                          t.spreadMs(),
                          Words.bpm(t.nearest(tempos)));
                },
                taps.tempoProperty()));
    return label;
  }

  private void tempo(double bpm) {
    if (bpm < Wanted.SLOWEST_BPM || bpm > Wanted.FASTEST_BPM) {
      desk.messageProperty()
          .set("Tempos go from 20 to 400 BPM; " + Words.bpm(bpm) + " was not set.");
      return;
    }
    desk.correct(c -> c.withBpm(bpm), "Tempo set to " + Words.bpm(bpm));
  }

  private void meter(Meter meter) {
    desk.correct(c -> c.withPulse(c.pulse().withMeter(meter)), "Meter set to " + meter.words());
  }

  private void nudge(int ms) {
    desk.correct(c -> c.withPulse(c.pulse().nudgedBy(ms / 1000.0)), "Grid moved by " + ms + " ms");
  }

  private void barOne(double at) {
    desk.correct(
        c -> c.withBarOneAt(Math.max(0, at)),
        String.format(Locale.ROOT, "Bar 1 set at %.2f s", Math.max(0, at)));
  }

  private static javafx.scene.control.Button button(
      String id, String text, String tip, Runnable action) {
    var b = ReadingRow.chip(text, tip, action);
    b.setId(id);
    return b;
  }

  private static Label small(String text) {
    Label l = new Label(text);
    l.setWrapText(true);
    l.getStyleClass().add(Theme.SMALL);
    return l;
  }

  static Region rule() {
    Region r = new Region();
    r.getStyleClass().add("rule");
    return r;
  }
}
