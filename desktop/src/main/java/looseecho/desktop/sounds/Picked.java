package looseecho.desktop.sounds;

import java.util.Optional;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Selection;
import looseecho.echo.Part;
import looseecho.mix.Layer;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.synth.Moved;
import looseecho.synth.Source;

/** The layer that is worked on: of the picked part, everywhere or in the sections of a letter. */
final class Picked {
  private final Desk desk;
  private final Selection selection;
  private final EchoMaker maker;
  private final IntegerProperty layer = new SimpleIntegerProperty();
  private final StringProperty letter = new SimpleStringProperty("");

  Picked(Desk desk, Selection selection, EchoMaker maker) {
    this.desk = desk;
    this.selection = selection;
    this.maker = maker;
    selection.partProperty().addListener((o, a, b) -> layer.set(0));
  }

  Part part() {
    return selection.partProperty().get();
  }

  Sounds sounds() {
    return maker.soundsProperty().get();
  }

  /** The number of the layer, from 0. */
  IntegerProperty layerProperty() {
    return layer;
  }

  /** The letter of the sections that are changed; empty for all. */
  StringProperty letterProperty() {
    return letter;
  }

  Sound sound() {
    return letter.get().isEmpty() ? sounds().sound(part()) : sounds().sound(part(), letter.get());
  }

  Layer layer() {
    Sound s = sound();
    return s.layers().get(Math.max(0, Math.min(s.layers().size() - 1, layer.get())));
  }

  /** Where the layer's sound comes from; of a copy, the layer that it copies. */
  Source origin() {
    Source source = layer().source();
    return source instanceof Moved m ? sound().layers().get(m.layer() - 1).source() : source;
  }

  /** All sounds with another one of the part. */
  Sounds with(Sound sound) {
    return letter.get().isEmpty()
        ? sounds().with(part(), sound)
        : sounds().with(letter.get(), part(), sound);
  }

  /** All sounds with another layer. */
  Sounds with(Layer other) {
    Sound s = sound();
    return with(s.with(Math.max(0, Math.min(s.layers().size() - 1, layer.get())), other));
  }

  /** Changes the part's sound as one step. */
  void put(Sound sound, String words) {
    desk.sound(with(sound), name() + ": " + words);
  }

  /** What is changed, in words. */
  String name() {
    String where = letter.get().isEmpty() ? "" : " in " + letter.get();
    return desk.name(part()) + where;
  }

  /** The part's own sound in the letter; empty where it is as everywhere. */
  Optional<Sound> own() {
    return Optional.ofNullable(sounds().letters().get(letter.get()))
        .map(sounds -> sounds.get(part()));
  }
}
