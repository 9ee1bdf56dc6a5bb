package looseecho.desktop.control;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import looseecho.audio.AudioReader;

/** Asks for a sound file of the person's own. */
public final class SoundFiles {
  private SoundFiles() {}

  /** Sound files and those with other endings, such as {@code *.mid}, under a name. */
  public static FileChooser.ExtensionFilter and(String name, String... others) {
    List<String> all = new ArrayList<>(List.of(others));
    AudioReader.ENDINGS.forEach(e -> all.add("*." + e));
    return new FileChooser.ExtensionFilter(name, all);
  }

  /** The sound, or the file of another ending, that was picked; empty when none was. */
  public static Optional<Path> choose(String title, String... others) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    chooser.getExtensionFilters().add(and("Sound files", others));
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
