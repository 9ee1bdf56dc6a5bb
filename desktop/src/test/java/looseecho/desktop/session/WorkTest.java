package looseecho.desktop.session;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.stage.Stage;
import looseecho.reading.Progress;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** A lane of work ends every job once: done, stopped or failed. */
@ExtendWith(ApplicationExtension.class)
class WorkTest {
  private final List<String> ends = new ArrayList<>();
  private final CountDownLatch gate = new CountDownLatch(1);
  private Work lane;

  @Start
  void start(Stage stage) {
    stage.setTitle("no window is needed");
  }

  @AfterEach
  void close() {
    gate.countDown();
    lane.close();
  }

  private void job(String name, Work.Job<String> work) {
    lane.start(
        work,
        done -> ends.add(name + " done"),
        e -> ends.add(name + (e instanceof Progress.CancelledException ? " stopped" : " failed")));
  }

  private String waiting(Progress p, String name) throws InterruptedException {
    p.step("Doing " + name, 0.25);
    while (!gate.await(5, TimeUnit.MILLISECONDS)) {
      p.step("Doing " + name, 0.5);
    }
    return name;
  }

  private void jobs() {
    fx(
        () -> {
          job("one", p -> waiting(p, "one"));
          job("two", p -> waiting(p, "two"));
          job("three", p -> waiting(p, "three"));
        });
  }

  static void fx(Runnable what) {
    try {
      WaitForAsyncUtils.asyncFx(what).get();
    } catch (InterruptedException | java.util.concurrent.ExecutionException e) {
      throw new AssertionError(e);
    }
  }

  static void until(String what, java.util.concurrent.Callable<Boolean> condition) {
    try {
      WaitForAsyncUtils.waitFor(
          60, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(condition).get());
    } catch (java.util.concurrent.TimeoutException e) {
      throw new AssertionError("waited in vain until " + what, e);
    }
  }

  @Test
  void aJobThatHasNotSaidItsStageIsToldByItsLane() {
    lane = Work.newest("matching sounds");
    fx(
        () ->
            job(
                "one",
                p -> {
                  gate.await();
                  return "one";
                }));
    until("it is told", () -> lane.stageProperty().get().equals("Matching sounds"));
    gate.countDown();
    until("it is done", () -> ends.contains("one done"));
    until("nothing is told any more", () -> lane.stageProperty().get().isEmpty());
  }

  @Test
  void inOrderEveryJobHasItsTurnAndShowsItself() {
    lane = Work.inOrder("test");
    jobs();
    until("the first shows its stage", () -> "Doing one".equals(lane.stageProperty().get()));
    assertTrue(lane.runningProperty().get());
    assertEquals(List.of(), ends);
    gate.countDown();
    until("all are done", () -> ends.size() == 3);
    assertEquals(List.of("one done", "two done", "three done"), ends);
    until("nothing runs", () -> !lane.runningProperty().get());
    assertEquals("", lane.stageProperty().get());
  }

  @Test
  void stoppingEndsTheJobAtWorkAndThoseThatWait() {
    lane = Work.inOrder("test");
    jobs();
    until("the first is at work", () -> "Doing one".equals(lane.stageProperty().get()));
    fx(lane::cancel);
    until("all have said so", () -> ends.size() == 3);
    assertTrue(ends.stream().allMatch(e -> e.endsWith("stopped")), ends.toString());
    fx(() -> job("four", p -> "at once"));
    until("the lane goes on", () -> ends.contains("four done"));
  }

  @Test
  void aNewerJobTakesThePlaceOfTheOneBeforeWithoutAWord() {
    lane = Work.newest("test");
    jobs();
    gate.countDown();
    until("the last is done", () -> ends.contains("three done"));
    assertEquals(List.of("three done"), ends);
    fx(() -> job("four", p -> waiting(p, "four")));
    fx(lane::drop);
    assertFalse(lane.runningProperty().get());
  }

  /** Out of memory is no exception; the window must not be busy for ever. */
  @Test
  void errorsEndAJobToo() {
    lane = Work.inOrder("test");
    List<Throwable> seen = new ArrayList<>();
    fx(
        () -> {
          lane.start(
              p -> {
                throw new OutOfMemoryError("made up");
              },
              d -> ends.add("done"),
              seen::add);
          job("next", p -> "fine");
        });
    until("the next has its turn", () -> ends.contains("next done"));
    assertInstanceOf(OutOfMemoryError.class, seen.get(0));
    until("nothing runs", () -> !lane.runningProperty().get());
  }
}
