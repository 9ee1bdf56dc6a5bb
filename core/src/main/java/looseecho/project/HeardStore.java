package looseecho.project;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.disk.WholeFile;

/**
 * Keeps what was heard in tracks, by the sound's fingerprint, the version of the ear and the
 * corrections, so that a track is not heard twice. A cache: nothing is lost when it is deleted.
 */
public final class HeardStore {
  private static final int KEPT = 200;
  private static final int MOST_BYTES = 256 << 20;

  private final Path folder;

  public HeardStore(Path folder) {
    this.folder = folder;
  }

  private Path file(String fingerprint, Corrections c) {
    byte[] asked =
        CorrectionJson.write(c).toString().getBytes(java.nio.charset.StandardCharsets.UTF_8);
    String name = fingerprint + "-" + Analyzer.EAR + "-" + UUID.nameUUIDFromBytes(asked);
    return folder.resolve(name.replaceAll("[^\\w-]", "_") + ".json.gz");
  }

  /** What the present ear heard under these corrections; empty when it has not yet. */
  public Optional<Analysis> load(String fingerprint, Corrections c) {
    Path file = file(fingerprint, c);
    if (!Files.isRegularFile(file)) {
      return Optional.empty();
    }
    try (InputStream in = new GZIPInputStream(Files.newInputStream(file))) {
      return HeardJson.read(in.readNBytes(MOST_BYTES))
          .filter(k -> k.ear() == Analyzer.EAR)
          .map(HeardJson.Kept::analysis);
    } catch (IOException e) {
      return Optional.empty(); // it is heard again
    }
  }

  /** Keeps what was heard; the oldest goes when there are too many. */
  public void save(String fingerprint, Corrections c, Analysis analysis) throws IOException {
    Files.createDirectories(folder);
    byte[] json = HeardJson.write(new HeardJson.Kept(Analyzer.EAR, analysis));
    WholeFile.write(
        file(fingerprint, c),
        part -> {
          try (OutputStream out = new GZIPOutputStream(Files.newOutputStream(part))) {
            out.write(json);
          }
        });
    List<Path> all;
    try (Stream<Path> files = Files.list(folder)) {
      all =
          files
              .filter(p -> p.toString().endsWith(".json.gz"))
              .sorted(Comparator.comparing(p -> p.toFile().lastModified()))
              .toList();
    }
    for (Path old : all.subList(0, Math.max(0, all.size() - KEPT))) {
      Files.deleteIfExists(old);
    }
  }
}
