package looseecho.desktop.control;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Asks for a sound file of the person's own. */
public final class SoundFiles {
  private SoundFiles() {}

  /** The file that was picked; empty when none was. */
  public static Optional<Path> choose(String title) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                "Sound files", "*.wav", "*.aif", "*.aiff", "*.flac", "*.mp3", "*.ogg"));
    Window window = Window.getWindows().stream().filter(Window::isFocused).findFirst().orElse(null);
    return Optional.ofNullable(chooser.showOpenDialog(window)).map(File::toPath);
  }
}
