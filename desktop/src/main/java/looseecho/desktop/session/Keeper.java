package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import looseecho.analysis.Analysis;
import looseecho.disk.WholeFile;
import looseecho.project.Aside;
import looseecho.project.FoundSamples;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.project.ProjectLock;
import looseecho.project.Versions;
import looseecho.reading.Progress;

/**
 * Keeps work from being lost: saves projects and their last versions, has unsaved work written
 * aside, and finds what a killed window left behind. Belongs to the interface's thread, but for
 * reading and writing.
 */
public final class Keeper implements AutoCloseable {
  private static final int RECENT = 8;

  private final Path folder;
  private final ProjectFile files = new ProjectFile();
  private final Versions versions;
  private final Aside aside;
  private final BooleanProperty unsaved = new SimpleBooleanProperty(false);
  private final ObjectProperty<Path> path = new SimpleObjectProperty<>();
  private ProjectLock lock;

  Keeper(Path folder) {
    this.folder = folder;
    this.versions = new Versions(folder.resolve("versions"));
    this.aside = new Aside(folder);
  }

  /** A project that can't be opened, and what there is of it elsewhere, the newest first. */
  public static final class LostException extends IOException {
    private static final long serialVersionUID = 1;
    private final transient Path project;
    private final transient List<Path> kept;

    LostException(String message, Throwable cause, Path project, List<Path> kept) {
      super(message, cause);
      this.project = project;
      this.kept = List.copyOf(kept);
    }

    public Path project() {
      return project;
    }

    public List<Path> kept() {
      return kept;
    }
  }

  /** What reading a project brings. */
  record Read(Project project, Path sound, Optional<Analysis> heard, int ear, String note) {
    /** What it knows of its reference. */
    Intake.Known known() {
      return new Intake.Known(project.corrections(), heard, ear, project.reference().fingerprint());
    }
  }

  /** Reads a project and finds its reference: packed in, where it was, or beside the project. */
  Read read(Path file) throws IOException {
    ProjectFile.Opened opened;
    try {
      opened = files.open(file);
    } catch (ProjectFile.BadProjectException e) {
      List<Path> kept = new ArrayList<>(aside.leftOf(file));
      kept.addAll(versions.good(file));
      throw kept.isEmpty() ? e : new LostException(e.getMessage(), e, file, kept);
    }
    Project project = opened.project();
    Project.Link link = project.reference();
    if (link.packed()) {
      Path own = folder.resolve("unpacked").resolve(link.fingerprint().replaceAll("\\W", "_"));
      Optional<Path> sound = files.unpack(file, own);
      project = files.unpackSamples(file, project, own);
      if (sound.isPresent()) {
        return new Read(project, sound.get(), opened.heard(), opened.ear(), opened.note());
      }
    }
    Path was = Path.of(link.path());
    Path beside = file.resolveSibling(String.valueOf(was.getFileName()));
    for (Path p : List.of(was, beside)) {
      if (Files.isRegularFile(p)) {
        List<Path> near = List.of(file.toAbsolutePath().getParent(), p.getParent());
        project = FoundSamples.find(project, near, Progress.NONE);
        return new Read(project, p, opened.heard(), opened.ear(), opened.note());
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
    aside.belongsTo(project);
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
  void changed(Project work) {
    unsaved.set(true);
    aside.changed(work);
  }

  /** Work left behind is at work again: its file goes once the work is written elsewhere. */
  void takenUp(Path left) {
    aside.replaces(left);
  }

  /** All work is in the project file now. */
  void saved() {
    unsaved.set(false);
    aside.forget();
  }

  /**
   * Writes a project on a working thread.
   *
   * @return words about what was done
   */
  String write(Project project, Optional<Path> packed, Optional<Analysis> heard, Path to)
      throws IOException {
    files.write(project, packed, heard, to);
    versions.keep(to);
    return "Saved as " + to.getFileName();
  }

  /** Work that a window left behind when it was killed, newest first. */
  public List<Path> leftBehind() {
    return aside.left();
  }

  /** Forgets work left behind. */
  public void forget(Path left) {
    try {
      aside.forget(left);
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
    aside.close();
    try {
      if (lock != null) {
        lock.close();
      }
    } catch (IOException e) {
      System.getLogger(Keeper.class.getName())
          .log(System.Logger.Level.DEBUG, "a lock was gone already", e);
    }
  }
}
