package looseecho.desktop.sounds;

import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.OwnAudio;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.mix.Layer;
import looseecho.mix.Sound;
import looseecho.synth.DrumSound;
import looseecho.synth.Moved;
import looseecho.synth.SampleSound;
import looseecho.synth.Source;
import looseecho.synth.ToneSound;

/** The parts, and under the picked one its layers; layers are added and taken away here. */
final class LayerList extends VBox {
  private static final String EVERYWHERE = "in all sections";

  private final Desk desk;
  private final Selection selection;
  private final Picked picked;
  private final OwnAudio own;
  private final VBox list = new VBox(2);
  private final ComboBox<String> letters = new ComboBox<>();
  private boolean filling;

  LayerList(Desk desk, Selection selection, Picked picked, OwnAudio own) {
    super(8);
    this.desk = desk;
    this.selection = selection;
    this.picked = picked;
    this.own = own;
    setId("layers");
    letters.setId("sound-letter");
    Tips.on(letters, "In which sections this sound plays: in all, or in those of a letter");
    letters.setOnAction(
        e -> {
          if (!filling && letters.getValue() != null) {
            picked
                .letterProperty()
                .set(
                    letters.getSelectionModel().getSelectedIndex() == 0
                        ? ""
                        : letters.getValue().replace("only in ", ""));
          }
        });
    Button same =
        Buttons.of(
            "as-everywhere",
            "As everywhere",
            "This letter sounds as the others again",
            this::asEverywhere);
    same.getStyleClass().add(Theme.CHIP);
    same.disableProperty().bind(picked.letterProperty().isEmpty());
    FlowPane tools =
        new FlowPane(
            6,
            6,
            adding().button(),
            ending().button(),
            same,
            new KitMenu(desk, picked, own).button());
    getChildren().addAll(letters, list, tools);
  }

  private Menus adding() {
    return Menus.of("layer-add", "New layer", "One more sound for the picked part")
        .add("layer-tone", "A tone", () -> add(ToneSound.PLUCK))
        .add("layer-sub", "A sub", () -> add(ToneSound.BASS.wave(0).filtered(2000)))
        .add(
            "layer-drum",
            "A drum recipe",
            () -> add(new DrumSound(180, 1.5, 9, 80, 0.5, 900, 9000, 80, 0, 1)))
        .line()
        .add("layer-up", "This one, an octave up", () -> copy(12))
        .add("layer-down", "This one, an octave down", () -> copy(-12))
        .line()
        .add("layer-sample", "A recording of yours…", this::sample);
  }

  private Menus ending() {
    return Menus.of("layer-menu", "Layer", "What is done with the picked layer")
        .add("layer-mute", "Off, or on again", () -> change(l -> l.muted(!l.muted()), "off or on"))
        .add("layer-alone", "Alone, or with all", () -> change(l -> l.alone(!l.alone()), "alone"))
        .add("layer-out", "Take it away", this::takeAway);
  }

  private void change(java.util.function.UnaryOperator<Layer> how, String words) {
    desk.sound(picked.with(how.apply(picked.layer())), picked.name() + ": layer " + words);
  }

  private void add(Source source) {
    add(Layer.of(source).placed(-6, 0));
  }

  private void add(Layer layer) {
    Sound s = picked.sound();
    if (s.layers().size() == Sound.MOST) {
      desk.say("A part has at most " + Sound.MOST + " layers.");
      return;
    }
    picked.put(s.and(layer), "one more layer");
    picked.layerProperty().set(s.layers().size());
  }

  private void copy(double semitones) {
    Sound s = picked.sound();
    int at = Math.min(s.layers().size() - 1, picked.layerProperty().get());
    if (s.layers().get(at).source() instanceof Moved) {
      desk.say("That layer is a copy itself. Pick the one that it copies.");
      return;
    }
    add(Layer.of(new Moved(at + 1, semitones)).placed(-6, 0));
  }

  private void sample() {
    SoundFiles.choose("A recording for the " + desk.name(picked.part()))
        .ifPresent(file -> own.read(file, this::add));
  }

  private void takeAway() {
    Sound s = picked.sound();
    if (s.layers().size() == 1) {
      desk.say("A part keeps one layer. Turn it off instead.");
      return;
    }
    int at = Math.min(s.layers().size() - 1, picked.layerProperty().get());
    if (at == 0 && s.layers().get(1).source() instanceof Moved && s.layers().size() == 2) {
      desk.say("The other layer copies this one.");
      return;
    }
    picked.put(s.without(at), "a layer taken away");
    picked.layerProperty().set(Math.max(0, at - 1));
  }

  private void asEverywhere() {
    String letter = picked.letterProperty().get();
    if (!letter.isEmpty() && picked.own().isPresent()) {
      desk.sound(
          picked.sounds().with(letter, picked.part(), (Sound) null),
          desk.name(picked.part()) + " in " + letter + ": as everywhere");
    }
  }

  /** Shows the parts and the layers. */
  void show() {
    Template t = desk.templateProperty().get();
    list.getChildren().clear();
    if (t == null) {
      return;
    }
    fillLetters(t);
    for (Part part : Part.of(t)) {
      ToggleButton row = new ToggleButton(t.name(part));
      Tips.on(row, "The sound of the " + t.name(part) + " is shaped");
      row.getStyleClass().add(Theme.CHIP);
      row.setMaxWidth(Double.MAX_VALUE);
      row.setAlignment(Pos.CENTER_LEFT);
      row.setSelected(part.equals(picked.part()));
      row.setOnAction(
          e -> {
            selection.partProperty().set(part);
            show();
          });
      list.getChildren().add(row);
      if (part.equals(picked.part())) {
        layers();
      }
    }
  }

  private void fillLetters(Template t) {
    filling = true;
    TreeSet<String> all = new TreeSet<>();
    t.sections().stream().map(TemplateSection::label).forEach(all::add);
    List<String> items = new java.util.ArrayList<>(List.of(EVERYWHERE));
    all.forEach(l -> items.add("only in " + l));
    letters.getItems().setAll(items);
    String now = picked.letterProperty().get();
    letters.getSelectionModel().select(now.isEmpty() ? EVERYWHERE : "only in " + now);
    filling = false;
  }

  private void layers() {
    Sound s = picked.sound();
    for (int k = 0; k < s.layers().size(); k++) {
      int at = k;
      Layer l = s.layers().get(k);
      ToggleButton row = new ToggleButton(words(l, k));
      row.setId("layer-" + (k + 1));
      Tips.on(row, "This layer of the sound is shaped on the right");
      row.getStyleClass().add(Theme.SMALL);
      row.setMaxWidth(Double.MAX_VALUE);
      row.setAlignment(Pos.CENTER_LEFT);
      row.setSelected(k == picked.layerProperty().get());
      row.setOnAction(
          e -> {
            picked.layerProperty().set(at);
            show();
          });
      HBox line = new HBox(row);
      HBox.setHgrow(row, javafx.scene.layout.Priority.ALWAYS);
      line.setPadding(new javafx.geometry.Insets(0, 0, 0, 16));
      list.getChildren().add(line);
    }
  }

  private static String words(Layer l, int k) {
    String source = source(l.source());
    String job = l.job() == looseecho.mix.Job.NONE ? "" : l.job().words() + ", ";
    return (k + 1) + "  " + job + source + (l.muted() ? " (off)" : l.alone() ? " (alone)" : "");
  }

  private static String source(Source source) {
    if (source instanceof ToneSound t) {
      return t.saw() < 0.02 ? "sine" : t.timbre().wave().words();
    }
    if (source instanceof SampleSound s) {
      return String.valueOf(Path.of(s.path()).getFileName());
    }
    if (source instanceof Moved m) {
      return "layer " + m.layer() + " moved by " + Math.round(m.semitones());
    }
    return "drum recipe";
  }
}
