package looseecho.desktop.transport;

import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.Dials;
import looseecho.desktop.control.EachFrame;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.theme.Theme;
import looseecho.hits.Place;
import looseecho.hits.Places;
import looseecho.play.Listening;
import looseecho.play.Rests;

/** The strip at the bottom. */
public final class TransportBar extends HBox {
  private static final double SHORTEST = 56; // of a slider
  private static final double HEIGHT = 51; // however long a message is: the benches never jump
  private static final double MESSAGE = 31; // two lines
  private final Desk desk;
  private final Playback playback;
  private final Preferences preferences;
  private final Rests rests = new Rests();
  private Places places; // of the track, null before its beat is known
  private final Button play = new Button("Play");
  private final Label place = new Label();
  private final Label listened = new Label();
  private final Slider balance = new Slider(0, 1, 0.5);

  public TransportBar(Desk desk, Playback playback, Preferences preferences) {
    super(12);
    this.desk = desk;
    this.playback = playback;
    this.preferences = preferences;
    getStyleClass().add("transport");
    setAlignment(Pos.CENTER_LEFT);
    setMinHeight(HEIGHT);
    setMaxHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    play.setId("play");
    play.setMinWidth(72);
    Tips.on(play, "Space");
    play.setOnAction(e -> toggle());
    desk.analysisProperty().addListener((o, a, b) -> heard(b));
    heard(desk.analysisProperty().get());
    play.disableProperty().bind(desk.referenceProperty().isNull());
    place.getStyleClass().add(Theme.NUMBER);
    balance.setId("balance");
    balance.setPrefWidth(140);
    Tips.on(
        balance,
        "How much of the echo: the same place, equally loud. F flips between heard and echo");
    balance.valueProperty().addListener((o, a, b) -> playback.player().balance(b.doubleValue()));
    Slider volume = new Slider(0, 1, playback.player().volume());
    volume.setId("volume");
    volume.setPrefWidth(90);
    volume.valueProperty().addListener((o, a, b) -> playback.player().volume(b.doubleValue()));
    Tips.on(
        volume, "Starts quiet on purpose. Long loud loops on headphones harm hearing: take breaks");
    ToggleButton click = new ToggleButton("Click");
    click.setId("click");
    click.setMinWidth(Region.USE_PREF_SIZE);
    Tips.on(click, "A click on the beats, higher on the first of a bar (K)");
    click.selectedProperty().bindBidirectional(playback.clickProperty());
    Label message = new Label();
    message.setId("message");
    message.textProperty().bind(desk.messageProperty());
    message.getStyleClass().add(Theme.SMALL);
    message.managedProperty().bind(message.textProperty().isNotEmpty());
    message.setMaxWidth(Double.MAX_VALUE);
    message.setWrapText(true);
    message.setMaxHeight(MESSAGE);
    Tooltip whole = new Tooltip();
    whole.textProperty().bind(message.textProperty());
    whole.setWrapText(true);
    whole.setMaxWidth(480);
    message.setTooltip(whole);
    place.setMinWidth(Region.USE_PREF_SIZE);
    VBox words = new VBox(place, message);
    words.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setPrefWidth(0); // a long message pushes nothing aside
    words.setMinWidth(206); // bar, step and time always stand in full
    getChildren()
        .addAll(
            play,
            words,
            click,
            slow(),
            gap(),
            quiet("heard"),
            told(balance, b -> "echo " + Math.round(100 * b) + " %", v -> v / 100),
            gap(),
            quiet("volume"),
            told(volume, TransportBar::volume, v -> Math.pow(10, v / 20)),
            listened());
    EachFrame.of(this, this::update);
  }

  /** A slider with its value beside it. */
  private static HBox told(
      Slider slider, DoubleFunction<String> words, DoubleUnaryOperator toSlider) {
    Label number = new Label(words.apply(slider.getMax()));
    number.getStyleClass().add(Theme.SMALL);
    number.setMinWidth(Region.USE_PREF_SIZE);
    number
        .textProperty()
        .bind(
            Bindings.createStringBinding(
                () -> words.apply(slider.getValue()), slider.valueProperty()));
    slider.setMinWidth(SHORTEST);
    Dials.join(slider, number, toSlider);
    HBox box = new HBox(6, slider, number);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private static String volume(double gain) {
    return gain <= 0.001 ? "off" : Math.round(20 * Math.log10(gain)) + " dB";
  }

  /** Level and time of listening. */
  private Label listened() {
    listened.setId("listened");
    listened.getStyleClass().add(Theme.SMALL);
    listened.setMinWidth(76);
    Tips.on(
        listened,
        "How loud it is now, against full scale, and how long you have listened. What reaches your ears depends on your"
            + " headphones: keep it low, take breaks, and see a doctor when your ears ring.");
    return listened;
  }

  /** The speed with its number; the pitch stays. */
  private HBox slow() {
    Slider speed = new Slider(0.5, 1, 1);
    speed.setId("speed");
    speed.setPrefWidth(84);
    speed.setMajorTickUnit(0.05);
    speed.setMinorTickCount(0);
    speed.setSnapToTicks(true);
    Tips.on(speed, "Slower with the pitch unchanged. G goes round 100, 75, 50 %");
    Label number = new Label();
    number.getStyleClass().add(Theme.NUMBER);
    number.setMinWidth(Region.USE_PREF_SIZE);
    number
        .textProperty()
        .bind(
            Bindings.createStringBinding(
                () ->
                    playback.slowing().runningProperty().get()
                        ? "…"
                        : Math.round(100 * playback.speedProperty().get()) + " %",
                playback.speedProperty(),
                playback.slowing().runningProperty()));
    Dials.join(speed, number, v -> v / 100);
    // Only where the slider comes to rest are copies made.
    speed
        .valueProperty()
        .addListener(
            (o, a, b) -> {
              if (!speed.isValueChanging()) {
                speed(b.doubleValue());
              }
            });
    speed
        .valueChangingProperty()
        .addListener(
            (o, a, b) -> {
              if (!b) {
                speed(speed.getValue());
              }
            });
    playback.speedProperty().addListener((o, a, b) -> speed.setValue(b.doubleValue()));
    HBox box = new HBox(6, quiet("speed"), speed, number);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private void speed(double to) {
    if (to < 1 && !playback.canSlow()) {
      desk.messageProperty().set("Tracks of over a quarter of an hour play at full speed only.");
      playback.speedProperty().set(1);
    } else {
      playback.speedProperty().set(Math.round(20 * to) / 20.0);
    }
  }

  /** The next slower speed, and back to full. */
  public void slower() {
    double s = playback.speedProperty().get();
    speed(s > 0.76 ? 0.75 : s > 0.51 ? 0.5 : 1);
  }

  private static Region gap() {
    Region r = new Region();
    r.setMinWidth(4);
    return r;
  }

  private static Label quiet(String text) {
    Label l = new Label(text);
    l.getStyleClass().add(Theme.QUIET);
    l.setMinWidth(Region.USE_PREF_SIZE);
    return l;
  }

  /** Plays or pauses. */
  public void toggle() {
    if (playback.player().playing()) {
      playback.player().pause();
    } else if (desk.referenceProperty().get() != null) {
      playback.player().play();
    }
  }

  /** From heard alone to echo alone and back. */
  public void flip() {
    balance.setValue(balance.getValue() < 0.5 ? 1 : 0);
  }

  private void heard(Analysis a) {
    places = a == null ? null : a.pulse().map(Places::new).orElse(null);
  }

  private void update() {
    Listening ears = playback.player().listening();
    String level = ears.levelDb() <= -80 ? "silent" : Math.round(ears.levelDb()) + " dB";
    long minutes = (long) (ears.seconds() / 60);
    String heard = level + "\n" + minutes + " min " + (long) ears.seconds() % 60 + " s";
    if (!heard.equals(listened.getText())) {
      listened.setText(heard);
    }
    rests
        .due(ears.seconds(), preferences.now().sound().restMinutes())
        .ifPresent(desk.messageProperty()::set);
    String failure = playback.player().failure();
    if (!failure.isEmpty() && !failure.equals(desk.messageProperty().get())) {
      desk.messageProperty().set(failure);
    }
    play.setText(playback.player().playing() ? "Pause" : "Play");
    double t = playback.player().position();
    String seconds = String.format(Locale.ROOT, "%d:%04.1f", (int) (t / 60), t % 60);
    if (places != null) {
      Place p = places.at(t);
      place.setText(String.format(Locale.ROOT, "bar %d, step %d  %s", p.bar(), p.step(), seconds));
    } else {
      place.setText(desk.referenceProperty().get() == null ? "" : seconds);
    }
  }
}
