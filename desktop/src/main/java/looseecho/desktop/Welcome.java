package looseecho.desktop;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.session.Papers;
import looseecho.desktop.theme.Theme;

/** What stands on the benches before a track is open. */
final class Welcome extends VBox {
  Welcome(FileDialogs files, Papers papers) {
    Label title = new Label("Drop a track here");
    title.getStyleClass().add(Theme.TITLE);
    Label text =
        new Label(
            "WAV, AIFF, FLAC, MP3, M4A, Ogg Vorbis or Opus. You get its tempo, bars, key, every drum hit and the bass, and a template of its groove to write on. Drop several, and they are heard one after the other.");
    text.setWrapText(true);
    text.setMaxWidth(460);
    text.getStyleClass().add(Theme.QUIET);
    Button open = Buttons.of("welcome-open", "Open a track…", "Ctrl+O", files::choose);
    open.getStyleClass().add(Theme.PRIMARY);
    HBox buttons =
        new HBox(
            12,
            open,
            Buttons.of("welcome-demo", "Try the demo", "A made-up radio tune", papers::openDemo));
    buttons.setAlignment(Pos.CENTER);
    getChildren().addAll(title, text, buttons);
    getChildren().addAll(files.leftBehind());
    getStyleClass().add("welcome");
  }
}
