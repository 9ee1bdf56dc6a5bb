package looseecho.handover;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.disk.WholeFile;
import looseecho.reading.Progress;

/**
 * Writes a pack: a folder, or a zip of it, that appears when it is complete. One that fails or is
 * stopped leaves nothing.
 */
public final class Pack {
  private static final String README = "readme.txt";
  private static final String PROJECT = ".looseecho";
  private static final String MARK = "A pack by Loose Echo";

  private Pack() {}

  /**
   * Writes NAME, or NAME.zip, into a folder that is made if need be.
   *
   * @param force true to write over an earlier pack of that name; nothing else is written over
   * @return the pack
   */
  public static Path write(
      Handover h,
      Set<? extends Exporter> kinds,
      Path into,
      boolean zip,
      boolean force,
      Progress progress)
      throws IOException {
    Files.createDirectories(into);
    Path target = into.resolve(zip ? h.name() + ".zip" : h.name());
    if (Files.exists(target) && !(force && isPack(target))) {
      throw new FileAlreadyExistsException(
          target
              + " is there already"
              + (force ? ", and it is no earlier pack." : ". Say so if it shall be written over."));
    }
    Path work = Files.createTempDirectory(into, ".pack");
    try {
      fill(h, kinds, work, progress);
      progress.step("Writing the pack", 1);
      if (zip) {
        WholeFile.write(target, part -> zipped(work, h.name(), part));
      } else {
        if (Files.exists(target)) {
          remove(target);
        }
        Files.move(work, target);
      }
      return target;
    } finally {
      remove(work);
    }
  }

  private static void fill(Handover h, Set<? extends Exporter> kinds, Path work, Progress progress)
      throws IOException {
    List<String> told = new ArrayList<>();
    for (Exporter e : kinds) {
      if (!e.write(h, work, progress).isEmpty()) {
        told.add("- " + e.about());
      }
    }
    String words =
        MARK
            + "\n\n"
            + h.name()
            + ", after "
            + h.project().reference().name()
            + "\n\n"
            + String.join("\n", told)
            + "\n\n"
            + Sheet.CAUTION
            + "\n";
    Exporters.text(work, README, words);
  }

  /**
   * The project of a pack; empty where it is no pack or has none. That of a zip is copied into a
   * folder, where it can be worked on.
   */
  public static Optional<Path> project(Path pack, Path copies) throws IOException {
    if (!isPack(pack)) {
      return Optional.empty();
    }
    if (Files.isDirectory(pack)) {
      try (Stream<Path> files = Files.list(pack)) {
        return files.filter(f -> f.toString().endsWith(PROJECT)).findFirst();
      }
    }
    try (ZipFile zip = new ZipFile(pack.toFile())) {
      Optional<? extends ZipEntry> entry =
          zip.stream().filter(e -> e.getName().endsWith(PROJECT)).findFirst();
      if (entry.isEmpty()) {
        return Optional.empty();
      }
      Files.createDirectories(copies);
      String name = entry.get().getName().replaceFirst(".*/", "");
      Path copy = copies.resolve(name);
      for (int n = 2; Files.exists(copy); n++) {
        copy = copies.resolve(name.replace(PROJECT, " " + n + PROJECT));
      }
      WholeFile.write(
          copy,
          part -> {
            try (InputStream in = zip.getInputStream(entry.get())) {
              Files.copy(in, part, StandardCopyOption.REPLACE_EXISTING);
            }
          });
      return Optional.of(copy);
    }
  }

  /** True for a folder or a zip that this program wrote. */
  static boolean isPack(Path path) {
    try {
      if (Files.isDirectory(path)) {
        Path readme = path.resolve(README);
        return Files.isRegularFile(readme) && Files.readString(readme).startsWith(MARK);
      }
      try (ZipFile zip = new ZipFile(path.toFile())) {
        return zip.stream().anyMatch(e -> e.getName().endsWith("/" + README));
      }
    } catch (IOException e) {
      return false;
    }
  }

  private static void zipped(Path folder, String name, Path to) throws IOException {
    try (OutputStream out = Files.newOutputStream(to);
        ZipOutputStream zip = new ZipOutputStream(out);
        Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.filter(Files::isRegularFile).sorted().toList()) {
        String inside = folder.relativize(file).toString().replace('\\', '/');
        zip.putNextEntry(new ZipEntry(name + "/" + inside));
        Files.copy(file, zip);
        zip.closeEntry();
      }
    }
  }

  private static void remove(Path folder) throws IOException {
    if (!Files.exists(folder)) {
      return;
    }
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }
}
