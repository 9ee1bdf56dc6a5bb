package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.disk.KeptValues;

/** The settings at work; every change is kept at once. Belongs to the interface's thread. */
public final class Preferences {
  private static final String FILE = "settings.properties";
  private final Path file;
  private final ReadOnlyObjectWrapper<Settings> settings;

  Preferences(Path folder) {
    file = folder.resolve(FILE);
    settings = new ReadOnlyObjectWrapper<>(read(folder));
  }

  /** What is kept in a folder. */
  public static Settings read(Path folder) {
    return Settings.of(KeptValues.read(folder.resolve(FILE)));
  }

  public Settings now() {
    return settings.get();
  }

  public void change(UnaryOperator<Settings> change) {
    Settings next = change.apply(settings.get());
    if (!next.equals(settings.get())) {
      KeptValues.write(file, next.values());
      settings.set(next);
    }
  }

  public ReadOnlyObjectProperty<Settings> settingsProperty() {
    return settings.getReadOnlyProperty();
  }
}
