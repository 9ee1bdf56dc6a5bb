package looseecho.desktop;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;

/**
 * What is dropped on the window: what has an ending of its own goes where it belongs, everything
 * else is opened.
 *
 * @param open takes a track or a project
 * @param several takes more than one at a time
 * @param byEnding takes what has a certain ending, such as a MIDI file
 */
record Drops(
    Consumer<Path> open, Consumer<List<Path>> several, Map<String, Consumer<Path>> byEnding) {
  void on(Node window) {
    window.setOnDragOver(Drops::over);
    window.setOnDragDropped(this::dropped);
  }

  private static void over(DragEvent e) {
    if (e.getDragboard().hasFiles()) {
      e.acceptTransferModes(TransferMode.COPY);
    }
    e.consume();
  }

  private void dropped(DragEvent e) {
    List<File> files = e.getDragboard().getFiles();
    if (files.size() > 1) {
      several.accept(files.stream().map(File::toPath).toList());
    } else if (!files.isEmpty()) {
      take(files.get(0).toPath());
    }
    e.setDropCompleted(!files.isEmpty());
    e.consume();
  }

  void take(Path file) {
    String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
    int dot = name.lastIndexOf('.');
    byEnding.getOrDefault(dot < 0 ? "" : name.substring(dot + 1), open).accept(file);
  }
}
