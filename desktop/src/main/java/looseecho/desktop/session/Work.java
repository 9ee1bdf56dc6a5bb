package looseecho.desktop.session;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import looseecho.reading.Progress;

/** Runs one long job at a time off the interface's thread, shows its stages and cancels it. */
public final class Work implements AutoCloseable {
  /** A job; what it returns is handed over on the interface's thread. */
  public interface Job<T> {
    T run(Progress progress) throws Exception;
  }

  private static final long REPORT_NANOS = 40_000_000L;
  private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> daemon(r, "work"));
  private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper(false);
  private final ReadOnlyStringWrapper stage = new ReadOnlyStringWrapper("");
  private final ReadOnlyDoubleWrapper fraction = new ReadOnlyDoubleWrapper(0);
  private final AtomicLong current = new AtomicLong();
  private Future<?> future;

  private static Thread daemon(Runnable r, String name) {
    Thread t = new Thread(r, name);
    t.setDaemon(true);
    return t;
  }

  /**
   * Starts a job and cancels the one before it. Exactly one of the callbacks is called, on the
   * interface's thread, unless the job is replaced by a newer one: then none is.
   */
  public <T> void start(Job<T> job, Consumer<T> done, Consumer<Exception> failed) {
    if (thread.isShutdown()) {
      return;
    }
    cancel();
    long ticket = current.incrementAndGet();
    running.set(true);
    stage.set("");
    fraction.set(0);
    future =
        thread.submit(
            () -> {
              try {
                T result = job.run(new Reports(ticket));
                finish(ticket, () -> done.accept(result));
              } catch (Exception e) {
                finish(ticket, () -> failed.accept(e));
              } catch (OutOfMemoryError e) {
                finish(
                    ticket,
                    () ->
                        failed.accept(
                            new IllegalStateException("There is not enough memory for this.", e)));
              }
            });
  }

  private void finish(long ticket, Runnable then) {
    Platform.runLater(
        () -> {
          if (current.get() == ticket) {
            running.set(false);
            then.run();
          }
        });
  }

  /** Asks the job to stop; its failure callback gets a {@link Progress.CancelledException}. */
  public void cancel() {
    if (future != null) {
      future.cancel(true);
    }
  }

  public ReadOnlyBooleanProperty runningProperty() {
    return running.getReadOnlyProperty();
  }

  public ReadOnlyStringProperty stageProperty() {
    return stage.getReadOnlyProperty();
  }

  /** How much of the stage is done, 0..1. */
  public ReadOnlyDoubleProperty fractionProperty() {
    return fraction.getReadOnlyProperty();
  }

  @Override
  public void close() {
    current.incrementAndGet(); // what has just ended is not handed over any more
    thread.shutdownNow();
  }

  /** Hands reports to the interface at most 25 times a second. */
  private final class Reports implements Progress {
    private final long ticket;
    private long last;
    private String lastStage = "";

    Reports(long ticket) {
      this.ticket = ticket;
    }

    @Override
    public synchronized void at(String name, double done) {
      long now = System.nanoTime();
      if (now - last > REPORT_NANOS || !name.equals(lastStage)) {
        last = now;
        lastStage = name;
        Platform.runLater(
            () -> {
              if (current.get() == ticket) {
                stage.set(name);
                fraction.set(done);
              }
            });
      }
    }

    @Override
    public boolean cancelled() {
      return current.get() != ticket || Progress.super.cancelled();
    }
  }
}
