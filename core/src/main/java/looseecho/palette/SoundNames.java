package looseecho.palette;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import looseecho.activity.Lane;

/** What the names of samples and of their folders say (common practice). */
final class SoundNames {
  // Words for each drum, the more special ones first.
  private static final Map<Lane, Pattern> DRUMS =
      new EnumMap<>(
          Map.ofEntries(
              Map.entry(Lane.HAT_OPEN, words("open.?(hi)?.?hat|hi.?hat.?open|oh(h)?|hh.?o(pen)?")),
              Map.entry(Lane.HAT_CLOSED, words("(closed?.?)?(hi)?.?hat|chh?|hh")),
              Map.entry(Lane.RIDE, words("ride")),
              Map.entry(Lane.CYMBAL, words("cymbal|crash|splash|cym")),
              Map.entry(Lane.TOM_LOW, words("(low|floor).?tom|tom.?(low?|floor)")),
              Map.entry(Lane.TOM_HIGH, words("hi(gh)?.?tom|tom.?hi(gh)?")),
              Map.entry(Lane.TOM, words("tom")),
              Map.entry(Lane.CLAP, words("clap|clp")),
              Map.entry(Lane.SNARE, words("snare|snr|sd|rim")),
              Map.entry(Lane.KICK, words("kick|bass.?drum|bd|kik")),
              Map.entry(
                  Lane.PERCUSSION,
                  words(
                      "perc(ussion)?|shaker|conga|bongo|tamb(ourine)?|clave|cow.?bell|maraca"
                          + "|triangle|wood.?block"))));
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
  private static final Pattern BASS = words("bass|sub");
  private static final Pattern TONE =
      words("pad|lead|pluck|stab|chord|keys|synth|piano|string|organ|guitar|brass|bell");

  private SoundNames() {}

  /** One of some words by itself, or in front. */
  private static Pattern words(String some) {
    return Pattern.compile("(.*[^a-z])?(" + some + ")s?([^a-z].*)?|(" + some + ").*");
  }

  /** The drum that a file's name speaks of. */
  static Optional<Lane> lane(Path file) {
    return lane(bare(file));
  }

  /** What kind of sound a file's name speaks of, or else that of the folder that it lies in. */
  static Optional<SoundClass> of(Path file) {
    return Stream.of(file, file.toAbsolutePath().getParent())
        .filter(p -> p != null && p.getFileName() != null)
        .flatMap(p -> of(bare(p)).stream())
        .findFirst();
  }

  private static Optional<SoundClass> of(String name) {
    return lane(name)
        .map(SoundClass::of)
        .or(() -> BASS.matcher(name).matches() ? Optional.of(SoundClass.BASS) : Optional.empty())
        .or(() -> TONE.matcher(name).matches() ? Optional.of(SoundClass.TONE) : Optional.empty());
  }

  private static Optional<Lane> lane(String name) {
    return ORDER.stream().filter(l -> DRUMS.get(l).matcher(name).matches()).findFirst();
  }

  /** In small letters, without its ending. */
  private static String bare(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return name.replaceFirst("\\.[^.]*$", "");
  }
}
