package looseecho.project;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.disk.Seal;
import looseecho.disk.WholeFile;
import looseecho.reading.Together;

/**
 * Reads and writes {@code .looseecho} files: a zip with {@code project.json} (its schema is {@code
 * project.schema.json} beside this class) and, when asked for, the reference as {@code reference}
 * and the person's samples as {@code samples/ID}, each with its own ending.
 *
 * <p>A file is written whole or not at all; no more is read than {@link #MOST_JSON} bytes of JSON
 * and {@link ProjectZip#MOST_SOUND} of sound.
 */
public final class ProjectFile {
  public static final int VERSION = 9;

  private static final long MOST_JSON = 64L << 20;
  private static final String JSON = "project.json";
  private static final String SOUND = "reference.";
  private static final String HEARD = "heard.json";
  private static final byte[] NOTHING = {};

  private final ProjectJson json = new ProjectJson();

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
    try (ZipOutputStream zip =
        new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(part)))) {
      zip.putNextEntry(ProjectZip.entry(JSON));
      zip.write(json.write(project, packed.isPresent()));
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
      byte[] all = ProjectZip.bytes(zip, entry, MOST_JSON, name);
      byte[] kept = heard(zip, name);
      CompletableFuture<Optional<HeardJson.Kept>> heard =
          Together.beside(() -> HeardJson.read(kept));
      ProjectJson.Read read = json.read(all, name);
      return new Opened(
          read.project(),
          Together.joined(heard).map(HeardJson.Kept::analysis),
          Together.joined(heard).map(HeardJson.Kept::ear).orElse(0),
          read.note());
    } catch (BadProjectException e) {
      throw e;
    } catch (IOException | IllegalArgumentException e) {
      throw ProjectZip.bad(name, "is damaged", e);
    }
  }

  /** What was heard then, as it lies there; nothing for a damaged one, which is heard again. */
  private static byte[] heard(ZipFile zip, String name) {
    ZipEntry entry = zip.getEntry(HEARD);
    try {
      return entry == null ? NOTHING : ProjectZip.bytes(zip, entry, MOST_JSON, name);
    } catch (IOException e) {
      return NOTHING;
    }
  }

  /**
   * Takes a packed reference out, into a file of ours; one that is there is left as it lies.
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
      if (!ProjectZip.isOut(entry.get(), to)) {
        WholeFile.write(to, part -> ProjectZip.unpack(zip, entry.get(), part, path));
      }
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
