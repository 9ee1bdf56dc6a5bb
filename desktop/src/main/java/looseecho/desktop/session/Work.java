package looseecho.desktop.session;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.concurrent.Task;
import looseecho.reading.Progress;

/**
 * A lane of long work, off the interface's thread: one job at a time, shown with its stage, and
 * ended every time in done, stopped or failed. Lanes know nothing of each other. Belongs to the
 * interface's thread.
 */
public final class Work implements AutoCloseable {
  /** A job; what it returns is handed over on the interface's thread. */
  public interface Job<T> {
    T run(Progress progress) throws Exception;
  }

  private static final long TELL_AGAIN_NS = 100_000_000;

  private final String name; // told until a job says its first stage
  private final boolean newestOnly;
  private final ExecutorService thread;
  private final Deque<Running<?>> jobs = new ArrayDeque<>();
  private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper(false);
  private final ReadOnlyStringWrapper stage = new ReadOnlyStringWrapper("");
  private final ReadOnlyStringWrapper rest = new ReadOnlyStringWrapper("");
  private final ReadOnlyDoubleWrapper fraction = new ReadOnlyDoubleWrapper(0);

  private Work(String name, boolean newestOnly) {
    this.name = name;
    this.newestOnly = newestOnly;
    thread =
        Executors.newSingleThreadExecutor(
            r -> {
              Thread t = new Thread(r, name);
              t.setDaemon(true);
              return t;
            });
  }

  /** A lane in which a newer job takes the place of the one before, which ends without a word. */
  public static Work newest(String name) {
    return new Work(name, true);
  }

  /** A lane in which every job has its turn. */
  public static Work inOrder(String name) {
    return new Work(name, false);
  }

  /**
   * Starts a job. Exactly one of the callbacks is called, on the interface's thread, unless the job
   * is replaced by a newer one or the lane is closed.
   *
   * @param failed takes what went wrong, errors too; a {@link Progress.CancelledException} when the
   *     job was stopped
   */
  public <T> void start(Job<T> job, Consumer<T> done, Consumer<Throwable> failed) {
    if (thread.isShutdown()) {
      return;
    }
    if (newestOnly) {
      drop();
    }
    Running<T> task = new Running<>(job, done, failed);
    jobs.add(task);
    showFirst();
    thread.execute(task);
  }

  /** Asks the job at work and those that wait to stop; each says that it was stopped. */
  public void cancel() {
    List.copyOf(jobs).forEach(Task::cancel); // a job leaves the lane as it is cancelled
  }

  /** Stops what is at work without a word: what comes of it is not wanted any more. */
  public void drop() {
    jobs.forEach(j -> j.unwanted = true);
    List.copyOf(jobs).forEach(Task::cancel);
    jobs.clear();
    showFirst();
  }

  private void showFirst() {
    Running<?> first = jobs.peek();
    stage.unbind();
    rest.unbind();
    fraction.unbind();
    running.set(first != null);
    if (first == null) {
      stage.set("");
      rest.set("");
      fraction.set(0);
    } else {
      stage.bind(first.messageProperty());
      rest.bind(first.titleProperty());
      fraction.bind(first.progressProperty());
    }
  }

  public ReadOnlyBooleanProperty runningProperty() {
    return running.getReadOnlyProperty();
  }

  public ReadOnlyStringProperty stageProperty() {
    return stage.getReadOnlyProperty();
  }

  /** How long the stage still takes, in words; empty while that is not known. */
  public ReadOnlyStringProperty restProperty() {
    return rest.getReadOnlyProperty();
  }

  /** How much of the stage is done, 0..1; less than 0 while that is not known. */
  public ReadOnlyDoubleProperty fractionProperty() {
    return fraction.getReadOnlyProperty();
  }

  @Override
  public void close() {
    drop();
    thread.shutdownNow();
  }

  /** A job as a task; its token of cancelling is seen by all threads that work on it. */
  private final class Running<T> extends Task<T> {
    private final Job<T> job;
    private final Consumer<T> done;
    private final Consumer<Throwable> failed;
    private final RestTime rests = new RestTime();
    private volatile boolean unwanted;
    private volatile String told = ""; // the stage last told
    private volatile long toldAt;

    Running(Job<T> job, Consumer<T> done, Consumer<Throwable> failed) {
      this.job = job;
      this.done = done;
      this.failed = failed;
      updateMessage(Character.toUpperCase(name.charAt(0)) + name.substring(1));
    }

    @Override
    protected T call() throws Exception {
      return job.run(
          new Progress() {
            @Override
            public void at(String name, double share) {
              if (!isDue(name)) {
                return;
              }
              updateMessage(name);
              updateTitle(rests.words(name, share, System.nanoTime() * 1e-9));
              updateProgress(share, 1);
            }

            @Override
            public boolean cancelled() {
              return isCancelled() || unwanted;
            }
          });
    }

    /** Ten times a second is enough to see: every drawing takes its time from the job. */
    private boolean isDue(String stage) {
      long now = System.nanoTime();
      boolean due = !stage.equals(told) || now - toldAt >= TELL_AGAIN_NS;
      if (due) {
        told = stage;
        toldAt = now;
      }
      return due;
    }

    @Override
    protected void succeeded() {
      end(() -> done.accept(getValue()));
    }

    @Override
    protected void failed() {
      Throwable e = getException();
      boolean stopped = e instanceof CancellationException;
      end(() -> failed.accept(stopped ? new Progress.CancelledException() : e));
    }

    @Override
    protected void cancelled() {
      end(() -> failed.accept(new Progress.CancelledException()));
    }

    private void end(Runnable then) {
      if (!unwanted) {
        jobs.remove(this);
        showFirst();
        then.run();
      }
    }
  }
}
