package looseecho.desktop.sounds;

import java.io.File;
import java.nio.file.Path;
import java.util.Map;
import javafx.scene.control.MenuButton;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import looseecho.activity.Lane;
import looseecho.desktop.control.Menus;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.OwnAudio;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.mix.Kit;
import looseecho.mix.Layer;
import looseecho.mix.Sounds;
import looseecho.palette.NamedKit;
import looseecho.project.ProjectFile;
import looseecho.synth.SampleSound;

/** Keeps the hits and swaps all drums at once. */
final class KitMenu {
  private final Desk desk;
  private final Picked picked;
  private final OwnAudio own;

  KitMenu(Desk desk, Picked picked, OwnAudio own) {
    this.desk = desk;
    this.picked = picked;
    this.own = own;
  }

  MenuButton button() {
    Menus menu = Menus.of("kit", "Swap kit", "Other drums for the same hits, in all sections");
    for (Kit kit : Kit.values()) {
      menu.add("kit-" + kit.words(), "The " + kit.words() + " kit", () -> take(kit));
    }
    return menu.line()
        .add("kit-project", "The drums of another project…", this::project)
        .add("kit-folder", "A folder of recordings…", this::folder)
        .button();
  }

  private void take(Kit kit) {
    desk.sound(kit.on(picked.sounds()), "The " + kit.words() + " kit, hits kept");
  }

  private void project() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("The drums of another project");
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Project", "*.looseecho"));
    File file = chooser.showOpenDialog(null);
    if (file != null) {
      Path path = file.toPath();
      own.read(
          () -> new ProjectFile().read(path).sounds(),
          other -> swap(Kit.swap(picked.sounds(), other), String.valueOf(path.getFileName())));
    }
  }

  private void folder() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("A folder of recordings");
    File file = chooser.showDialog(null);
    if (file != null) {
      folder(file.toPath());
    }
  }

  /** Takes a kit by the names of the recordings in a folder. */
  void folder(Path in) {
    own.read(
        () -> NamedKit.in(in),
        kit -> {
          if (kit.isEmpty()) {
            desk.say("No recording in " + in + " is named after a drum.");
            return;
          }
          Sounds sounds = picked.sounds();
          for (Map.Entry<Lane, SampleSound> e : kit.entrySet()) {
            DrumPart drum = Part.of(e.getKey());
            sounds = sounds.with(drum, sounds.sound(drum).with(Layer.of(e.getValue())));
          }
          swap(Kit.swap(picked.sounds(), sounds), in.getFileName() + ", " + kit.size() + " drums");
        });
  }

  private void swap(Sounds sounds, String from) {
    desk.sound(sounds, "Kit of " + from + ", hits kept");
  }
}
