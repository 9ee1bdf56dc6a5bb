package looseecho.exchange;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import looseecho.analysis.Corrections;
import looseecho.form.SectionMark;
import looseecho.notes.Key;

/** Reads tempo, bar one, key and sections out of a JAMS file, as corrections of what was heard. */
public final class JamsReader {
  private static final long MOST_BYTES = 64L << 20;
  private static final double SLOWEST = 20;
  private static final double FASTEST = 400;

  private JamsReader() {}

  /**
   * What a file says.
   *
   * @param change brings it to corrections
   * @param words what it is
   */
  public record Read(UnaryOperator<Corrections> change, List<String> words) {}

  /** Reads a file; the message of the exception says what is wrong with it. */
  public static Read read(Path file) throws IOException {
    if (Files.size(file) > MOST_BYTES) {
      throw new IOException(file.getFileName() + " is too large for annotations.");
    }
    JsonNode root;
    try {
      root = new ObjectMapper().readTree(file.toFile());
    } catch (com.fasterxml.jackson.core.JsonProcessingException e) {
      throw new IOException(file.getFileName() + " is no JAMS file.", e);
    }
    List<UnaryOperator<Corrections>> changes = new ArrayList<>();
    List<String> words = new ArrayList<>();
    for (JsonNode a : root.path("annotations")) {
      try {
        annotation(a, changes, words);
      } catch (IllegalArgumentException e) {
        throw new IOException(file.getFileName() + " holds what can't be: " + e.getMessage(), e);
      }
    }
    if (changes.isEmpty()) {
      throw new IOException(file.getFileName() + " has no tempo, beats, key or sections.");
    }
    return new Read(
        c -> {
          Corrections out = c;
          for (UnaryOperator<Corrections> change : changes) {
            out = change.apply(out);
          }
          return out;
        },
        words);
  }

  private static void annotation(
      JsonNode a, List<UnaryOperator<Corrections>> changes, List<String> words) {
    JsonNode data = a.path("data");
    if (data.isEmpty()) {
      return;
    }
    switch (a.path("namespace").asText()) {
      case "tempo" -> {
        double bpm = data.get(0).path("value").asDouble();
        if (bpm >= SLOWEST && bpm <= FASTEST) {
          changes.add(c -> c.withBpm(bpm));
          words.add("tempo");
        }
      }
      case "beat" -> {
        for (JsonNode beat : data) {
          if (beat.path("value").asInt() == 1) {
            double time = beat.path("time").asDouble();
            changes.add(c -> c.withBarOneAt(time));
            words.add("bar one");
            break;
          }
        }
      }
      case "key_mode" -> {
        String key = data.get(0).path("value").asText();
        if (data.size() == 1 && !key.equals("N")) { // several are those of the sections
          Key parsed = Key.parse(key);
          changes.add(c -> c.withKey(parsed));
          words.add("key");
        }
      }
      case "segment_open" -> {
        List<SectionMark> marks = new ArrayList<>();
        for (JsonNode s : data) {
          String[] name = s.path("value").asText("A").strip().split(" ", 2);
          marks.add(
              new SectionMark(s.path("time").asDouble(), name[0], name.length > 1 ? name[1] : ""));
        }
        changes.add(c -> c.withSections(marks));
        words.add("sections");
      }
      default -> {
        return; // what is not corrected by a file
      }
    }
  }
}
