package looseecho.desktop;

import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.scene.Scene;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.session.Settings;
import looseecho.desktop.theme.Theme;
import looseecho.disk.Machine;

/** Day or night, and calm or not, as the person has set it. */
final class Appearance {
  private final Preferences preferences;
  private final Shell shell;
  private boolean night;

  Appearance(Preferences preferences, Shell shell) {
    this.preferences = preferences;
    this.shell = shell;
    preferences.settingsProperty().addListener((o, a, b) -> follow(b.look()));
  }

  /** Once there is a scene; {@code dark} whatever is set, for this time. */
  void begin(boolean dark) {
    follow(preferences.now().look());
    if (dark) {
      show(true);
    }
  }

  private void follow(Settings.Look look) {
    if (shell.getScene() == null) {
      return;
    }
    Theme.calm(shell.getScene(), look.calm());
    if (look.light() == Settings.Light.SYSTEM) {
      ask();
    } else {
      show(look.light() == Settings.Light.NIGHT);
    }
  }

  /** The system answers in its own time. */
  private void ask() {
    CompletableFuture.supplyAsync(() -> Machine.here().dark())
        .thenAccept(dark -> Platform.runLater(() -> answered(dark)));
  }

  private void answered(Optional<Boolean> dark) {
    if (preferences.now().look().light() == Settings.Light.SYSTEM) {
      show(dark.orElse(false));
    }
  }

  /** Day or night for this time; nothing is kept. */
  void show(boolean dark) {
    Scene scene = shell.getScene();
    night = dark;
    Theme.night(scene, dark);
    shell.told(dark);
  }

  /** Turns it over and keeps it so. */
  void turn() {
    Settings.Light other = night ? Settings.Light.DAY : Settings.Light.NIGHT;
    preferences.change(s -> s.with(s.look().light(other)));
    show(other == Settings.Light.NIGHT);
  }
}
