package looseecho.desktop;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;

/** The strip at the top: which track, what is at work, and what can be done on every bench. */
final class Header extends HBox {
  private static final double ROOMY = 1200; // pixels, in which all stands beside a track's name
  private static final double MARKED = 64; // of Save with the dot: the others keep their places
  private final Button light;

  Header(Session session, Shell shell, FileDialogs files) {
    super(10);
    Label mark = new Label("Loose Echo");
    mark.getStyleClass().add("wordmark");
    mark.setMinWidth(USE_PREF_SIZE);
    Label name = new Label();
    name.setId("reference-name");
    name.getStyleClass().add(Theme.QUIET);
    session
        .desk()
        .referenceProperty()
        .addListener((o, a, b) -> name.setText(b == null ? "" : b.name()));
    WorkStrip work = new WorkStrip(session.lanes());
    setHgrow(work, Priority.ALWAYS);
    light = Buttons.of("night", "Night", "Day or night (N)", () -> shell.appearance().turn());
    Button save = Buttons.of("save", "Save", "Save the project (Ctrl+S)", files::save);
    save.setMinWidth(MARKED);
    session
        .papers()
        .keeper()
        .unsavedProperty()
        .addListener((o, a, b) -> save.setText(b ? "Save •" : "Save"));
    Button demo = Buttons.of("demo", "Demo", "Open the demo", files::openDemo);
    demo.visibleProperty()
        .bind(session.desk().referenceProperty().isNull().or(widthProperty().greaterThan(ROOMY)));
    demo.managedProperty().bind(demo.visibleProperty());
    getChildren()
        .addAll(
            mark,
            name,
            work,
            Buttons.of(
                "open",
                "Open…",
                "Open a reference or a project (Ctrl+O), or drop one or several anywhere",
                files::choose),
            save,
            demo,
            light,
            Buttons.of("find-deed", "Find", "What do you want to do? (F3)", shell::find),
            Buttons.of("set", "Settings", "Sound, look, how you work (F4)", shell::settings),
            Buttons.of("sums", "Sums", "Note values, intervals, ratios (F2)", shell::sums),
            Buttons.of("help", "Keys", "All keys (F1)", shell::help));
    setAlignment(Pos.CENTER_LEFT);
    getStyleClass().add("header");
  }

  /** The button offers the other light. */
  void told(boolean dark) {
    light.setText(dark ? "Day" : "Night");
  }
}
