package looseecho.desktop.hits;

import java.io.IOException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.Duration;
import looseecho.activity.Lane;
import looseecho.desktop.control.Dials;
import looseecho.desktop.control.GridWords;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.TapIn;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.play.MidiInput;
import looseecho.play.Player;
import looseecho.play.SimulatedInput;
import looseecho.play.StrokeInput;
import looseecho.project.PracticeLog;
import looseecho.pulse.Grid;

/**
 * Taps a part in over the loop, after a bar of count-in: by key, by a MIDI instrument or by a
 * simulated player. Says how early or late each stroke came, and keeps a record of the takes.
 */
final class TapPanel extends HBox {
  private static final String KEYBOARD = "keyboard: B";
  private static final int PLAIN = 90;
  private static final int HARD = 120;
  private static final int SOFT = 50;
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final EchoMaker maker;
  private final Supplier<Lane> lane;
  private final PracticeLog log;
  private final Preferences preferences;
  private final ToggleButton tap = new ToggleButton("Tap in");
  private final ComboBox<String> input = new ComboBox<>();
  private final Slider strength = new Slider(0, 100, 0);
  private final ComboBox<Grid> lines = new ComboBox<>();
  private final CheckBox over = new CheckBox("over");
  private final Label result = new Label();
  private final Map<Lane, List<TapIn.Tap>> taps = new EnumMap<>(Lane.class);
  private StrokeInput open;
  private boolean listening;

  TapPanel(
      Desk desk,
      Selection selection,
      Playback playback,
      EchoMaker maker,
      Supplier<Lane> lane,
      PracticeLog log,
      Preferences preferences) {
    super(8);
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    this.maker = maker;
    this.lane = lane;
    this.log = log;
    this.preferences = preferences;
    setAlignment(Pos.CENTER_LEFT);
    tap.setId("tap-in");
    tap.setMinWidth(Region.USE_PREF_SIZE);
    Tips.on(
        tap,
        "Counts in a bar, then B taps the drum under the cursor, 1 to 9 the rows from the top: Shift hard, Alt soft");
    tap.setOnAction(e -> switched());
    tap.disableProperty().bind(desk.templateProperty().isNull());
    input.setId("tap-input");
    Tips.on(input, "What you tap on: the keyboard, or drums that are plugged in");
    input.setPrefWidth(150);
    input.getItems().setAll(KEYBOARD, SimulatedInput.NAME);
    String set = preferences.now().sound().tapOn();
    if (!set.isEmpty() && !input.getItems().contains(set)) {
      input.getItems().add(set);
    }
    input.setValue(set.isEmpty() ? KEYBOARD : set);
    input.setOnAction(e -> tapOn());
    input.setOnShowing(e -> MidiInput.connected().forEach(this::offer));
    strength.setId("tap-strength");
    strength.setPrefWidth(80);
    Tips.on(strength, "How far taps are pulled to their steps");
    Label percent = new Label();
    percent.getStyleClass().add(Theme.NUMBER);
    percent.setMinWidth(46);
    percent
        .textProperty()
        .bind(strength.valueProperty().map(v -> Math.round(v.doubleValue()) + " %"));
    Dials.join(strength, percent);
    result.setId("tap-result");
    result.getStyleClass().add(Theme.QUIET);
    result.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(result, Priority.ALWAYS);
    lines.setId("tap-lines");
    lines.getItems().setAll(Grid.values());
    lines.setConverter(new GridWords());
    lines.setValue(Grid.SIXTEENTH);
    lines.setPrefWidth(118);
    Tips.on(lines, "The lines that taps go to");
    over.setId("tap-over");
    Tips.on(over, "Over what the drum plays, else in its place");
    over.setMinWidth(Region.USE_PREF_SIZE);
    getChildren().addAll(tap, input, lines, over, quiet("pull"), strength, percent, result);
    showRecord();
  }

  private void offer(StrokeInput i) {
    if (!input.getItems().contains(i.name())) {
      input.getItems().add(i.name());
    }
  }

  /** What is chosen here is chosen at the next start, too. */
  private void tapOn() {
    String name = input.getValue().equals(KEYBOARD) ? "" : input.getValue();
    preferences.change(s -> s.with(s.sound().tapOn(name)));
  }

  private static Label quiet(String text) {
    Label l = new Label(text);
    l.getStyleClass().add(Theme.QUIET);
    l.setMinWidth(Region.USE_PREF_SIZE);
    return l;
  }

  private void switched() {
    if (tap.isSelected()) {
      start();
    } else {
      finish();
    }
  }

  private void start() {
    Template t = desk.templateProperty().get();
    int section = selection.sectionProperty().get();
    double from = t.time(section, 0, 0);
    double beat = t.time(section, t.meter().ticksPerBeat(), 0) - from;
    taps.clear();
    playback.player().pause();
    playback.player().loop(from, t.time(section, t.ticks(section), 0));
    playback.player().seek(from);
    playback.player().countIn(t.beatsPerBar(), beat);
    result.setText("Count-in for the " + lane.get().words() + " …");
    PauseTransition bar = new PauseTransition(Duration.seconds(beat * t.beatsPerBar()));
    bar.setOnFinished(e -> begin(from, beat));
    bar.play();
  }

  private void begin(double from, double beat) {
    if (!tap.isSelected()) {
      return;
    }
    listening = true;
    playback.clickProperty().set(true);
    playback.player().play();
    Player player = playback.player();
    open = StrokeInput.named(input.getValue(), () -> player.position() - from, beat).orElse(null);
    if (open != null) {
      try {
        open.listen(
            (drum, v) -> {
              double at = player.position(); // before the window gets to it
              Platform.runLater(() -> stroke(drum == 0 ? lane.get() : Lane.of(drum), v, at));
            });
      } catch (IllegalStateException e) {
        desk.messageProperty().set(e.getMessage());
      }
    }
  }

  /** A stroke of a drum on the keyboard; true when it was wanted. */
  boolean key(Lane drum, boolean hard, boolean soft) {
    if (listening) {
      stroke(drum, hard ? HARD : soft ? SOFT : PLAIN, playback.player().position());
    }
    return listening;
  }

  private void stroke(Lane drum, int velocity, double at) {
    if (!listening) {
      return;
    }
    TapIn.Tap last = new TapIn.Tap(meant(at), velocity);
    taps.computeIfAbsent(drum, d -> new ArrayList<>()).add(last);
    maker.audition(Part.of(drum), velocity);
    TapIn one =
        TapIn.of(
            desk.templateProperty().get(),
            selection.sectionProperty().get(),
            List.of(last),
            lines.getValue(),
            0);
    result.setText(one.errorsMs().isEmpty() ? "" : Words.offset(one.errorsMs().get(0)));
  }

  /** Where the hand meant a stroke: less what taps come late by. */
  private double meant(double at) {
    return at - preferences.now().sound().delayMs() / 1000.0 * playback.player().speed();
  }

  private void finish() {
    boolean tapped = listening && !taps.isEmpty();
    listening = false;
    playback.player().pause();
    playback.clickProperty().set(false);
    if (open != null) {
      open.close();
      open = null;
    }
    if (!tapped) {
      showRecord();
      return;
    }
    Template t = desk.templateProperty().get();
    int section = selection.sectionProperty().get();
    Edits.Edited all = new Edits.Edited(t, "");
    try {
      for (Map.Entry<Lane, List<TapIn.Tap>> own : taps.entrySet()) {
        TapIn in =
            TapIn.of(t, section, own.getValue(), lines.getValue(), strength.getValue() / 100);
        Edits.Edited one =
            in.into(all.template(), section, Part.of(own.getKey()), over.isSelected());
        String words = all.words().isEmpty() ? one.words() : all.words() + "; " + one.words();
        all = new Edits.Edited(one.template(), words);
        log.add(
            new PracticeLog.Take(
                LocalDateTime.now(java.time.ZoneId.systemDefault()),
                own.getKey().words(),
                in.errorsMs().size(),
                in.meanMs(),
                in.spreadMs()));
      }
      desk.edit(all);
    } catch (IOException e) {
      desk.edit(all);
      desk.messageProperty().set("The practice record can't be kept: " + e.getMessage());
    }
    showRecord();
  }

  private void showRecord() {
    try {
      List<PracticeLog.Take> takes = log.takes();
      if (takes.isEmpty()) {
        result.setText("");
        return;
      }
      PracticeLog.Take last = takes.get(takes.size() - 1);
      double best = takes.stream().mapToDouble(PracticeLog.Take::spreadMs).min().orElse(0);
      String words =
          String.format(
              Locale.ROOT,
              "last take: %d taps, %s, ±%.0f ms",
              last.taps(),
              Words.offset(last.meanMs()),
              last.spreadMs());
      boolean first = takes.size() == 1;
      String record = first ? "" : String.format(Locale.ROOT, "; best ±%.0f ms", best);
      result.setText(words + record);
    } catch (IOException e) {
      result.setText("");
    }
  }
}
