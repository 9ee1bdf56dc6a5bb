package looseecho.reading;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;

class TogetherTest {
  @Test
  void everyPieceIsDoneOnceAndAnswersKeepTheirOrder() {
    AtomicIntegerArray done = new AtomicIntegerArray(1000);
    Together.each(1000, done::incrementAndGet);
    assertTrue(IntStream.range(0, 1000).allMatch(i -> done.get(i) == 1));
    List<Integer> numbers = IntStream.range(0, 500).boxed().toList();
    assertEquals(numbers.stream().map(i -> i * i).toList(), Together.map(numbers, i -> i * i));
    assertEquals(List.of(), Together.map(List.of(), i -> i));
  }

  @Test
  void whatGoesWrongInOnePieceIsThrownAsItWasAndNoMoreAreBegun() {
    IllegalStateException wrong = new IllegalStateException("the third");
    AtomicInteger begun = new AtomicInteger();
    assertSame(
        wrong,
        assertThrows(
            IllegalStateException.class,
            () ->
                Together.each(
                    100_000,
                    i -> {
                      begun.incrementAndGet();
                      if (i == 3) {
                        throw wrong;
                      }
                    })));
    assertTrue(begun.get() < 100_000, () -> "begun: " + begun);
  }

  /** More stages than there are threads, each in pieces of pieces: none waits for ever. */
  @Test
  void stagesWithinStagesComeToAnEnd() {
    AtomicInteger done = new AtomicInteger();
    List<CompletableFuture<Integer>> stages =
        IntStream.range(0, 50)
            .mapToObj(
                s ->
                    Together.beside(
                        () -> {
                          Together.each(20, i -> Together.each(20, k -> done.incrementAndGet()));
                          return s;
                        }))
            .toList();
    Assertions.assertTimeoutPreemptively(
        Duration.ofSeconds(60), () -> stages.forEach(Together::joined));
    assertEquals(50 * 20 * 20, done.get());
  }

  @Test
  void aThreadThatIsToldToStopStillWaitsForWhatItBeganAndRemembers() {
    AtomicInteger done = new AtomicInteger();
    Thread.currentThread().interrupt();
    Together.each(64, i -> done.incrementAndGet());
    assertTrue(Thread.interrupted());
    assertEquals(64, done.get());
  }
}
