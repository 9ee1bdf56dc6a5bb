package looseecho.desktop;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import looseecho.desktop.compare.CompareBench;
import looseecho.desktop.echo.EchoBench;
import looseecho.desktop.ground.GroundBench;
import looseecho.desktop.handover.HandoverBench;
import looseecho.desktop.hits.HitsBench;
import looseecho.desktop.layers.LayersBench;
import looseecho.desktop.ledger.CompareLedger;
import looseecho.desktop.ledger.EchoLedger;
import looseecho.desktop.ledger.GroundLedger;
import looseecho.desktop.ledger.HandoverLedger;
import looseecho.desktop.ledger.HitsLedger;
import looseecho.desktop.ledger.LayersLedger;
import looseecho.desktop.ledger.MixerLedger;
import looseecho.desktop.ledger.NotesLedger;
import looseecho.desktop.ledger.PaletteLedger;
import looseecho.desktop.notes.NotesBench;
import looseecho.desktop.palette.PaletteBench;
import looseecho.desktop.session.Session;
import looseecho.desktop.sounds.SoundsBench;
import looseecho.echo.TemplateSection;
import looseecho.project.PracticeLog;

/** The steps of the job, in order. */
enum Bench {
  GROUND(
      "Ground",
      "tempo, bars, key",
      "#wave",
      s -> true,
      (s, out) -> new GroundBench(s.desk(), s.selection(), s.playback()),
      s -> new GroundLedger(s.desk(), s.playback(), s.taps())),
  HITS(
      "Hits",
      "every drum hit",
      "#steps",
      s -> !s.drums().isEmpty(),
      (s, out) ->
          new HitsBench(
              s.desk(),
              s.selection(),
              s.playback(),
              s.maker(),
              new PracticeLog(s.folder().resolve("practice.csv")),
              s.preferences()),
      s -> new HitsLedger(s.desk(), s.selection())),
  NOTES(
      "Notes",
      "bass, riff, chords",
      "#notes",
      s -> !s.lines().isEmpty(),
      (s, out) -> new NotesBench(s.desk(), s.selection(), s.playback(), s.maker()),
      s -> new NotesLedger(s.desk(), s.selection())),
  LAYERS(
      "Layers",
      "who plays where",
      "#layer-chart",
      s -> true,
      (s, out) -> new LayersBench(s.desk(), s.playback(), s.layers()),
      s -> new LayersLedger(s.desk(), s.layers(), s.playback())),
  ECHO(
      "Echo",
      "your template",
      "#steps",
      s -> !s.drums().isEmpty() || !s.lines().isEmpty(),
      (s, out) ->
          scrolled(
              new EchoBench(s.desk(), s.selection(), s.playback(), s.maker(), s.ownAudio(), out)),
      s ->
          new EchoLedger(
              s.desk(), s.selection(), s.maker(), s.matching(), s.lanes(), s.ownAudio())),
  SOUNDS(
      "Sounds",
      "layers and mixer",
      "#layers",
      s -> !s.drums().isEmpty() || !s.lines().isEmpty(),
      (s, out) -> new SoundsBench(s.desk(), s.selection(), s.maker(), s.ownAudio()),
      s -> new MixerLedger(s.desk(), s.maker(), s.matching())),
  PALETTE(
      "Palette",
      "heard against yours",
      "#palette-chart",
      s -> true,
      (s, out) -> new PaletteBench(s.desk(), s.palette(), s.pairs()),
      s -> new PaletteLedger(s.palette())),
  COMPARE(
      "Compare",
      "how near it is",
      "#findings",
      s -> true,
      (s, out) -> new CompareBench(s.desk(), s.nearness(), s.playback()),
      s -> new CompareLedger(s.nearness())),
  HANDOVER(
      "Hand over",
      "sheet, stems, pack",
      "#log-list",
      s -> true,
      (s, out) -> new HandoverBench(s.desk(), s.packing(), s.playback(), s.preferences()),
      s -> new HandoverLedger(s.desk(), s.nearness()));

  private final String title;
  private final String about;
  private final String chart;
  private final Predicate<TemplateSection> plays;
  private final BiFunction<Session, Runnable, Node> bench;
  private final Function<Session, Node> ledger;

  Bench(
      String title,
      String about,
      String chart,
      Predicate<TemplateSection> plays,
      BiFunction<Session, Runnable, Node> bench,
      Function<Session, Node> ledger) {
    this.title = title;
    this.about = about;
    this.chart = chart;
    this.plays = plays;
    this.bench = bench;
    this.ledger = ledger;
  }

  /** In a low window the bench scrolls, so that nothing in it lies on each other. */
  private static ScrollPane scrolled(Region bench) {
    ScrollPane pane = new ScrollPane(bench);
    pane.setFitToWidth(true);
    pane.setFitToHeight(true);
    pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    pane.setFocusTraversable(false);
    pane.setMinHeight(0);
    return pane;
  }

  /** The bench whose keys stand under a heading. */
  static Optional<Bench> named(String heading) {
    return Arrays.stream(values()).filter(b -> heading.startsWith(b.title)).findFirst();
  }

  String title() {
    return title;
  }

  String about() {
    return about;
  }

  /** The chart that takes the bench's keys, as a selector. */
  String chart() {
    return chart;
  }

  /** True when a section has something that this bench shows. */
  boolean shows(TemplateSection section) {
    return plays.test(section);
  }

  /** Makes the bench; {@code export} is what its button does. */
  Node bench(Session session, Runnable export) {
    return bench.apply(session, export);
  }

  Node ledger(Session session) {
    return ledger.apply(session);
  }
}
