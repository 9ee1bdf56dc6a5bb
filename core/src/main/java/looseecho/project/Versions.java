package looseecho.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import looseecho.disk.WholeFile;

/** Keeps the last ten good versions of every project file, in a folder of the program's own. */
public final class Versions {
  static final int KEPT = 10;
  private final Path folder;

  public Versions(Path folder) {
    this.folder = folder;
  }

  private Path of(Path project) {
    String id = ProjectLock.id(project);
    String name = project.getFileName().toString().replaceAll("[^\\w.-]", "_");
    return folder.resolve(name + "-" + id);
  }

  /** Keeps a copy of a project that has just been written. */
  public void keep(Path project) throws IOException {
    Path own = of(project);
    Files.createDirectories(own);
    List<Path> all = list(project);
    int next = all.isEmpty() ? 1 : number(all.get(all.size() - 1)) + 1;
    WholeFile.write(
        own.resolve(String.format(Locale.ROOT, "%06d.looseecho", next)),
        part -> Files.copy(project, part, StandardCopyOption.REPLACE_EXISTING));
    for (int i = 0; i < all.size() - KEPT + 1; i++) {
      Files.deleteIfExists(all.get(i));
    }
  }

  private static int number(Path p) {
    return Integer.parseInt(p.getFileName().toString().substring(0, 6));
  }

  /** Kept versions of a project, oldest first. */
  public List<Path> list(Path project) throws IOException {
    Path own = of(project);
    if (!Files.isDirectory(own)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(own)) {
      return files
          .filter(f -> f.getFileName().toString().matches("\\d{6}\\.looseecho"))
          .sorted(Comparator.comparingInt(Versions::number))
          .toList();
    }
  }

  /** The kept versions that can be read, newest first. */
  public List<Path> good(Path project) throws IOException {
    List<Path> all = new ArrayList<>(list(project));
    Collections.reverse(all);
    all.removeIf(p -> !readable(p));
    return all;
  }

  private static boolean readable(Path p) {
    try {
      new ProjectFile().read(p);
      return true;
    } catch (IOException e) {
      System.getLogger(Versions.class.getName())
          .log(System.Logger.Level.DEBUG, "a kept version can't be read: " + p, e);
      return false;
    }
  }
}
