package looseecho.palette;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import looseecho.activity.Lane;
import looseecho.audio.AudioReader;
import looseecho.synth.SampleSound;

/** Finds a kit in a folder of recordings by the usual words in their names. */
public final class NamedKit {
  private static final int DEEPEST = 3;
  private static final long MOST = 5_000;
  private static final Pattern SOUND =
      Pattern.compile(".*\\.(" + String.join("|", AudioReader.ENDINGS) + ")");

  private NamedKit() {}

  /** The first recording for each drum, by name; drums that no name speaks of are missing. */
  public static Map<Lane, SampleSound> in(Path folder) throws IOException {
    Map<Lane, SampleSound> out = new EnumMap<>(Lane.class);
    try (Stream<Path> walk = Files.walk(folder, DEEPEST)) {
      walk.limit(MOST)
          .filter(p -> SOUND.matcher(name(p)).matches() && Files.isRegularFile(p))
          .sorted()
          .forEach(p -> SoundNames.lane(p).ifPresent(l -> out.putIfAbsent(l, SampleSound.of(p))));
    }
    return out;
  }

  private static String name(Path p) {
    return p.getFileName().toString().toLowerCase(Locale.ROOT);
  }
}
