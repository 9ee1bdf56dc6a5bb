package looseecho.desktop;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Cards;
import looseecho.desktop.ledger.EchoLedger;
import looseecho.desktop.river.RiverView;
import looseecho.desktop.session.Session;
import looseecho.desktop.settings.SettingsCard;
import looseecho.desktop.transport.TransportBar;
import looseecho.echo.Template;
import looseecho.mix.EchoRenderer;

/**
 * The window's layout: river above, steps of the job left, bench in the middle, ledger right,
 * transport below.
 */
public final class Shell extends BorderPane {
  private static final double LEDGER_WIDTH = 252;
  private static final String DEMO = "(demo)"; // its name ends so
  private final Session session;
  private final StackPane centre = new StackPane();
  private final ChartFocus focus = new ChartFocus(centre);
  private final ScrollPane ledger = new ScrollPane();
  private final TransportBar transport;
  private final StepList steps = new StepList(this::go);
  private final FileDialogs files;
  private final Hints hints;
  private final Header header;
  // Each view is made once: it listens to the session for as long as the window lives.
  private final Map<Bench, Node> benches = new EnumMap<>(Bench.class);
  private final Map<Bench, Node> ledgers = new EnumMap<>(Bench.class);
  private final Shortcuts shortcuts;
  private final Checks checks;
  private final Finder finder = new Finder(this);
  private final Appearance appearance;

  public Shell(Session session) {
    this.session = session;
    hints = new Hints(session.folder());
    files = new FileDialogs(session.desk(), session.papers(), this, session.preferences());
    transport = new TransportBar(session.desk(), session.playback(), session.preferences());
    checks = new Checks(session, this);
    shortcuts = new Shortcuts(session, this, files, transport);
    appearance = new Appearance(session.preferences(), this);
    header = new Header(session, this, files);
    setTop(
        new VBox(
            header,
            new RiverView(
                session.desk(), session.selection(), session.playback(), session.maker())));
    setLeft(steps);
    setCenter(centre);
    setBottom(transport);
    ledger.getStyleClass().add("ledger");
    ledger.setFitToWidth(true);
    ledger.setPrefWidth(LEDGER_WIDTH);
    ledger.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    setRight(ledger);
    session.desk().referenceProperty().addListener((o, a, b) -> show());
    session
        .papers()
        .lostProperty()
        .addListener((o, a, b) -> LostCard.show(centre, session.papers()));
    ReadBack back = new ReadBack(session, files::open);
    new Drops(
            back::packOrTrack,
            this::several,
            Map.of(
                "mid", this::offer, "midi", this::offer, "sfz", back::sounds, "jams", back::jams))
        .on(this);
    sceneProperty().addListener((o, none, window) -> keys(window)); // once: it keeps its scene
    show();
  }

  /** Keys are taken at the scene: where nothing has the focus, they come no further. */
  private void keys(Scene window) {
    window.addEventFilter(KeyEvent.KEY_PRESSED, shortcuts::pressed);
    window.addEventFilter(KeyEvent.KEY_RELEASED, shortcuts::released);
    window.addEventHandler(KeyEvent.KEY_PRESSED, this::toChart);
  }

  Session session() {
    return session;
  }

  /** False when the person wants to stay because work is unsaved. */
  boolean mayClose() {
    return files.mayLose();
  }

  /** Goes to a step of the job, and to a section in which it has something to show. */
  void go(Bench bench) {
    steps.select(bench);
    Template t = session.desk().templateProperty().get();
    int at = session.selection().sectionProperty().get();
    if (t != null && at >= 0 && !bench.shows(t.sections().get(at))) {
      IntStream.range(0, t.sections().size())
          .filter(i -> bench.shows(t.sections().get(i)))
          .findFirst()
          .ifPresent(session.selection().sectionProperty()::set);
    }
    show();
  }

  /** A key that nothing near the focus wants goes to the chart of the bench. */
  private void toChart(KeyEvent e) {
    Node chart = centre.lookup(steps.selected().chart());
    boolean inside = focus.isInside(e.getTarget());
    if (chart != null && !inside && !(e.getTarget() instanceof TextInputControl)) {
      shortcuts.released(e); // the same press comes by once more
      Event.fireEvent(chart, e.copyFor(chart, chart));
      e.consume();
    }
  }

  private void show() {
    Bench bench = steps.selected();
    boolean empty = session.desk().referenceProperty().get() == null;
    Node content =
        empty
            ? new Welcome(files, session.papers())
            : benches.computeIfAbsent(bench, b -> b.bench(session, this::export));
    focus.hold();
    centre.getChildren().setAll(topped(bench, content));
    LostCard.show(centre, session.papers());
    StackPane readings =
        empty
            ? new StackPane()
            : new StackPane(ledgers.computeIfAbsent(bench, b -> b.ledger(session)));
    readings.getStyleClass().add("ledger-body");
    ledger.setContent(readings);
    Node inside = content instanceof ScrollPane pane ? pane.getContent() : content;
    Node chart = inside.lookup(bench.chart());
    if (chart != null) {
      focus.give(chart);
    }
  }

  /** With what is worth checking on a bench, and hints on the demo: someone is looking around. */
  private Node topped(Bench bench, Node content) {
    var track = session.desk().referenceProperty().get();
    if (track == null) {
      return content;
    }
    VBox.setVgrow(content, Priority.ALWAYS);
    VBox all = new VBox();
    if (track.name().endsWith(DEMO)) {
      hints.of(bench, this::show).ifPresent(all.getChildren()::add);
    }
    checks.strip(bench).ifPresent(all.getChildren()::add);
    all.getChildren().add(content);
    return all;
  }

  /** What leads through all that is worth checking. */
  Checks checks() {
    return checks;
  }

  Hints hints() {
    return hints;
  }

  void export() {
    files.export();
  }

  private void several(List<Path> files) {
    session.batch().hear(files);
    tracks();
  }

  /** The list of tracks that are heard one after the other. */
  void tracks() {
    BatchCard.show(centre, session.batch(), files::open);
  }

  /** Offers the parts of a MIDI file to the section at work. */
  private void offer(Path midi) {
    if (session.desk().templateProperty().get() == null) {
      session.desk().say("Open a track first: the parts of a MIDI file go into its echo.");
      return;
    }
    go(Bench.ECHO);
    if (ledgers.get(Bench.ECHO) instanceof EchoLedger echo) {
      echo.offer(midi);
    }
  }

  /** Day or night, and how it moves. */
  Appearance appearance() {
    return appearance;
  }

  /** The button offers the other light. */
  void told(boolean dark) {
    header.told(dark);
  }

  Bench bench() {
    return steps.selected();
  }

  /** Takes the card on top away; false when none lies over the bench. */
  boolean closeCard() {
    boolean closed = Cards.closeTop(centre);
    if (closed) {
      focusChart();
    }
    return closed;
  }

  private void focusChart() {
    Node chart = centre.lookup(steps.selected().chart());
    if (chart != null) {
      chart.requestFocus();
    }
  }

  void help() {
    session.desk().messageProperty().set("");
    KeysCard.show(centre);
  }

  void settings() {
    SettingsCard.toggle(
        centre,
        session.preferences(),
        session.playback().player(),
        EchoRenderer.RATE,
        session.folder());
  }

  /** What can be done, by words. */
  void find() {
    finder.toggle(centre);
  }

  /** A bench and its ledger, made when they are first wanted. */
  List<Node> parts(Bench bench) {
    return List.of(
        benches.computeIfAbsent(bench, b -> b.bench(session, this::export)),
        ledgers.computeIfAbsent(bench, b -> b.ledger(session)));
  }

  void sums() {
    var t = session.desk().templateProperty().get();
    ArithmeticCard.show(centre, t == null ? 120 : t.bpm());
  }
}
