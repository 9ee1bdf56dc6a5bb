package looseecho.desktop.transport;

import java.util.Locale;
import javafx.animation.AnimationTimer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import looseecho.analysis.Analysis;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.hits.Place;

/** The strip at the bottom. */
public final class TransportBar extends HBox {
  private final Session session;
  private final Button play = new Button("Play");
  private final Label place = new Label();
  private final Slider balance = new Slider(0, 1, 0.5);

  public TransportBar(Session session) {
    super(12);
    this.session = session;
    getStyleClass().add("transport");
    setAlignment(Pos.CENTER_LEFT);
    play.setId("play");
    play.setMinWidth(72);
    play.setTooltip(new Tooltip("Space"));
    play.setOnAction(e -> toggle());
    play.disableProperty().bind(session.referenceProperty().isNull());
    place.getStyleClass().add(Theme.NUMBER);
    place.setMinWidth(230);
    balance.setId("balance");
    balance.setPrefWidth(190);
    balance.setTooltip(new Tooltip("The same place, equally loud. F flips between heard and echo"));
    balance.valueProperty().addListener((o, a, b) -> session.player().balance(b.doubleValue()));
    Slider volume = new Slider(0, 1, session.player().volume());
    volume.setId("volume");
    volume.setPrefWidth(90);
    volume.valueProperty().addListener((o, a, b) -> session.player().volume(b.doubleValue()));
    volume.setTooltip(
        new Tooltip(
            "Starts quiet on purpose. Long loud loops on headphones harm hearing: take breaks"));
    Label message = new Label();
    message.setId("message");
    message.textProperty().bind(session.messageProperty());
    message.getStyleClass().add(Theme.QUIET);
    message.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(message, Priority.ALWAYS);
    getChildren()
        .addAll(
            play,
            place,
            message,
            quiet("heard"),
            balance,
            quiet("echo"),
            gap(),
            quiet("volume"),
            volume);
    new AnimationTimer() {
      @Override
      public void handle(long now) {
        update();
      }
    }.start();
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
    if (session.player().playing()) {
      session.player().pause();
    } else if (session.referenceProperty().get() != null) {
      session.player().play();
    }
  }

  /** From heard alone to echo alone and back. */
  public void flip() {
    balance.setValue(balance.getValue() < 0.5 ? 1 : 0);
  }

  private void update() {
    play.setText(session.player().playing() ? "Pause" : "Play");
    double t = session.player().position();
    Analysis a = session.analysisProperty().get();
    String seconds = String.format(Locale.ROOT, "%d:%04.1f", (int) (t / 60), t % 60);
    if (a != null && a.pulse().isPresent()) {
      Place p = Place.of(t, a.pulse().get());
      place.setText(String.format(Locale.ROOT, "bar %d, step %d   %s", p.bar(), p.step(), seconds));
    } else {
      place.setText(session.referenceProperty().get() == null ? "" : seconds);
    }
  }
}
