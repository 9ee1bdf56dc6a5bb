package looseecho.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Writes unsaved work aside a moment after it changes, on a thread of its own, so that a killed
 * program loses no more than that moment. A lock that the system frees tells work that was left
 * behind from work that is going on in another window. Thread-safe.
 */
public final class Aside implements AutoCloseable {
  /** From a change until it is on the disk, in milliseconds. */
  static final long DELAY_MS = 1500;

  private static final String ENDING = ".looseecho";
  private static final String NEW = "new";

  private final Path folder;
  private final Path locks;
  private final ProjectFile files = new ProjectFile();
  private final ScheduledExecutorService thread =
      Executors.newSingleThreadScheduledExecutor(
          r -> {
            Thread t = new Thread(r, "aside");
            t.setDaemon(true);
            return t;
          });
  private Path file;
  private ProjectLock lock; // belongs to the thread
  private Path replaced; // left behind and at work again; null for none
  private Project waiting; // not written yet; null for none

  /** Writes into folders of the program's own below {@code home}. */
  public Aside(Path home) {
    folder = home.resolve("unsaved");
    locks = home.resolve("locks");
    file = name(NEW);
  }

  private Path name(String owner) {
    return folder.resolve(owner + "-" + UUID.randomUUID() + ENDING);
  }

  private static String owner(Path project) {
    return project == null ? NEW : ProjectLock.id(project);
  }

  /** From now on work belongs to a project, null for none; what was written aside is forgotten. */
  public synchronized void belongsTo(Path project) {
    forget();
    file = name(owner(project));
  }

  /** Work as it is now; it is written soon, unless something newer comes before. */
  public synchronized void changed(Project work) {
    boolean planned = waiting != null;
    waiting = work;
    if (!planned && !thread.isShutdown()) {
      thread.schedule(this::write, DELAY_MS, TimeUnit.MILLISECONDS);
    }
  }

  /** The work was taken from a file that was left behind; it goes when the work is kept anew. */
  public synchronized void replaces(Path left) {
    replaced = left;
  }

  /** All work is saved elsewhere: nothing is to be written, and what was written is removed. */
  public synchronized void forget() {
    waiting = null;
    Path old = file;
    if (!thread.isShutdown()) {
      thread.execute(() -> remove(old));
    }
  }

  private void write() {
    Project work;
    Path to;
    synchronized (this) {
      work = waiting;
      to = file;
      waiting = null;
    }
    if (work == null) {
      return;
    }
    try {
      Files.createDirectories(to.getParent());
      if (lock == null) {
        lock = ProjectLock.take(to, locks).orElse(null);
      }
      files.write(work, Optional.empty(), to);
      removeReplaced();
    } catch (IOException | RuntimeException e) {
      System.getLogger(Aside.class.getName())
          .log(System.Logger.Level.WARNING, "unsaved work can't be written aside", e);
    }
  }

  private synchronized void removeReplaced() throws IOException {
    if (replaced != null) {
      Files.deleteIfExists(replaced);
      replaced = null;
    }
  }

  private void remove(Path old) {
    try {
      removeReplaced();
      Files.deleteIfExists(old);
      if (lock != null) {
        lock.close();
        lock = null;
      }
    } catch (IOException e) {
      System.getLogger(Aside.class.getName())
          .log(System.Logger.Level.WARNING, "can't be removed: " + old, e);
    }
  }

  /** Work that windows left behind when they were killed, newest first. */
  public List<Path> left() {
    return left("");
  }

  /** The same for one project. */
  public List<Path> leftOf(Path project) {
    return left(owner(project));
  }

  private List<Path> left(String owner) {
    List<Path> out = new ArrayList<>();
    if (!Files.isDirectory(folder)) {
      return out;
    }
    try (Stream<Path> all = Files.list(folder)) {
      for (Path p : all.filter(f -> isLeft(f.getFileName().toString(), owner)).toList()) {
        Optional<ProjectLock> free = ProjectLock.take(p, locks);
        if (free.isPresent()) {
          free.get().close();
          out.add(p);
        }
      }
      out.sort(Comparator.comparing(p -> -p.toFile().lastModified()));
    } catch (IOException e) {
      System.getLogger(Aside.class.getName())
          .log(System.Logger.Level.WARNING, "unsaved work can't be looked for", e);
    }
    return out;
  }

  private static boolean isLeft(String name, String owner) {
    return name.endsWith(ENDING) && name.startsWith(owner) && !name.startsWith(".");
  }

  /** Removes work that was left behind and is not wanted. */
  public void forget(Path left) throws IOException {
    Files.deleteIfExists(left);
  }

  /** Ends in order: nothing is left behind. */
  @Override
  public void close() {
    forget();
    thread.shutdown();
    try {
      if (!thread.awaitTermination(5, TimeUnit.SECONDS)) {
        thread.shutdownNow();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
