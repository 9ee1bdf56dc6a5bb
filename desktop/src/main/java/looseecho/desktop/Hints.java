package looseecho.desktop;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.theme.Theme;
import looseecho.disk.WholeFile;

/** A hint for each bench while someone gets to know them on the demo; each is read once. */
final class Hints {
  private static final Map<Bench, String> WORDS =
      new EnumMap<>(
          Map.of(
              Bench.GROUND,
                  "First look whether bar 1 and the tempo are right: everything stands on them. K"
                      + " lets the click play along.",
              Bench.HITS,
                  "Every hit that was heard. D goes to the next doubtful one, Y keeps it; F flips"
                      + " between track and echo.",
              Bench.NOTES,
                  "Bass, riff and chords on the degrees of the key. Arrows move a note, L goes to"
                      + " the next line.",
              Bench.LAYERS,
                  "Who plays when and in which band. Enter lets a layer's group be heard alone,"
                      + " Shift and Enter all without it.",
              Bench.ECHO,
                  "Your template. Change a step and listen at once; the ledger loosens what shall"
                      + " be yours.",
              Bench.SOUNDS,
                  "What each sound is made of. The first dials matter most; double click gives the"
                      + " usual value back.",
              Bench.PALETTE,
                  "The track's sounds beside yours, and the nearest of your own samples. Arrows"
                      + " play them, Enter takes one.",
              Bench.COMPARE,
                  "How near your echo is. What is noticed first stands on top; Enter mends it where"
                      + " that can be done by itself.",
              Bench.HANDOVER,
                  "All that is handed on in one folder: sheet, notes, stems, kit. Nothing of yours"
                      + " is written over."));

  private final Path file;
  private final Set<Bench> read = EnumSet.noneOf(Bench.class);

  /** Those that were read are kept in a folder. */
  Hints(Path folder) {
    file = folder.resolve("hints.txt");
    try {
      if (Files.exists(file)) {
        for (String line : Files.readAllLines(file)) {
          read.add(Bench.valueOf(line.strip()));
        }
      }
    } catch (IOException | IllegalArgumentException e) {
      System.getLogger(getClass().getName()).log(System.Logger.Level.DEBUG, "no hints", e);
    }
  }

  /** The hint of a bench; empty when it was read. {@code then} follows when it is put away. */
  Optional<HBox> of(Bench bench, Runnable then) {
    if (read.contains(bench)) {
      return Optional.empty();
    }
    Label words = new Label(WORDS.get(bench));
    words.setWrapText(true);
    words.setMinWidth(0);
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMaxWidth(Double.MAX_VALUE);
    Button one =
        Buttons.of(
            "hint-read", "Got it", "Not again for this bench", () -> put(EnumSet.of(bench), then));
    Button all =
        Buttons.of(
            "hints-off",
            "No more hints",
            "None for any bench",
            () -> put(EnumSet.allOf(Bench.class), then));
    one.getStyleClass().add(Theme.CHIP);
    all.getStyleClass().add(Theme.CHIP);
    HBox box = new HBox(10, words, one, all);
    box.setId("hint");
    box.setAlignment(Pos.CENTER_LEFT);
    box.getStyleClass().add("hint");
    box.setMinHeight(Region.USE_PREF_SIZE);
    return Optional.of(box);
  }

  /** All are taken for read. */
  void off() {
    read.addAll(EnumSet.allOf(Bench.class));
  }

  private void put(Set<Bench> benches, Runnable then) {
    read.addAll(benches);
    try {
      Files.createDirectories(file.toAbsolutePath().getParent());
      byte[] text =
          String.join("\n", read.stream().map(Bench::name).toList())
              .getBytes(StandardCharsets.UTF_8);
      WholeFile.write(file, part -> Files.write(part, text));
    } catch (IOException e) { // then it comes again in the next window
      System.getLogger(getClass().getName()).log(System.Logger.Level.DEBUG, "not kept", e);
    }
    then.run();
  }
}
