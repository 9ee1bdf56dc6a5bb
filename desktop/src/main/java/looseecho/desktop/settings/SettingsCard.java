package looseecho.desktop.settings;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.stage.DirectoryChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Cards;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.session.Settings;
import looseecho.desktop.theme.Theme;
import looseecho.play.MidiInput;
import looseecho.play.OutputChoice;
import looseecho.play.OutputDevice;
import looseecho.play.Player;
import looseecho.play.StrokeInput;

/** The settings on a card over the bench; every change holds at once. */
public final class SettingsCard {
  /** The key that shows it and takes it away. */
  public static final KeyCode KEY = KeyCode.F4;

  private static final String ID = "settings";
  private static final double WIDTH = 720;
  private static final double HEIGHT = 540;
  private static final String KEYBOARD = "";

  private final Preferences preferences;
  private final Player player;
  private final int rate;
  private final Path own;
  private final Rows rows = new Rows();

  private SettingsCard(Preferences preferences, Player player, int rate, Path own) {
    this.preferences = preferences;
    this.player = player;
    this.rate = rate;
    this.own = own;
  }

  /** Shows it, or takes it away; {@code own} is where the person's things are kept. */
  public static void toggle(
      StackPane over, Preferences preferences, Player player, int rate, Path own) {
    if (!Cards.close(over, ID)) {
      new SettingsCard(preferences, player, rate, own).show(over);
    }
  }

  private void show(StackPane over) {
    sound();
    look();
    schools();
    folders();
    ScrollPane pane = new ScrollPane(rows);
    pane.setFitToWidth(true);
    pane.getStyleClass().add("plain-scroll");
    pane.setPrefSize(WIDTH, HEIGHT);
    Label title = new Label("Settings");
    title.getStyleClass().add(Theme.TITLE);
    Button close = Buttons.of("settings-close", "Close", "Escape", () -> Cards.close(over, ID));
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    Cards.show(over, ID, KEY, new HBox(12, title, gap, close), pane);
    rows.lookup("#set-output").requestFocus();
  }

  private Settings now() {
    return preferences.now();
  }

  private void sound() {
    rows.heading("Sound");
    List<String> cards = new ArrayList<>(List.of(""));
    cards.addAll(OutputDevice.names(rate));
    keep(cards, now().sound().output().name());
    rows.choice(
        "Plays on",
        "set-output",
        "The sound card; it changes while the music goes on",
        cards,
        now().sound().output().name(),
        c -> c.isEmpty() ? "the system's choice" : c,
        c -> sound(s -> s.output(new OutputChoice(c, s.output().bufferMs()))));
    rows.choice(
        "Buffer",
        "set-buffer",
        "Short follows at once; longer where the sound stutters",
        List.of(20, 40, 80, 160, 320),
        now().sound().output().bufferMs(),
        b -> b + " ms",
        b -> sound(s -> s.output(new OutputChoice(s.output().name(), b))));
    List<String> inputs = new ArrayList<>(List.of(KEYBOARD));
    MidiInput.connected().stream().map(StrokeInput::name).forEach(inputs::add);
    keep(inputs, now().sound().tapOn());
    rows.choice(
        "Tap on",
        "set-tap-on",
        "What parts are tapped in on: the keyboard, or drums that are plugged in",
        inputs,
        now().sound().tapOn(),
        i -> i.isEmpty() ? "the keyboard" : i,
        i -> sound(s -> s.tapOn(i)));
    rows.row("Taps come late by", new DelayRow(preferences, player));
    rows.choice(
        "Never louder than",
        "set-cap",
        "No sample goes beyond this, whatever the volume. What reaches your ears depends on your amplifier"
            + " and headphones",
        List.of(-1, -6, -12, -18),
        now().sound().capDb(),
        c -> c + " dB of full scale",
        c -> sound(s -> s.cap(c)));
    rows.choice(
        "Rest your ears after",
        "set-rest",
        "A word after so much listening. Hearing that is lost does not come back; see a doctor when your"
            + " ears ring",
        List.of(20, 30, 45, 60, 90, 0),
        now().sound().restMinutes(),
        m -> m == 0 ? "say nothing" : m + " minutes of sound",
        m -> sound(s -> s.rest(m)));
  }

  private void look() {
    rows.heading("Look");
    rows.choice(
        "Light",
        "set-light",
        "Day or night, or what the system is set to (N turns it over)",
        List.of(Settings.Light.values()),
        now().look().light(),
        Settings.Light::words,
        l -> look(k -> k.light(l)));
    rows.choice(
        "Scale",
        "set-scale",
        "How large everything is, from the next start on. On macOS the system says how large",
        List.of(0, 100, 125, 150, 175, 200),
        now().look().scalePercent(),
        p -> p == 0 ? "as the system" : p + " %, from the next start",
        p -> look(k -> k.scale(p)));
    rows.check(
        "Calm",
        "set-calm",
        "nothing glides: the playhead moves four times a second",
        now().look().calm(),
        on -> look(k -> k.calm(on)));
  }

  private void schools() {
    rows.heading("How you work");
    rows.choice(
        "A new echo is",
        "set-tighten",
        "How far the strokes of a new echo are pulled to their lines; undo brings back what was played",
        List.of(0, 50, 100),
        now().schools().tighten(),
        t ->
            t == 0 ? "as it was played" : t == 100 ? "tight on its lines" : "half way to its lines",
        t -> schools(s -> s.tighten(t)));
    rows.choice(
        "Fills and gaps",
        "set-fills",
        "What the list of things worth checking names first",
        List.of(false, true),
        now().schools().fillsFirst(),
        f -> f ? "first" : "last, when the rest is settled",
        f -> schools(s -> s.fillsFirst(f)));
    rows.choice(
        "Samples come from",
        "set-source",
        "Whether samples that lie in one folder with those you took are named first on the Palette bench",
        List.of(false, true),
        now().schools().oneSource(),
        o -> o ? "one source, processed differently" : "wherever the nearest lies",
        o -> schools(s -> s.oneSource(o)));
    rows.choice(
        "The low end is",
        "set-low-end",
        "Whether what lies below 120 Hz is kept in the middle in a new echo",
        List.of(true, false),
        now().schools().monoBass(),
        m -> m ? "mono below 120 Hz" : "as wide as its sounds",
        m -> schools(s -> s.monoBass(m)));
  }

  private void folders() {
    rows.heading("Folders");
    folder("Tracks are looked for in", "set-tracks", now().folders().tracks(), f -> f::tracks);
    folder("Results go to", "set-results", now().folders().results(), f -> f::results);
    Label kept = new Label(String.valueOf(own));
    kept.getStyleClass().add(Theme.SMALL);
    rows.row("Your own things are kept in", kept);
  }

  private void folder(
      String name,
      String id,
      Optional<Path> is,
      java.util.function.Function<
              Settings.Folders, java.util.function.Function<Path, Settings.Folders>>
          set) {
    Label where = new Label(is.map(Path::toString).orElse("where you were last"));
    where.getStyleClass().add(Theme.SMALL);
    Button choose =
        Buttons.of(
            id,
            "Choose…",
            "Where the dialog begins",
            () -> {
              DirectoryChooser chooser = new DirectoryChooser();
              chooser.setTitle(name);
              is.map(Path::toFile)
                  .filter(File::isDirectory)
                  .ifPresent(chooser::setInitialDirectory);
              File folder = chooser.showDialog(rows.getScene().getWindow());
              if (folder != null) {
                preferences.change(s -> s.with(set.apply(s.folders()).apply(folder.toPath())));
                where.setText(folder.toString());
              }
            });
    rows.row(name, new HBox(10, choose, where));
  }

  private void sound(UnaryOperator<Settings.Sound> change) {
    preferences.change(s -> s.with(change.apply(s.sound())));
  }

  private void look(UnaryOperator<Settings.Look> change) {
    preferences.change(s -> s.with(change.apply(s.look())));
  }

  private void schools(UnaryOperator<Settings.Schools> change) {
    preferences.change(s -> s.with(change.apply(s.schools())));
  }

  /** What is set stays to choose, though it is not plugged in. */
  private static void keep(List<String> names, String set) {
    if (!names.contains(set)) {
      names.add(set);
    }
  }
}
