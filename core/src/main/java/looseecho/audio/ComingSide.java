package looseecho.audio;

import java.util.concurrent.CompletableFuture;
import looseecho.reading.Together;

/**
 * Samples that are still being read: whoever looks at one waits until they are there.
 *
 * @param length as many as there will be
 */
record ComingSide(int length, CompletableFuture<Side> coming) implements Side {
  private Side here() {
    return Together.joined(coming);
  }

  @Override
  public float get(int i) {
    return here().get(i);
  }

  @Override
  public float[] copy(int first, int count) {
    return here().copy(first, count);
  }

  @Override
  public Side slice(int first, int count) {
    return new ComingSide(count, coming.thenApply(s -> s.slice(first, count)));
  }
}
