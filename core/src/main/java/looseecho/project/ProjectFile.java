package looseecho.project;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.disk.Seal;
import looseecho.disk.WholeFile;
import looseecho.echo.LogLine;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.reading.Limits;

/**
 * Reads and writes {@code .looseecho} files: a zip with {@code project.json} (its schema is {@code
 * project.schema.json} beside this class) and, when asked for, the reference as {@code reference}
 * and the person's samples as {@code samples/ID}, each with its own ending.
 *
 * <p>A file is written whole or not at all; no more is read than {@link #MOST_JSON} bytes of JSON
 * and {@link ProjectZip#MOST_SOUND} of sound.
 */
public final class ProjectFile {
  public static final int VERSION = 8;

  private static final long MOST_JSON = 64L << 20;
  private static final String JSON = "project.json";
  private static final String SOUND = "reference.";
  private static final String HEARD = "heard.json";

  private final ObjectMapper mapper = ProjectMapper.make();

  /** A file that can't be opened; the message is a sentence for the person. */
  public static final class BadProjectException extends IOException {
    private static final long serialVersionUID = 1;

    BadProjectException(String message, Throwable cause) {
      super(message, cause);
    }
  }

  /**
   * A project with what comes along.
   *
   * @param heard what was heard in its reference, empty when it has to be heard
   * @param ear version of the ear that heard it
   * @param note what the person should know, such as corrections left out
   */
  public record Opened(Project project, Optional<Analysis> heard, int ear, String note) {}

  /**
   * Writes a project that a person works on.
   *
   * @param packed the reference's sound file to put in, empty to leave it where it is
   */
  public void write(Project project, Optional<Path> packed, Path path) throws IOException {
    write(project, packed, Optional.empty(), path);
  }

  /** The same with what was heard, so that it need not be heard again. */
  public void write(Project project, Optional<Path> packed, Optional<Analysis> heard, Path path)
      throws IOException {
    WholeFile.write(path, part -> writePart(project, packed, heard, part, false));
  }

  /** The same with a seal: nobody has worked on it yet, so it may be made anew over itself. */
  public void writeSealed(Project project, Optional<Path> packed, Path path) throws IOException {
    WholeFile.write(path, part -> writePart(project, packed, Optional.empty(), part, true));
  }

  private void writePart(
      Project project, Optional<Path> packed, Optional<Analysis> heard, Path part, boolean sealed)
      throws IOException {
    Map<String, Path> samples = packed.isPresent() ? PackedSamples.of(project) : Map.of();
    byte[] json = mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(tree(project, packed));
    try (ZipOutputStream zip =
        new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(part)))) {
      zip.putNextEntry(ProjectZip.entry(JSON));
      zip.write(json);
      zip.closeEntry();
      if (heard.isPresent()) {
        zip.putNextEntry(ProjectZip.entry(HEARD));
        zip.write(HeardJson.write(new HeardJson.Kept(Analyzer.EAR, heard.get())));
        zip.closeEntry();
      }
      if (packed.isPresent()) {
        ProjectZip.pack(packed.get(), SOUND + ProjectZip.ending(packed.get()), zip);
      }
      for (Map.Entry<String, Path> sample : samples.entrySet()) {
        Path own = sample.getValue();
        String name = PackedSamples.FOLDER + "/" + sample.getKey() + "." + ProjectZip.ending(own);
        ProjectZip.pack(own, name, zip);
      }
      if (sealed) {
        zip.setComment(Seal.BLANK);
      }
    }
    if (sealed) {
      Seal.close(part);
    }
    read(part); // what can't be read back is not kept
  }

  private ObjectNode tree(Project p, Optional<Path> packed) {
    ObjectNode root = mapper.createObjectNode();
    root.put("format", "looseecho").put("version", VERSION);
    Project.Link link = p.reference();
    root.set(
        "reference",
        mapper.valueToTree(
            new Project.Link(link.name(), link.path(), link.fingerprint(), packed.isPresent())));
    root.set("corrections", CorrectionJson.write(p.corrections()));
    root.set("exact", mapper.valueToTree(p.exact()));
    root.set(
        "template", mapper.valueToTree(FoundSamples.each(p.template(), FoundSamples::identified)));
    root.set("sounds", mapper.valueToTree(p.sounds().samples(FoundSamples::identified)));
    root.set("near", mapper.valueToTree(p.near()));
    root.set("log", mapper.valueToTree(p.log()));
    root.set("notebook", mapper.valueToTree(p.notebook()));
    return root;
  }

  /** Reads a project. */
  public Project read(Path path) throws IOException {
    return open(path).project();
  }

  /** Reads a project, and says what had to be left out. */
  public Opened open(Path path) throws IOException {
    String name = String.valueOf(path.getFileName());
    try (ZipFile zip = ProjectZip.open(path, name)) {
      ZipEntry entry = zip.getEntry(JSON);
      if (entry == null) {
        throw ProjectZip.bad(name, "is not a Loose Echo project", null);
      }
      ByteArrayOutputStream json = new ByteArrayOutputStream();
      ProjectZip.copy(zip, entry, json, MOST_JSON, name);
      return parse(json.toByteArray(), heard(zip, name), name);
    } catch (BadProjectException e) {
      throw e;
    } catch (IOException | IllegalArgumentException e) {
      throw ProjectZip.bad(name, "is damaged", e);
    }
  }

  /** What was heard then; a damaged one is heard again. */
  private static Optional<HeardJson.Kept> heard(ZipFile zip, String name) {
    ZipEntry entry = zip.getEntry(HEARD);
    if (entry == null) {
      return Optional.empty();
    }
    ByteArrayOutputStream json = new ByteArrayOutputStream();
    try {
      ProjectZip.copy(zip, entry, json, MOST_JSON, name);
      return HeardJson.read(json.toByteArray());
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private Opened parse(byte[] json, Optional<HeardJson.Kept> heard, String name)
      throws IOException {
    JsonNode root = mapper.readTree(json);
    if (!"looseecho".equals(root.path("format").asText())) {
      throw ProjectZip.bad(name, "is not a Loose Echo project", null);
    }
    int version = root.path("version").asInt(-1);
    if (version > VERSION) {
      throw ProjectZip.bad(name, "was written by a newer version of Loose Echo", null);
    }
    if (version < 1) {
      throw ProjectZip.bad(name, "is damaged", null);
    }
    JsonNode current = Migration.toCurrent(root, version);
    try {
      CorrectionJson.Read corrections = CorrectionJson.read(current.path("corrections"));
      Project project =
          new Project(
              mapper.treeToValue(current.path("reference"), Project.Link.class),
              corrections.corrections(),
              template(current.path("exact")),
              template(current.path("template")),
              mapper.treeToValue(current.path("sounds"), Sounds.class),
              current.has("near")
                  ? mapper.treeToValue(current.path("near"), Sounds.class)
                  : Sounds.plain(),
              List.of(mapper.treeToValue(current.path("log"), LogLine[].class)),
              current.has("notebook")
                  ? mapper.treeToValue(current.path("notebook"), Notebook.class)
                  : Notebook.EMPTY);
      return new Opened(
          project,
          heard.map(HeardJson.Kept::analysis),
          heard.map(HeardJson.Kept::ear).orElse(0),
          CorrectionStore.leftOut(corrections.refused()));
    } catch (JsonProcessingException | NullPointerException e) {
      throw ProjectZip.bad(name, "is damaged", e);
    }
  }

  private Template template(JsonNode n) throws IOException {
    if (n.path("beats").size() > Limits.BEATS + 1 || n.path("sections").size() > Limits.SECTIONS) {
      throw new IllegalArgumentException("too many beats or sections");
    }
    Template t = mapper.treeToValue(n, Template.class);
    if (t == null) {
      throw new IllegalArgumentException("no template");
    }
    for (int i = 0; i < t.beats().size(); i++) {
      double time = t.beats().get(i).time();
      double before = i == 0 ? -60 : t.beats().get(i - 1).time();
      if (!(time > before && time < before + 120 && time < 86_400)) {
        throw new IllegalArgumentException("beats out of order");
      }
    }
    return t;
  }

  /**
   * Takes a packed reference out, into a file of ours.
   *
   * @return empty when there is none
   */
  public Optional<Path> unpack(Path path, Path folder) throws IOException {
    try (ZipFile zip = ProjectZip.open(path, String.valueOf(path.getFileName()))) {
      Optional<? extends ZipEntry> entry =
          zip.stream()
              .filter(e -> e.getName().matches("reference\\." + ProjectZip.ENDING))
              .findFirst();
      if (entry.isEmpty()) {
        return Optional.empty();
      }
      Files.createDirectories(folder);
      Path to = folder.resolve(entry.get().getName());
      WholeFile.write(to, part -> ProjectZip.unpack(zip, entry.get(), part, path));
      return Optional.of(to);
    }
  }

  /**
   * Takes packed samples out, into files of ours.
   *
   * @return the project, with samples that are no longer where they were taken from there
   */
  public Project unpackSamples(Path path, Project project, Path folder) throws IOException {
    return PackedSamples.unpack(path, project, folder);
  }
}
