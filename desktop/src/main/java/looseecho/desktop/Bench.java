package looseecho.desktop;

import java.util.function.Function;
import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import looseecho.desktop.echo.EchoBench;
import looseecho.desktop.ground.GroundBench;
import looseecho.desktop.hits.HitsBench;
import looseecho.desktop.ledger.EchoLedger;
import looseecho.desktop.ledger.GroundLedger;
import looseecho.desktop.ledger.HitsLedger;
import looseecho.desktop.ledger.NotesLedger;
import looseecho.desktop.notes.NotesBench;
import looseecho.echo.TemplateSection;
import looseecho.project.PracticeLog;

/** The steps of the job, in order. */
enum Bench {
  GROUND(
      "Ground",
      "tempo, bars, key",
      "#wave",
      s -> true,
      s -> new GroundBench(s.session()),
      s -> new GroundLedger(s.session())),
  HITS(
      "Hits",
      "every drum hit",
      "#steps",
      s -> !s.drums().isEmpty(),
      s ->
          new HitsBench(s.session(), new PracticeLog(s.session().folder().resolve("practice.csv"))),
      s -> new HitsLedger(s.session())),
  NOTES(
      "Notes",
      "bass, riff, chords",
      "#notes",
      s -> !s.lines().isEmpty(),
      s -> new NotesBench(s.session()),
      s -> new NotesLedger(s.session())),
  ECHO(
      "Echo",
      "your template",
      "#steps",
      s -> !s.drums().isEmpty() || !s.lines().isEmpty(),
      s -> scrolled(new EchoBench(s.session(), s::export)),
      s -> new EchoLedger(s.session()));

  private final String title;
  private final String about;
  private final String chart;
  private final Predicate<TemplateSection> plays;
  private final Function<Shell, Node> bench;
  private final Function<Shell, Node> ledger;

  Bench(
      String title,
      String about,
      String chart,
      Predicate<TemplateSection> plays,
      Function<Shell, Node> bench,
      Function<Shell, Node> ledger) {
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

  Node bench(Shell shell) {
    return bench.apply(shell);
  }

  Node ledger(Shell shell) {
    return ledger.apply(shell);
  }
}
