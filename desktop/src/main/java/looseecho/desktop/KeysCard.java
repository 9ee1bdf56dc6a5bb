package looseecho.desktop;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Cards;
import looseecho.desktop.theme.Theme;

/** All keys on a card over the bench, by bench; words typed at its top find some of them. */
final class KeysCard {
  /** A key and what it does. */
  record Key(String keys, String words) {
    boolean fits(String wanted) {
      String all = (keys + " " + words).toLowerCase(Locale.ROOT);
      return List.of(wanted.toLowerCase(Locale.ROOT).strip().split("\\s+", -1)).stream()
          .allMatch(all::contains);
    }
  }

  /** Keys of one bench. */
  record Group(String name, List<Key> keys) {}

  static final List<Group> GROUPS =
      List.of(
          group(
              "Everywhere",
              "Space",
              "play or pause",
              "F",
              "flip between heard and echo",
              "Ctrl+1 to 9",
              "ground, hits, notes, layers, echo, sounds, palette, compare, hand over",
              "Ctrl+O, Ctrl+S, Ctrl+Shift+S",
              "open, save, save under another name",
              "Ctrl+E",
              "export MIDI, mix and stems",
              "Ctrl+Z, Ctrl+Shift+Z",
              "undo, redo",
              "K, G, O",
              "click on the beats; slower; loop one bar here, two, four, none",
              "N, F1, F2, F3, F4",
              "day or night, this card, the sums, find what to do, the settings",
              "F5, Shift+F5",
              "next thing worth checking; this one is fine",
              "Enter, Backspace on a slider",
              "type its number, give back the usual one"),
          group(
              "Ground",
              "T",
              "tap the beat",
              "1 on the wave",
              "make the playhead's place bar 1",
              "+ − ← → Home End on the wave",
              "zoom, move, show all, come back",
              "S, J",
              "split the section at the playhead, join it to the one before",
              "← →  , .  Enter on the sections",
              "pick, move the edge by a beat, rename"),
          group(
              "Hits",
              "arrows, Enter",
              "on the steps: move, put or take a hit",
              "Shift+arrows, Alt+← →",
              "louder, softer, earlier, later; cut it shorter, let it ring",
              "Delete, Alt+↑ ↓ on heard hits",
              "take out, give to the next drum",
              "D, Y",
              "next doubtful hit, keep it",
              "A, Q, B",
              "drum alone, pull its echo to the grid (Shift: more feel), tap it in"),
          group(
              "Notes",
              ", .  Enter Delete",
              "pick the one before or after, add one, take out",
              "arrows",
              "move by step and degree; Shift: length, loudness; Alt: semitone",
              "L, H, A",
              "next line, hear the picked note, the line alone"),
          group("Layers", "↑ ↓, Enter, Shift+Enter", "pick, its group alone, all without it"),
          group(
              "Echo",
              "R, E, X, Alt+← →, + −, I, M, A on the arrangement",
              "repeat, empty, take out, move, a beat more or less, part in or out, off, alone",
              "L, Shift+L",
              "finer or coarser lines for the part on the steps",
              "V, U, P, Y, W",
              "the stroke: flam or roll, wider, a semitone up, how, backwards",
              "B, C, Z",
              "mark from where Write works; bar to the next; one part, bar under bar",
              "D",
              "one more part of the picked kind",
              "← → ↑ ↓ Insert Delete on a course",
              "pick a point, move, add, take out"),
          group(
              "Palette",
              "↑ ↓, Enter, Shift+Enter",
              "pick, play the track's sound, the echo's",
              "↑ ↓, Enter, Shift+Enter in the list",
              "play a sample, take it, put it beside"),
          group(
              "Compare, hand over",
              "↑ ↓, Enter, J on the differences",
              "pick, set it right, go there",
              "Enter, Delete on a note in the logbook",
              "go there, take it out"));

  private static final String ID = "keys";
  private static final double WIDTH = 760;
  private static final double HEIGHT = 520;

  private KeysCard() {}

  private static Group group(String name, String... keysAndWords) {
    List<Key> keys = new java.util.ArrayList<>();
    for (int i = 0; i < keysAndWords.length; i += 2) {
      keys.add(new Key(keysAndWords[i], keysAndWords[i + 1]));
    }
    return new Group(name, List.copyOf(keys));
  }

  static void show(StackPane over) {
    if (Cards.close(over, ID)) {
      return;
    }
    GridPane grid = new GridPane(24, 1);
    TextField find = new TextField();
    find.setId("keys-find");
    find.setPromptText("what do you want to do?");
    HBox.setHgrow(find, Priority.ALWAYS);
    find.textProperty().addListener((o, a, b) -> fill(grid, b));
    fill(grid, "");
    Button close = new Button("Close");
    close.setOnAction(e -> Cards.close(over, ID));
    ScrollPane pane = new ScrollPane(grid);
    pane.setFitToWidth(true);
    pane.getStyleClass().add("plain-scroll");
    pane.setPrefSize(WIDTH, HEIGHT);
    VBox.setVgrow(pane, Priority.ALWAYS);
    Cards.show(over, ID, KeyCode.F1, new HBox(12, find, close), pane);
    find.requestFocus();
  }

  private static void fill(GridPane grid, String wanted) {
    grid.getChildren().clear();
    int row = 0;
    for (Group g : GROUPS) {
      List<Key> fitting = g.keys().stream().filter(k -> k.fits(wanted)).toList();
      if (fitting.isEmpty()) {
        continue;
      }
      Label head = new Label(g.name());
      head.getStyleClass().add(Theme.HEADING);
      grid.add(head, 0, row++, 2, 1);
      for (Key k : fitting) {
        Label keys = new Label(k.keys());
        keys.getStyleClass().add(Theme.KEY);
        keys.setMinWidth(Region.USE_PREF_SIZE);
        Label words = new Label(k.words());
        words.setWrapText(true);
        words.getStyleClass().add(Theme.SMALL);
        grid.addRow(row++, keys, words);
      }
    }
    if (row == 0) {
      grid.add(new Label("No key does that"), 0, 0);
    }
  }
}
