package looseecho.desktop;

import java.util.function.Function;
import javafx.scene.Node;
import looseecho.desktop.echo.EchoBench;
import looseecho.desktop.ground.GroundBench;
import looseecho.desktop.hits.HitsBench;
import looseecho.desktop.ledger.EchoLedger;
import looseecho.desktop.ledger.GroundLedger;
import looseecho.desktop.ledger.HitsLedger;
import looseecho.desktop.ledger.NotesLedger;
import looseecho.desktop.notes.NotesBench;
import looseecho.project.PracticeLog;

/** The steps of the job, in order. */
enum Bench {
  GROUND(
      "Ground",
      "tempo, bars, key",
      s -> new GroundBench(s.session()),
      s -> new GroundLedger(s.session())),
  HITS(
      "Hits",
      "every drum hit",
      s ->
          new HitsBench(s.session(), new PracticeLog(s.session().folder().resolve("practice.csv"))),
      s -> new HitsLedger(s.session())),
  NOTES(
      "Notes",
      "bass, riff, chords",
      s -> new NotesBench(s.session()),
      s -> new NotesLedger(s.session())),
  ECHO(
      "Echo",
      "your template",
      s -> new EchoBench(s.session(), s::export),
      s -> new EchoLedger(s.session()));

  private final String title;
  private final String about;
  private final Function<Shell, Node> bench;
  private final Function<Shell, Node> ledger;

  Bench(String title, String about, Function<Shell, Node> bench, Function<Shell, Node> ledger) {
    this.title = title;
    this.about = about;
    this.bench = bench;
    this.ledger = ledger;
  }

  String title() {
    return title;
  }

  String about() {
    return about;
  }

  Node bench(Shell shell) {
    return bench.apply(shell);
  }

  Node ledger(Shell shell) {
    return ledger.apply(shell);
  }
}
