package looseecho.reading;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Supplier;

/** Stages that do not need each other, side by side on all cores. */
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
}
