package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.util.Duration;
import looseecho.exchange.WholeFile;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.project.ProjectLock;
import looseecho.project.Versions;

/**
 * Keeps work from being lost: saves projects and their last versions, writes unsaved work aside a
 * moment after each change, and finds what a killed window left behind. Belongs to the interface's
 * thread; files are written on a thread of its own.
 */
public final class Keeper implements AutoCloseable {
  private static final double ASIDE_SECONDS = 1.5; // after the last change; at most twice as long
  private static final int RECENT = 8;

  private final Path folder;
  private final Supplier<Optional<Project>> present;
  private final ProjectFile files = new ProjectFile();
  private final Versions versions;
  private final Work writing = new Work();
  private final PauseTransition pause = new PauseTransition(Duration.seconds(ASIDE_SECONDS));
  private final BooleanProperty unsaved = new SimpleBooleanProperty(false);
  private final ObjectProperty<Path> path = new SimpleObjectProperty<>();
  private final Path aside;
  private ProjectLock asideLock;
  private ProjectLock lock;

  Keeper(Path folder, Supplier<Optional<Project>> present) {
    this.folder = folder;
    this.present = present;
    this.versions = new Versions(folder.resolve("versions"));
    this.aside = folder.resolve("unsaved").resolve(UUID.randomUUID() + ".looseecho");
    pause.setOnFinished(e -> writeAside());
  }

  /** What reading a project brings. */
  record Read(Project project, Path sound) {}

  /** Reads a project and finds its reference: packed in, where it was, or beside the project. */
  Read read(Path file) throws IOException {
    Project project;
    try {
      project = files.read(file);
    } catch (ProjectFile.BadProjectException e) {
      Optional<Path> good = versions.lastGood(file);
      throw good.isEmpty()
          ? e
          : new IOException(e.getMessage() + " The last good version is kept as " + good.get(), e);
    } catch (NoSuchFileException e) {
      throw new IOException("There is no project " + file, e);
    }
    Project.Link link = project.reference();
    if (link.packed()) {
      Path own = folder.resolve("unpacked").resolve(link.fingerprint().replaceAll("\\W", "_"));
      Optional<Path> sound = files.unpack(file, own);
      if (sound.isPresent()) {
        return new Read(project, sound.get());
      }
    }
    Path was = Path.of(link.path());
    Path beside = file.resolveSibling(String.valueOf(was.getFileName()));
    for (Path p : List.of(was, beside)) {
      if (Files.isRegularFile(p)) {
        return new Read(project, p);
      }
    }
    throw new IOException(
        "The reference " + link.name() + " is neither where it was nor beside the project.");
  }

  /** From now on work belongs to this project; null for none. */
  String took(Path project) throws IOException {
    if (lock != null) {
      lock.close();
      lock = null;
    }
    path.set(project);
    unsaved.set(false);
    if (project == null) {
      return "";
    }
    remember(project);
    Optional<ProjectLock> taken = ProjectLock.take(project, folder.resolve("locks"));
    lock = taken.orElse(null);
    return taken.isPresent()
        ? ""
        : "This project is open in another window: save under another name, or one will overwrite the other.";
  }

  /** Work has changed; it is written aside soon. */
  void changed() {
    unsaved.set(true);
    if (pause.getStatus() != javafx.animation.Animation.Status.RUNNING) {
      pause.playFromStart(); // not again with every change: no edit waits longer than this
    }
  }

  private void writeAside() {
    Optional<Project> now = present.get();
    if (now.isEmpty() || !unsaved.get()) {
      return;
    }
    writing.start(
        p -> {
          Files.createDirectories(aside.getParent());
          if (asideLock == null) {
            asideLock = ProjectLock.take(aside, folder.resolve("locks")).orElse(null);
          }
          files.write(now.get(), Optional.empty(), aside);
          return aside;
        },
        done -> {},
        e ->
            System.getLogger(Keeper.class.getName())
                .log(System.Logger.Level.WARNING, "unsaved work can't be written aside", e));
  }

  /**
   * Writes a project on a working thread.
   *
   * @return words about what was done
   */
  String write(Project project, Optional<Path> packed, Path to) throws IOException {
    files.write(project, packed, to);
    versions.keep(to);
    Files.deleteIfExists(aside);
    return "Saved as " + to.getFileName();
  }

  /** Work that a window left behind when it was killed, newest first. */
  public List<Path> leftBehind() {
    Path own = folder.resolve("unsaved");
    List<Path> out = new ArrayList<>();
    if (!Files.isDirectory(own)) {
      return out;
    }
    try (Stream<Path> all = Files.list(own)) {
      for (Path p : all.filter(f -> f.toString().endsWith(".looseecho")).toList()) {
        Optional<ProjectLock> free = ProjectLock.take(p, folder.resolve("locks"));
        if (free.isPresent()) {
          free.get().close();
          out.add(p);
        }
      }
      out.sort(java.util.Comparator.comparing(p -> -p.toFile().lastModified()));
    } catch (IOException e) {
      System.getLogger(Keeper.class.getName())
          .log(System.Logger.Level.WARNING, "unsaved work can't be looked for", e);
    }
    return out;
  }

  /** Forgets work left behind. */
  public void forget(Path left) {
    try {
      Files.deleteIfExists(left);
    } catch (IOException e) {
      System.getLogger(Keeper.class.getName())
          .log(System.Logger.Level.WARNING, "can't be removed: " + left, e);
    }
  }

  private void remember(Path project) throws IOException {
    List<String> lines = new ArrayList<>(recent().stream().map(Path::toString).toList());
    lines.remove(project.toAbsolutePath().toString());
    lines.add(0, project.toAbsolutePath().toString());
    Files.createDirectories(folder);
    WholeFile.write(
        folder.resolve("recent.txt"),
        part -> Files.write(part, lines.subList(0, Math.min(RECENT, lines.size()))));
  }

  /** Projects worked on lately that are still there, newest first. */
  public List<Path> recent() {
    Path list = folder.resolve("recent.txt");
    try {
      return Files.exists(list)
          ? Files.readAllLines(list).stream().map(Path::of).filter(Files::exists).toList()
          : List.of();
    } catch (IOException e) {
      return List.of();
    }
  }

  /** True when there is work that no project file has. */
  public BooleanProperty unsavedProperty() {
    return unsaved;
  }

  /** The project file at work, null for none. */
  public ObjectProperty<Path> pathProperty() {
    return path;
  }

  @Override
  public void close() {
    pause.stop();
    writing.close();
    forget(aside);
    try {
      if (asideLock != null) {
        asideLock.close();
      }
      if (lock != null) {
        lock.close();
      }
    } catch (IOException e) {
      System.getLogger(Keeper.class.getName())
          .log(System.Logger.Level.DEBUG, "a lock was gone already", e);
    }
  }
}
