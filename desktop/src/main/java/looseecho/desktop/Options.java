package looseecho.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What the window was asked for on the command line.
 *
 * @param demo open the demo
 * @param file open a file
 * @param shot PNG of the window, written when it is ready
 * @param seconds end after this long
 * @param frames measure how smoothly the file's wave is drawn; the program ends afterwards
 * @param shots folder for a PNG of every main view; the program ends afterwards
 */
record Options(
    boolean demo,
    Optional<Path> file,
    Optional<Path> shot,
    Optional<Double> seconds,
    Optional<Path> shots,
    boolean night,
    boolean frames) {
  static Options parse(List<String> args) {
    boolean demo = false;
    boolean night = false;
    boolean frames = false;
    Optional<Path> file = Optional.empty();
    Optional<Path> shot = Optional.empty();
    Optional<Path> shots = Optional.empty();
    Optional<Double> seconds = Optional.empty();
    List<String> rest = new ArrayList<>(args);
    while (!rest.isEmpty()) {
      String a = rest.remove(0);
      switch (a) {
        case "demo" -> demo = true;
        case "--night" -> night = true;
        case "--frames" -> frames = true;
        case "--shot" -> shot = Optional.of(Path.of(value(a, rest)));
        case "--for" -> seconds = Optional.of(Double.parseDouble(value(a, rest)));
        case "shots" -> {
          shots = Optional.of(Path.of(value(a, rest)));
          demo = true;
        }
        default -> {
          if (a.startsWith("-")) {
            throw new IllegalArgumentException("unknown option " + a);
          }
          file = Optional.of(Path.of(a));
        }
      }
    }
    return new Options(demo, file, shot, seconds, shots, night, frames);
  }

  private static String value(String option, List<String> rest) {
    if (rest.isEmpty()) {
      throw new IllegalArgumentException(option + " needs a value");
    }
    return rest.remove(0);
  }
}
