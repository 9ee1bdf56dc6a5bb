package looseecho.reading;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.function.Supplier;

/**
 * Stages that do not need each other, and pieces of one stage, side by side on all cores.
 *
 * <p>Parallel streams would do for the pieces, were they not waited for by several threads at once:
 * those of Java 17 then turn in circles until the others' pieces are done, which took a tenth of
 * the time of hearing a track.
 */
public final class Together {
  private Together() {}

  /** Starts a stage beside what goes on; it must watch the {@link Progress} to be stopped. */
  public static <T> CompletableFuture<T> beside(Supplier<T> stage) {
    return CompletableFuture.supplyAsync(stage);
  }

  /** Waits for a stage; what went wrong in it is thrown here as it was. */
  public static <T> T joined(CompletableFuture<T> stage) {
    try {
      return stage.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof RuntimeException r) {
        throw r;
      }
      if (e.getCause() instanceof Error r) {
        throw r;
      }
      throw e;
    }
  }

  /**
   * Does the pieces 0 to before {@code count} on all cores, this thread among them; comes back when
   * all are done.
   *
   * @param work one piece; what is thrown by one is thrown here, and no more are begun
   */
  public static void each(int count, IntConsumer work) {
    Pieces pieces = new Pieces(count, work);
    int helpers = Math.min(count, Runtime.getRuntime().availableProcessors()) - 1;
    for (int i = 0; i < helpers; i++) {
      CompletableFuture.runAsync(pieces::take);
    }
    pieces.take();
    pieces.await();
  }

  /** The same for things of any kind. */
  public static <T> void each(Collection<T> things, Consumer<T> work) {
    List<T> all = List.copyOf(things);
    each(all.size(), i -> work.accept(all.get(i)));
  }

  /** Every thing turned into another on all cores, in the same order. */
  public static <T, R> List<R> map(List<T> things, Function<T, R> turn) {
    List<R> out = new ArrayList<>(Collections.nCopies(things.size(), null));
    each(things.size(), i -> out.set(i, turn.apply(things.get(i))));
    return Collections.unmodifiableList(out);
  }

  private static final class Pieces {
    private final int count;
    private final IntConsumer work;
    private final AtomicInteger next = new AtomicInteger();
    private final CountDownLatch open;
    private final AtomicReference<Throwable> wrong = new AtomicReference<>();

    Pieces(int count, IntConsumer work) {
      this.count = count;
      this.work = work;
      this.open = new CountDownLatch(count);
    }

    /** Takes pieces until there are no more. A helper that comes too late finds none. */
    void take() {
      for (int i = next.getAndIncrement(); i < count; i = next.getAndIncrement()) {
        try {
          if (wrong.get() == null) {
            work.accept(i);
          }
        } catch (RuntimeException | Error e) {
          wrong.compareAndSet(null, e);
        } finally {
          open.countDown();
        }
      }
    }

    /** Waits for pieces that others took, even when this thread is told to stop: they end soon. */
    void await() {
      boolean told = false;
      while (true) {
        try {
          open.await();
          break;
        } catch (InterruptedException e) {
          told = true;
        }
      }
      if (told) {
        Thread.currentThread().interrupt();
      }
      if (wrong.get() instanceof RuntimeException e) {
        throw e;
      }
      if (wrong.get() instanceof Error e) {
        throw e;
      }
    }
  }
}
