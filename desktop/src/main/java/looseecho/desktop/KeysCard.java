package looseecho.desktop;

import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.theme.Theme;

/** All keys on a card over the bench. */
final class KeysCard {
  private static final String[][] KEYS = {
    {"Space", "play or pause"},
    {"F", "flip between heard and echo"},
    {"Ctrl+1 to 9", "ground, hits, notes, layers, echo, sounds, palette, compare, hand over"},
    {"Ctrl+O, Ctrl+S, Ctrl+Shift+S", "open, save, save under another name"},
    {"Ctrl+E", "export MIDI, mix and stems"},
    {"Ctrl+Z, Ctrl+Shift+Z", "undo, redo"},
    {"K", "click on the beats"},
    {"G", "slower: 75 %, 50 %, full speed"},
    {"O", "loop one bar here, two, four, none"},
    {"T", "tap the beat"},
    {"1 on the wave", "make the playhead's place bar 1"},
    {"+ − ← → Home End on the wave", "zoom, move, show all, come back"},
    {"S, J", "split the section at the playhead, join it to the one before"},
    {"← →  , .  Enter on the sections", "pick, move the edge by a beat, rename"},
    {"arrows, Enter", "on the steps: move, put or take a hit"},
    {"Shift+arrows, Alt+← →", "louder, softer, earlier, later; cut it shorter, let it ring"},
    {"Delete, Alt+↑ ↓ on heard hits", "take out, give to the next drum"},
    {"D, Y", "next doubtful hit, keep it"},
    {"A, Q, B", "drum alone, pull its echo to the grid (Shift: more feel), tap it in"},
    {", .  Enter Delete on the notes", "pick the one before or after, add one, take out"},
    {"arrows on the notes", "move by step and degree; Shift: length, loudness; Alt: semitone"},
    {"L, H, A", "next line, hear the picked note, the line alone"},
    {
      "R, E, X, Alt+← →, + −, I, M, A on the arrangement",
      "repeat, empty, take out, move, a beat more or less, part in or out, off, alone"
    },
    {"L, Shift+L", "finer or coarser lines for the part on the echo's steps"},
    {"V, U, P, Y, W", "the echo's stroke: flam or roll, wider, a semitone up, how, backwards"},
    {"B, C, Z", "mark from where Write works; bar to the next; one part, bar under bar"},
    {"D", "on the Echo bench: one more part of the picked kind"},
    {"↑ ↓, Enter, Shift+Enter on the layers", "pick, its group alone, all without it"},
    {
      "↑ ↓, Enter, Shift+Enter on the palette",
      "pick, play the track's sound, the echo's; in the list: take, beside"
    },
    {"↑ ↓, Enter, J on the differences", "pick, set it right, go there"},
    {"← → ↑ ↓ Insert Delete on a course", "pick a point, move, add, take out"},
    {"N", "day or night"},
    {"F1, F2", "this card, the sums"},
  };

  private KeysCard() {}

  static void show(StackPane over) {
    if (over.getChildren().removeIf(n -> "keys".equals(n.getId()))) {
      return;
    }
    GridPane grid = new GridPane(24, 0);
    for (int i = 0; i < KEYS.length; i++) {
      Label key = new Label(KEYS[i][0]);
      key.getStyleClass().add(Theme.KEY);
      Label words = new Label(KEYS[i][1]);
      words.getStyleClass().add(Theme.SMALL);
      grid.addRow(i, key, words);
    }
    Button close = new Button("Close");
    VBox card = new VBox(10, grid, close);
    card.setId("keys");
    card.getStyleClass().add("panel");
    card.setPadding(new Insets(16));
    card.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    close.setOnAction(e -> over.getChildren().remove(card));
    over.getChildren().add(card);
  }
}
