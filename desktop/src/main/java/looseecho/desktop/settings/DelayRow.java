package looseecho.desktop.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.util.Duration;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.theme.Theme;
import looseecho.play.Player;
import looseecho.play.StrokeInput;
import looseecho.play.TapDelay;

/**
 * How late taps come in: typed, or measured by tapping along with even clicks. Sound, amplifier,
 * instrument and hand are all in it.
 */
final class DelayRow extends HBox {
  private static final double GAP = 0.6; // seconds between clicks
  private static final int CLICKS = 13;
  private static final int TO_SETTLE = 3; // first clicks, in which a hand finds in

  private final Preferences preferences;
  private final Player player;
  private final TextField ms = new TextField();
  private final Label told = new Label();
  private final Button measure;
  private final List<Double> taps = new ArrayList<>();
  private boolean running;
  private StrokeInput open;

  DelayRow(Preferences preferences, Player player) {
    super(8);
    this.preferences = preferences;
    this.player = player;
    setAlignment(Pos.CENTER_LEFT);
    ms.setId("set-delay");
    ms.setPrefColumnCount(4);
    ms.setText(String.valueOf(preferences.now().sound().delayMs()));
    Tips.on(ms, "Milliseconds that are taken off every tap; Enter keeps them");
    ms.setOnAction(e -> typed());
    Label unit = new Label("ms");
    measure =
        Buttons.of(
            "set-measure",
            "Measure",
            "Thirteen clicks: tap along with B, or on what you tap on",
            this::start);
    measure.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    told.setId("set-delay-told");
    told.getStyleClass().add(Theme.SMALL);
    told.setMinWidth(Region.USE_PREF_SIZE);
    getChildren().addAll(ms, unit, measure, told);
  }

  private void typed() {
    try {
      keep((int) Math.round(Double.parseDouble(ms.getText().trim().replace(',', '.'))));
      told.setText("taken off every tap");
    } catch (IllegalArgumentException e) {
      told.setText("a number from -200 to 600, please");
    }
  }

  private void keep(int delay) {
    preferences.change(s -> s.with(s.sound().delay(delay)));
    ms.setText(String.valueOf(delay));
  }

  private void key(KeyEvent e) {
    if (running && e.getCode() == KeyCode.B) {
      tapped(player.auditioned());
      e.consume();
    }
  }

  private void start() {
    if (running) {
      return;
    }
    running = true;
    taps.clear();
    player.pause();
    player.countIn(CLICKS, GAP);
    measure.requestFocus();
    told.setText("tap along: B");
    listen();
    PauseTransition end = new PauseTransition(Duration.seconds(CLICKS * GAP + 1));
    end.setOnFinished(e -> finish());
    end.play();
  }

  private void listen() {
    String name = preferences.now().sound().tapOn();
    open = StrokeInput.named(name, player::auditioned, GAP).orElse(null);
    if (open != null) {
      try {
        open.listen(
            (drum, v) -> {
              double at = player.auditioned(); // before the window gets to it
              Platform.runLater(() -> tapped(at));
            });
      } catch (IllegalStateException e) {
        told.setText(e.getMessage());
      }
    }
  }

  private void tapped(double at) {
    if (running && at > (TO_SETTLE - 0.5) * GAP) {
      taps.add(at);
      told.setText("tap along: " + taps.size());
    }
  }

  private void finish() {
    running = false;
    if (open != null) {
      open.close();
      open = null;
    }
    TapDelay d = TapDelay.of(GAP, taps).orElse(null);
    if (d == null) {
      told.setText("too few taps: " + TapDelay.LEAST + " at least");
    } else if (!d.even()) {
      told.setText("too uneven to tell, try again");
    } else {
      keep((int) Math.round(d.ms()));
      told.setText(String.format(Locale.ROOT, "from %d taps, ±%.0f ms", d.taps(), d.spreadMs()));
    }
  }
}
