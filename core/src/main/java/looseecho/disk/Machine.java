package looseecho.disk;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;

/**
 * The one place that knows one system from another: where things are kept (XDG Base Directory
 * Specification; Windows' known folders; the Library of macOS), how the system is asked whether it
 * is dark, and how its keys are called.
 */
public enum Machine {
  LINUX(
      "XDG_DATA_HOME",
      ".local/share",
      "XDG_CACHE_HOME",
      ".cache",
      "Ctrl",
      List.of(
          "gdbus",
          "call",
          "--session",
          "--timeout",
          "1",
          "--dest",
          "org.freedesktop.portal.Desktop",
          "--object-path",
          "/org/freedesktop/portal/desktop",
          "--method",
          "org.freedesktop.portal.Settings.Read",
          "org.freedesktop.appearance",
          "color-scheme"),
      "uint32 1\\b"),
  WINDOWS(
      "APPDATA",
      "AppData/Roaming",
      "LOCALAPPDATA",
      "AppData/Local",
      "Ctrl",
      List.of(
          "reg",
          "query",
          "HKCU\\Software\\Microsoft\\Windows\\CurrentVersion\\Themes\\Personalize",
          "/v",
          "AppsUseLightTheme"),
      "0x0\\b"),
  MAC(
      "",
      "Library/Application Support",
      "",
      "Library/Caches",
      "Cmd",
      List.of("defaults", "read", "-g", "AppleInterfaceStyle"),
      "Dark");

  private static final String NAME = "loose-echo";
  private static final int PATIENCE_SECONDS = 2;

  private final String dataVariable;
  private final String data;
  private final String cacheVariable;
  private final String cache;
  private final String control;
  private final List<String> question;
  private final Pattern dark;

  Machine(
      String dataVariable,
      String data,
      String cacheVariable,
      String cache,
      String control,
      List<String> question,
      String dark) {
    this.dataVariable = dataVariable;
    this.data = data;
    this.cacheVariable = cacheVariable;
    this.cache = cache;
    this.control = control;
    this.question = question;
    this.dark = Pattern.compile(dark);
  }

  /** The machine that this runs on. */
  public static Machine here() {
    return called(System.getProperty("os.name", ""));
  }

  static Machine called(String system) {
    String name = system.toLowerCase(Locale.ROOT);
    return name.startsWith("windows") ? WINDOWS : name.startsWith("mac") ? MAC : LINUX;
  }

  /** Where the program keeps what is its person's. */
  public Path data() {
    return data(System::getenv, Path.of(System.getProperty("user.home")));
  }

  Path data(UnaryOperator<String> environment, Path home) {
    return folder(environment.apply(dataVariable), home.resolve(data));
  }

  /** Where the program keeps what it can make again. */
  public Path cache() {
    return cache(System::getenv, Path.of(System.getProperty("user.home")));
  }

  Path cache(UnaryOperator<String> environment, Path home) {
    return folder(environment.apply(cacheVariable), home.resolve(cache));
  }

  private static Path folder(String named, Path usual) {
    return (named == null || named.isBlank() ? usual : Path.of(named)).resolve(NAME);
  }

  /** The key that goes with a letter for a command. */
  public String control() {
    return control;
  }

  /** True where the person has set the system dark; empty where it can't tell. Takes a moment. */
  public Optional<Boolean> dark() {
    try {
      Process p = new ProcessBuilder(question).redirectErrorStream(true).start();
      p.getOutputStream().close();
      if (!p.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
        p.destroy();
        return Optional.empty();
      }
      return answer(
          p.exitValue(), new String(p.getInputStream().readAllBytes(), Charset.defaultCharset()));
    } catch (IOException e) {
      System.getLogger(Machine.class.getName()).log(System.Logger.Level.DEBUG, "dark or not", e);
      return Optional.empty();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return Optional.empty();
    }
  }

  /** What the system said; macOS has no such value while it is light. */
  Optional<Boolean> answer(int exit, String words) {
    return exit == 0
        ? Optional.of(dark.matcher(words).find())
        : this == MAC ? Optional.of(false) : Optional.empty();
  }
}
