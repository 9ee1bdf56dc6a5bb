package looseecho.exchange;

import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.synth.SampleSound;

/**
 * Reads the regions of an SFZ file: its samples with their keys and velocities; what else it says
 * is left alone. Opcodes of {@code <global>}, {@code <master>} and {@code <group>} hold for the
 * regions below them.
 */
public final class SfzReader {
  private static final long MOST_BYTES = 8L << 20;
  private static final int USUAL_VELOCITY = 100;
  private static final Pattern HEADER = Pattern.compile("<(\\w+)>");
  private static final Pattern OPCODE = Pattern.compile("(\\w+)=(.*?)(?=\\s+\\w+=|\\s*<|\\s*$)");
  private static final List<String> NAMES = List.of("c", "d", "e", "f", "g", "a", "b");
  private static final int[] SEMITONES = {0, 2, 4, 5, 7, 9, 11};

  private SfzReader() {}

  /** A sample between two keys and two velocities. */
  public record Region(Path sample, int low, int high, int softest, int loudest) {}

  /** The echo's sounds with samples from a file. */
  public record Taken(Sounds sounds, int parts) {}

  /** All regions whose samples are there. */
  public static List<Region> read(Path file) throws IOException {
    if (Files.size(file) > MOST_BYTES) {
      throw new IOException(file.getFileName() + " is too large for an SFZ file.");
    }
    String text;
    try {
      text = Files.readString(file, StandardCharsets.UTF_8);
    } catch (MalformedInputException e) {
      text = Files.readString(file, StandardCharsets.ISO_8859_1);
    }
    Map<String, Map<String, String>> above = new HashMap<>();
    List<Region> out = new ArrayList<>();
    String header = "";
    Map<String, String> own = new HashMap<>();
    for (String raw : (text + "\n<end>").split("\\R", -1)) {
      String line = raw.replaceFirst("//.*", "");
      int at = 0;
      Matcher h = HEADER.matcher(line);
      while (h.find()) {
        opcodes(line.substring(at, h.start()), own);
        close(header, own, above, file, out);
        header = h.group(1);
        own = new HashMap<>();
        at = h.end();
      }
      opcodes(line.substring(at), own);
    }
    if (out.isEmpty()) {
      throw new IOException(file.getFileName() + " has no region whose sample is there.");
    }
    return out;
  }

  private static void opcodes(String line, Map<String, String> to) {
    Matcher m = OPCODE.matcher(line);
    while (m.find()) {
      to.put(m.group(1).toLowerCase(Locale.ROOT), m.group(2).strip());
    }
  }

  private static void close(
      String header,
      Map<String, String> own,
      Map<String, Map<String, String>> above,
      Path file,
      List<Region> out) {
    if (!header.equals("region")) {
      above.put(header, own);
      if (header.equals("global") || header.equals("master")) {
        above.remove("group"); // a new head begins without the groups before it
      }
      return;
    }
    Map<String, String> all = new HashMap<>();
    for (String h : List.of("control", "global", "master", "group")) {
      all.putAll(above.getOrDefault(h, Map.of()));
    }
    all.putAll(own);
    String sample = all.getOrDefault("default_path", "") + all.getOrDefault("sample", "");
    Path path;
    try {
      path = file.resolveSibling(sample.replace('\\', '/'));
    } catch (java.nio.file.InvalidPathException e) {
      return;
    }
    if (!sample.isEmpty() && Files.isRegularFile(path)) {
      int key = key(all.getOrDefault("key", "-1"));
      out.add(
          new Region(
              path,
              key >= 0 ? key : key(all.getOrDefault("lokey", "0")),
              key >= 0 ? key : key(all.getOrDefault("hikey", "127")),
              key(all.getOrDefault("lovel", "0")),
              key(all.getOrDefault("hivel", "127"))));
    }
  }

  /** A number, or a note's name such as c#4 (middle C is c4); -1 for neither. */
  static int key(String words) {
    Matcher m = Pattern.compile("([a-gA-G])([#b]?)(-?\\d)").matcher(words);
    if (m.matches()) {
      int note = SEMITONES[NAMES.indexOf(m.group(1).toLowerCase(Locale.ROOT))];
      int bend = m.group(2).equals("#") ? 1 : m.group(2).equals("b") ? -1 : 0;
      return note + bend + 12 * (Integer.parseInt(m.group(3)) + 1);
    }
    return words.matches("-?\\d{1,3}") ? Integer.parseInt(words) : -1;
  }

  /** Each drum of an echo with the sample on its General MIDI key, at a usual loudness. */
  public static Taken take(Path file, Template t, Sounds sounds) throws IOException {
    List<Region> regions = read(file);
    Sounds out = sounds;
    int parts = 0;
    for (Part part : Part.of(t)) {
      if (part instanceof DrumPart drum && drum.number() == 1) {
        int key = drum.lane().midi();
        Optional<Region> own =
            regions.stream()
                .filter(r -> r.low() <= key && r.high() >= key)
                .filter(r -> r.softest() <= USUAL_VELOCITY && r.loudest() >= USUAL_VELOCITY)
                .findFirst();
        if (own.isPresent()) {
          out = out.with(part, SampleSound.of(own.get().sample()));
          parts++;
        }
      }
    }
    return new Taken(out, parts);
  }
}
