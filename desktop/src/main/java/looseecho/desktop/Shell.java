package looseecho.desktop;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.Map;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.event.Event;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.ledger.EchoLedger;
import looseecho.desktop.river.RiverView;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.desktop.transport.TransportBar;
import looseecho.echo.Template;

/**
 * The window's layout: river above, steps of the job left, bench in the middle, ledger right,
 * transport below.
 */
public final class Shell extends BorderPane {
  private static final double LEDGER_WIDTH = 252;
  private static final String DEMO = "(demo)"; // its name ends so
  private final Session session;
  private final StackPane centre = new StackPane();
  private final ScrollPane ledger = new ScrollPane();
  private final TransportBar transport;
  private final StepList steps = new StepList(this::go);
  private final FileDialogs files;
  private final Hints hints;
  // Each view is made once: it listens to the session for as long as the window lives.
  private final Map<Bench, Node> benches = new EnumMap<>(Bench.class);
  private final Map<Bench, Node> ledgers = new EnumMap<>(Bench.class);
  private final Shortcuts shortcuts;
  private boolean night;

  public Shell(Session session) {
    this.session = session;
    hints = new Hints(session.folder());
    files = new FileDialogs(session.desk(), session.papers(), this);
    transport = new TransportBar(session.desk(), session.playback());
    shortcuts = new Shortcuts(session, this, files, transport);
    setTop(
        new VBox(
            header(),
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
            Map.of(
                "mid", this::offer, "midi", this::offer, "sfz", back::sounds, "jams", back::jams))
        .on(this);
    addEventFilter(KeyEvent.KEY_PRESSED, shortcuts::pressed);
    addEventFilter(KeyEvent.KEY_RELEASED, shortcuts::released);
    addEventHandler(KeyEvent.KEY_PRESSED, this::toChart);
    show();
  }

  Session session() {
    return session;
  }

  /** False when the person wants to stay because work is unsaved. */
  boolean mayClose() {
    return files.mayLose();
  }

  private HBox header() {
    Label mark = new Label("Loose Echo");
    mark.getStyleClass().add("wordmark");
    Label name = new Label();
    name.setId("reference-name");
    name.getStyleClass().add(Theme.QUIET);
    session
        .desk()
        .referenceProperty()
        .addListener((o, a, b) -> name.setText(b == null ? "" : b.name()));
    WorkStrip work = new WorkStrip(session.lanes());
    HBox.setHgrow(work, Priority.ALWAYS);
    Button light = Buttons.of("night", "Night", "Day or night (N)", this::switchLight);
    Button save = Buttons.of("save", "Save", "Save the project (Ctrl+S)", files::save);
    session
        .papers()
        .keeper()
        .unsavedProperty()
        .addListener((o, a, b) -> save.setText(b ? "Save •" : "Save"));
    HBox header =
        new HBox(
            16,
            mark,
            name,
            work,
            Buttons.of(
                "open",
                "Open…",
                "Open a reference or a project (Ctrl+O), or drop one anywhere",
                files::choose),
            save,
            Buttons.of("demo", "Demo", "Open the demo", files::openDemo),
            light,
            Buttons.of("sums", "Sums", "Note values, intervals, ratios (F2)", this::sums),
            Buttons.of("help", "Keys", "All keys (F1)", this::help));
    header.setAlignment(Pos.CENTER_LEFT);
    header.getStyleClass().add("header");
    return header;
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
    boolean inside = e.getTarget() instanceof Node n && within(n, centre);
    if (chart != null && !inside && !(e.getTarget() instanceof TextInputControl)) {
      shortcuts.released(e); // the same press comes by once more
      Event.fireEvent(chart, e.copyFor(chart, chart));
      e.consume();
    }
  }

  private static boolean within(Node n, Node area) {
    Node at = n;
    while (at != null && at != area) {
      at = at.getParent();
    }
    return at != null;
  }

  private void show() {
    Bench bench = steps.selected();
    boolean empty = session.desk().referenceProperty().get() == null;
    Node content =
        empty ? welcome() : benches.computeIfAbsent(bench, b -> b.bench(session, this::export));
    centre.getChildren().setAll(hinted(bench, content));
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
      focus(chart);
    }
  }

  /** With what is worth knowing of a bench, on the demo only: someone is looking around. */
  private Node hinted(Bench bench, Node content) {
    var track = session.desk().referenceProperty().get();
    if (track == null || !track.name().endsWith(DEMO)) {
      return content;
    }
    VBox.setVgrow(content, Priority.ALWAYS);
    return hints.of(bench, this::show).<Node>map(h -> new VBox(h, content)).orElse(content);
  }

  Hints hints() {
    return hints;
  }

  /** The keys of a bench work at once, though it may be laid out a moment later. */
  private static void focus(Node chart) {
    if (chart.getScene() != null) {
      Platform.runLater(chart::requestFocus);
      return;
    }
    chart
        .sceneProperty()
        .addListener(
            new ChangeListener<Scene>() {
              @Override
              public void changed(ObservableValue<? extends Scene> o, Scene was, Scene now) {
                if (now != null) {
                  chart.sceneProperty().removeListener(this);
                  Platform.runLater(chart::requestFocus);
                }
              }
            });
  }

  private VBox welcome() {
    Label title = new Label("Drop a track here");
    title.getStyleClass().add(Theme.TITLE);
    Label text =
        new Label(
            "WAV, AIFF, FLAC, MP3, M4A, Ogg Vorbis or Opus. You get its tempo, bars, key, every drum hit and the bass, and a template of its groove to write on.");
    text.setWrapText(true);
    text.setMaxWidth(460);
    text.getStyleClass().add(Theme.QUIET);
    Button open = Buttons.of("welcome-open", "Open a track…", "Ctrl+O", files::choose);
    open.getStyleClass().add(Theme.PRIMARY);
    HBox buttons =
        new HBox(
            12,
            open,
            Buttons.of(
                "welcome-demo",
                "Try the demo",
                "A made-up radio tune",
                session.papers()::openDemo));
    buttons.setAlignment(Pos.CENTER);
    VBox box = new VBox(title, text, buttons);
    box.getChildren().addAll(files.leftBehind());
    box.getStyleClass().add("welcome");
    return box;
  }

  void export() {
    files.export();
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

  void switchLight() {
    night = !night;
    Theme.night(getScene(), night);
    ((Button) lookup("#night")).setText(night ? "Day" : "Night");
  }

  Bench bench() {
    return steps.selected();
  }

  boolean night() {
    return night;
  }

  void help() {
    session.desk().messageProperty().set("");
    KeysCard.show(centre);
  }

  void sums() {
    var t = session.desk().templateProperty().get();
    ArithmeticCard.show(centre, t == null ? 120 : t.bpm());
  }
}
