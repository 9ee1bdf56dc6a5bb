package looseecho.desktop.ledger;

import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Tips;
import looseecho.notes.Key;
import looseecho.notes.Scale;
import looseecho.notes.Tonality;

/** The key as heard, its likely cousins a click away, and any other key. */
final class KeyRow extends VBox {
  KeyRow(Tonality t, Consumer<Key> chosen) {
    super(6);
    ReadingRow heard =
        ReadingRow.of(
            "Key", t.key(), k -> k.equals(t.key().value()) ? words(t) : k.words(), chosen::accept);
    ComboBox<String> any = chooser("any-key");
    any.setPromptText("another key …");
    Tips.on(any, "Sets any key: notes and chords are spelled and counted in it");
    any.setOnAction(e -> chosen.accept(Key.parse(any.getValue())));
    getChildren().addAll(heard, any);
  }

  private static String words(Tonality t) {
    return t.tonal() ? t.keyWords() : "none heard";
  }

  /** A list of all keys in words. */
  static ComboBox<String> chooser(String id) {
    ComboBox<String> keys = new ComboBox<>();
    keys.setId(id);
    for (Scale scale : Scale.ofKeys()) {
      for (int tonic = 0; tonic < 12; tonic++) {
        keys.getItems().add(new Key(tonic, scale).words());
      }
    }
    keys.setVisibleRowCount(12);
    return keys;
  }
}
