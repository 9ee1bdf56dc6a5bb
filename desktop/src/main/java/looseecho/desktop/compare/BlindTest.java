package looseecho.desktop.compare;

import java.util.SplittableRandom;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import looseecho.compare.Blind;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;

/** Track or echo plays, equally loud, and nobody sees which; guesses are counted against chance. */
final class BlindTest extends HBox {
  private final Playback playback;
  private final SplittableRandom coin = new SplittableRandom();
  private final ToggleButton on = new ToggleButton("Blind");
  private final Label result = new Label();
  private Blind blind = Blind.NONE;
  private boolean echo;
  private double before;

  BlindTest(Playback playback) {
    super(8);
    this.playback = playback;
    setAlignment(Pos.CENTER_RIGHT);
    on.setId("blind");
    on.getStyleClass().add(Theme.CHIP);
    Tips.on(on, "Plays track or echo without telling which; say which it is, it is counted");
    Button track = Buttons.of("blind-track", "Track", "What plays is the track", () -> say(false));
    Button own = Buttons.of("blind-echo", "Echo", "What plays is the echo", () -> say(true));
    for (Button b : new Button[] {track, own}) {
      b.getStyleClass().add(Theme.CHIP);
      b.visibleProperty().bind(on.selectedProperty());
      b.managedProperty().bind(on.selectedProperty());
    }
    result.setId("blind-result");
    result.getStyleClass().add(Theme.SMALL);
    on.setOnAction(e -> turn());
    sceneProperty()
        .addListener(
            (o, a, b) -> {
              if (b == null && on.isSelected()) { // on other benches it must be seen what plays
                on.fire();
              }
            });
    getChildren().addAll(result, track, own, on);
  }

  private void turn() {
    if (on.isSelected()) {
      before = playback.player().balance();
      blind = Blind.NONE;
      result.setText("Which one is it?");
      next();
    } else {
      playback.player().balance(before);
    }
  }

  private void next() {
    echo = coin.nextBoolean();
    playback.player().balance(echo ? 1 : 0);
  }

  private void say(boolean saysEcho) {
    blind = blind.guessed(saysEcho == echo);
    result.setText(blind.words());
    next();
  }
}
