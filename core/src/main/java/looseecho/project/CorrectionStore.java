package looseecho.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.exchange.WholeFile;
import looseecho.form.SectionMark;
import looseecho.hits.HitMark;
import looseecho.notes.Key;
import looseecho.pulse.Meter;
import looseecho.pulse.PulseFinder.Wanted;

/**
 * Keeps corrections apart from what was measured: one small JSON file per reference, found by the
 * sound file's hash.
 */
public final class CorrectionStore {
  private final Path folder;
  private final ObjectMapper json = new ObjectMapper();

  public CorrectionStore(Path folder) {
    this.folder = folder;
  }

  public Path folder() {
    return folder;
  }

  /** The user's own store. */
  public static CorrectionStore ofUser() {
    String xdg = System.getenv("XDG_DATA_HOME");
    Path base =
        xdg == null || xdg.isBlank()
            ? Path.of(System.getProperty("user.home"), ".local", "share")
            : Path.of(xdg);
    return new CorrectionStore(base.resolve("loose-echo").resolve("corrections"));
  }

  /** SHA-256 of the file's bytes, in hex. */
  public static String fingerprint(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      byte[] buffer = new byte[1 << 16];
      for (int n = in.read(buffer); n > 0; n = in.read(buffer)) {
        digest.update(buffer, 0, n);
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every JDK has SHA-256", e);
    }
  }

  /** What is stored; {@link Corrections#NONE} when there is nothing or it can't be understood. */
  public Corrections load(String fingerprint) {
    Path file = folder.resolve(fingerprint + ".json");
    if (!Files.exists(file)) {
      return Corrections.NONE;
    }
    try {
      JsonNode n = json.readTree(file.toFile());
      Wanted pulse =
          new Wanted(
              number(n, "bpm"),
              number(n, "bar_one_at"),
              text(n, "meter").map(Meter::parse),
              number(n, "nudge").orElse(0.0));
      List<SectionMark> sections = new ArrayList<>();
      for (JsonNode s : n.path("sections")) {
        sections.add(
            new SectionMark(
                s.path("start").asDouble(),
                s.path("label").asText("A"),
                s.path("role").asText("")));
      }
      List<HitMark> hits = new ArrayList<>();
      for (JsonNode h : n.path("hits")) {
        hits.add(
            new HitMark(
                HitMark.Kind.valueOf(h.path("kind").asText()),
                Lane.valueOf(h.path("lane").asText()),
                h.path("time").asDouble(),
                Lane.valueOf(h.path("to").asText()),
                h.path("velocity").asInt()));
      }
      return new Corrections(
          pulse, text(n, "key").map(Key::parse), sections, hits, n.path("locked").asBoolean());
    } catch (IOException | IllegalArgumentException e) {
      System.getLogger(getClass().getName())
          .log(System.Logger.Level.WARNING, "corrections can't be read: " + file, e);
      return Corrections.NONE;
    }
  }

  private static Optional<String> text(JsonNode n, String field) {
    return Optional.ofNullable(n.get(field)).map(JsonNode::asText);
  }

  private static Optional<Double> number(JsonNode n, String field) {
    return Optional.ofNullable(n.get(field)).map(JsonNode::asDouble);
  }

  /** Stores the corrections of one reference. */
  public void save(String fingerprint, Corrections c) throws IOException {
    Files.createDirectories(folder);
    ObjectNode n = json.createObjectNode();
    c.pulse().bpm().ifPresent(v -> n.put("bpm", v));
    c.pulse().barOneAt().ifPresent(v -> n.put("bar_one_at", v));
    c.pulse().meter().ifPresent(v -> n.put("meter", v.words()));
    n.put("nudge", c.pulse().nudge());
    c.key().ifPresent(v -> n.put("key", v.label()));
    n.put("locked", c.locked());
    ArrayNode sections = n.putArray("sections");
    for (SectionMark s : c.sections()) {
      sections.addObject().put("start", s.start()).put("label", s.label()).put("role", s.role());
    }
    ArrayNode hits = n.putArray("hits");
    for (HitMark h : c.hits()) {
      hits.addObject()
          .put("kind", h.kind().name())
          .put("lane", h.lane().name())
          .put("time", h.time())
          .put("to", h.to().name())
          .put("velocity", h.velocity());
    }
    WholeFile.write(
        folder.resolve(fingerprint + ".json"), part -> json.writeValue(part.toFile(), n));
  }
}
