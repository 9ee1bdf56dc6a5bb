package looseecho.desktop.control;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
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
                "Sound files",
                "*.wav",
                "*.aif",
                "*.aiff",
                "*.flac",
                "*.mp3",
                "*.ogg",
                "*.opus",
                "*.m4a",
                "*.mp4"));
    return Optional.ofNullable(chooser.showOpenDialog(window())).map(File::toPath);
  }

  /** The folder that was picked; empty when none was. */
  public static Optional<Path> folder(String title) {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle(title);
    return Optional.ofNullable(chooser.showDialog(window())).map(File::toPath);
  }

  private static Window window() {
    return Window.getWindows().stream().filter(Window::isFocused).findFirst().orElse(null);
  }
}
