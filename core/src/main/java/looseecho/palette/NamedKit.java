package looseecho.palette;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
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

  // Words for each drum, the more special ones first (common practice).
  private static final Map<Lane, Pattern> WORDS =
      new EnumMap<>(
          Map.ofEntries(
              word(Lane.HAT_OPEN, "open.?(hi)?.?hat|hi.?hat.?open|oh(h)?|hh.?o(pen)?"),
              word(Lane.HAT_CLOSED, "(closed?.?)?(hi)?.?hat|chh?|hh"),
              word(Lane.RIDE, "ride"),
              word(Lane.CYMBAL, "cymbal|crash|splash|cym"),
              word(Lane.TOM_LOW, "(low|floor).?tom|tom.?(low?|floor)"),
              word(Lane.TOM_HIGH, "hi(gh)?.?tom|tom.?hi(gh)?"),
              word(Lane.TOM, "tom"),
              word(Lane.CLAP, "clap|clp"),
              word(Lane.SNARE, "snare|snr|sd|rim"),
              word(Lane.KICK, "kick|bass.?drum|bd|kik"),
              word(Lane.PERCUSSION, "perc(ussion)?|shaker|conga|bongo|tamb(ourine)?|clave")));
  private static final List<Lane> ORDER =
      List.of(
          Lane.HAT_OPEN,
          Lane.HAT_CLOSED,
          Lane.RIDE,
          Lane.CYMBAL,
          Lane.TOM_LOW,
          Lane.TOM_HIGH,
          Lane.TOM,
          Lane.CLAP,
          Lane.SNARE,
          Lane.KICK,
          Lane.PERCUSSION);

  private NamedKit() {}

  private static Map.Entry<Lane, Pattern> word(Lane lane, String words) {
    return Map.entry(
        lane, Pattern.compile("(.*[^a-z])?(" + words + ")([^a-z].*)?|(" + words + ").*"));
  }

  /** The first recording for each drum, by name; drums that no name speaks of are missing. */
  public static Map<Lane, SampleSound> in(Path folder) throws IOException {
    Map<Lane, SampleSound> out = new EnumMap<>(Lane.class);
    try (Stream<Path> walk = Files.walk(folder, DEEPEST)) {
      walk.limit(MOST)
          .filter(p -> SOUND.matcher(name(p)).matches() && Files.isRegularFile(p))
          .sorted()
          .forEach(
              p -> {
                Lane lane = lane(name(p));
                if (lane != null) {
                  out.putIfAbsent(lane, SampleSound.of(p));
                }
              });
    }
    return out;
  }

  private static String name(Path p) {
    return p.getFileName().toString().toLowerCase(Locale.ROOT);
  }

  /** The drum that a file's name speaks of, or null. */
  static Lane lane(String name) {
    String bare = name.replaceFirst("\\.[^.]*$", "");
    return ORDER.stream()
        .filter(l -> WORDS.get(l).matcher(bare).matches())
        .findFirst()
        .orElse(null);
  }
}
