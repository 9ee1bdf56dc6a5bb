package looseecho.project;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.MissingNode;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import looseecho.echo.LogLine;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.reading.Limits;

/** A project's {@code project.json} and back. */
final class ProjectJson {
  private static final String FORMAT = "looseecho";

  /** From this version on nothing has to be put in that a file leaves out. */
  private static final int AS_NOW = 8;

  private final ObjectMapper mapper = ProjectMapper.make();

  /** What stands in it; the format and its version come first, so that they are known early. */
  private record Kept(
      String format,
      int version,
      Project.Link reference,
      JsonNode corrections,
      Template exact,
      Template template,
      Sounds sounds,
      Sounds near,
      List<LogLine> log,
      Notebook notebook) {}

  /**
   * A project that was read.
   *
   * @param note what had to be left out; may be empty
   */
  record Read(Project project, String note) {}

  /** The project with samples named by what is in them. */
  byte[] write(Project p, boolean packed) throws JsonProcessingException {
    Project.Link link = p.reference();
    return mapper.writeValueAsBytes(
        new Kept(
            FORMAT,
            ProjectFile.VERSION,
            new Project.Link(link.name(), link.path(), link.fingerprint(), packed),
            CorrectionJson.write(p.corrections()),
            p.exact(),
            FoundSamples.each(p.template(), FoundSamples::identified),
            p.sounds().samples(FoundSamples::identified),
            p.near(),
            p.log(),
            p.notebook()));
  }

  /**
   * Reads any version.
   *
   * @param name of the file, for the sentence with which it is refused
   */
  Read read(byte[] json, String name) throws IOException {
    try {
      Kept kept = isCurrent(json) ? mapper.readValue(json, Kept.class) : older(json, name);
      check(kept.exact());
      check(kept.template());
      CorrectionJson.Read corrections =
          CorrectionJson.read(
              Optional.ofNullable(kept.corrections()).orElse(MissingNode.getInstance()));
      Project project =
          new Project(
              kept.reference(),
              corrections.corrections(),
              kept.exact(),
              kept.template(),
              kept.sounds(),
              Optional.ofNullable(kept.near()).orElseGet(Sounds::plain),
              kept.log(),
              Optional.ofNullable(kept.notebook()).orElse(Notebook.EMPTY));
      return new Read(project, CorrectionStore.leftOut(corrections.refused()));
    } catch (JsonProcessingException | NullPointerException e) {
      throw ProjectZip.bad(name, "is damaged", e);
    }
  }

  /** The usual file is read in one go: a tree of it, as older ones need, takes twice as long. */
  private boolean isCurrent(byte[] json) throws IOException {
    try (JsonParser p = mapper.createParser(json)) {
      return p.nextToken() == JsonToken.START_OBJECT
          && "format".equals(p.nextFieldName())
          && FORMAT.equals(p.nextTextValue())
          && "version".equals(p.nextFieldName())
          && within(p.nextIntValue(-1), AS_NOW, ProjectFile.VERSION);
    }
  }

  private static boolean within(int version, int oldest, int newest) {
    return version >= oldest && version <= newest;
  }

  private Kept older(byte[] json, String name) throws IOException {
    JsonNode root = mapper.readTree(json);
    if (!FORMAT.equals(root.path("format").asText())) {
      throw ProjectZip.bad(name, "is not a Loose Echo project", null);
    }
    int version = root.path("version").asInt(-1);
    if (version > ProjectFile.VERSION) {
      throw ProjectZip.bad(name, "was written by a newer version of Loose Echo", null);
    }
    if (version < 1) {
      throw ProjectZip.bad(name, "is damaged", null);
    }
    return mapper.treeToValue(Migration.toCurrent(root, version), Kept.class);
  }

  private static void check(Template t) {
    if (t == null) {
      throw new IllegalArgumentException("no template");
    }
    if (t.beats().size() > Limits.BEATS + 1 || t.sections().size() > Limits.SECTIONS) {
      throw new IllegalArgumentException("too many beats or sections");
    }
    for (int i = 0; i < t.beats().size(); i++) {
      double time = t.beats().get(i).time();
      double before = i == 0 ? -60 : t.beats().get(i - 1).time();
      if (!(time > before && time < before + 120 && time < 86_400)) {
        throw new IllegalArgumentException("beats out of order");
      }
    }
  }
}
