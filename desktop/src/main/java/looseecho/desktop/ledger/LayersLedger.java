package looseecho.desktop.ledger;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import javafx.scene.layout.VBox;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.LayerEar;
import looseecho.desktop.session.Playback;
import looseecho.dsp.ThirdOctaves;
import looseecho.form.Section;
import looseecho.layers.Collision;
import looseecho.layers.CollisionFinder;
import looseecho.layers.GapFinder;
import looseecho.layers.HeardLayer;
import looseecho.layers.SamenessFinder;

/**
 * Of the whole track what gets in each other's way, what nobody fills and what changes at each
 * edge; of a picked layer its figures, and what concerns it of the rest.
 */
public final class LayersLedger extends VBox {
  private static final int MOST = 5;
  private static final double NEAR_EDGE = 1.2; // seconds
  private final Desk desk;
  private final LayerEar ear;
  private final Playback playback;

  public LayersLedger(Desk desk, LayerEar ear, Playback playback) {
    super(6);
    this.desk = desk;
    this.playback = playback;
    this.ear = ear;
    ear.layersProperty().addListener((o, a, b) -> show());
    ear.pickedProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    getChildren().clear();
    List<HeardLayer> layers = ear.layersProperty().get();
    if (layers.isEmpty()) {
      line("The layers are heard when a track is open and this bench is in view.");
      return;
    }
    HeardLayer picked = ear.pickedProperty().get();
    if (picked == null) {
      collisions(CollisionFinder.find(layers));
      gaps(layers);
      sameness(r -> true);
      getChildren().add(GroundLedger.rule());
      edges(layers);
      return;
    }
    layer(picked);
    getChildren().add(GroundLedger.rule());
    collisions(
        CollisionFinder.find(layers).stream()
            .filter(c -> is(picked, c.first()) || is(picked, c.second()))
            .toList());
    sameness(r -> r.name().equals(picked.name()));
    getChildren()
        .add(
            Buttons.of(
                "layers-all",
                "The whole track",
                "Back to what concerns all layers",
                () -> ear.pick(null)));
  }

  private static boolean is(HeardLayer picked, HeardLayer l) {
    return l.name().equals(picked.name());
  }

  private void layer(HeardLayer l) {
    getChildren().add(ReadingRow.heading(l.name()));
    getChildren().add(new LayerRows(ear, l, playback.player()::position));
    line(String.format(Locale.ROOT, "%+.1f dB against the whole", l.levelDb()));
    line(ThirdOctaves.words(l.lowHz(), l.highHz()));
    line(
        SettingRows.side(l.image().pan())
            + ", width "
            + SettingRows.percent(Math.min(1, 2 * l.image().width())));
    line(l.duck().map(HeardLayer.Duck::words).orElse("No ducking heard"));
    l.duck().ifPresent(d -> getChildren().add(new DuckCurve(d, beat())));
    l.repeats().ifPresent(r -> line(r.words()));
    l.room().ifPresent(r -> line(r.words(beat())));
    line("Plays " + bars(l.active()));
    for (HeardLayer.Move m : l.moves()) {
      line(m.words() + ", " + bars(List.of(new HeardLayer.Span(m.start(), m.end()))));
    }
  }

  /** Seconds of a beat. */
  private double beat() {
    return desk.analysisProperty().get().pulse().map(p -> 60 / p.tempo().value()).orElse(0.5);
  }

  private String bars(List<HeardLayer.Span> spans) {
    Analysis a = desk.analysisProperty().get();
    return spans.stream()
        .map(
            s ->
                a.pulse()
                    .map(
                        p ->
                            "bar "
                                + p.beats().get(Math.max(0, p.beatAt(s.start() + 0.05))).bar()
                                + " to "
                                + p.beats().get(Math.max(0, p.beatAt(s.end() - 0.05))).bar())
                    .orElse(String.format(Locale.ROOT, "%.1f to %.1f s", s.start(), s.end())))
        .collect(Collectors.joining(", "));
  }

  private void collisions(List<Collision> all) {
    getChildren().add(ReadingRow.heading("In each other's way"));
    if (all.isEmpty()) {
      line("Nothing found");
    }
    for (Collision c : all.subList(0, Math.min(MOST, all.size()))) {
      line(c.what() + ". " + c.advice());
    }
  }

  private void gaps(List<HeardLayer> layers) {
    List<String> gaps = GapFinder.find(layers);
    if (!gaps.isEmpty()) {
      getChildren().add(ReadingRow.heading("What nobody fills"));
      gaps.forEach(this::line);
    }
  }

  private void sameness(Predicate<SamenessFinder.Run> which) {
    List<SamenessFinder.Run> runs =
        SamenessFinder.find(desk.analysisProperty().get()).stream().filter(which).toList();
    if (!runs.isEmpty()) {
      getChildren().add(ReadingRow.heading("Repeats unchanged"));
      runs.subList(0, Math.min(MOST, runs.size())).forEach(r -> line(r.words()));
      line("Change a little every eight bars.");
    }
  }

  private void edges(List<HeardLayer> layers) {
    getChildren().add(ReadingRow.heading("At each edge"));
    for (Section s : desk.analysisProperty().get().form().sections()) {
      List<String> in = new ArrayList<>();
      List<String> out = new ArrayList<>();
      for (HeardLayer l : layers) {
        if (l.active().stream().anyMatch(x -> Math.abs(x.start() - s.start()) < NEAR_EDGE)) {
          in.add(l.name());
        }
        if (s.start() > 0
            && l.active().stream().anyMatch(x -> Math.abs(x.end() - s.start()) < NEAR_EDGE)) {
          out.add(l.name());
        }
      }
      if (!in.isEmpty() || !out.isEmpty()) {
        line(
            s.label()
                + ": "
                + (in.isEmpty() ? "" : "in " + String.join(", ", in))
                + (in.isEmpty() || out.isEmpty() ? "" : "; ")
                + (out.isEmpty() ? "" : "out " + String.join(", ", out)));
      }
    }
  }

  private void line(String words) {
    getChildren().add(ReadingRow.line(words));
  }
}
