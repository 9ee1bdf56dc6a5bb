package looseecho.play;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.mix.EchoRenderer;
import org.junit.jupiter.api.Test;

/** What is shown stands where the ear is, whatever waits in the device. */
class InStepTest {
  /** A device that holds so many samples back; every block that comes is counted. */
  private static final class Holding implements OutputDevice {
    private final long held;
    private final CountDownLatch blocks;
    private volatile boolean closed;
    private volatile float most;

    Holding(long held, int blocks) {
      this.held = held;
      this.blocks = new CountDownLatch(blocks);
    }

    @Override
    public void write(float[] x, int samples) {
      for (int i = 0; i < 2 * samples; i++) {
        most = Math.max(most, Math.abs(x[i]));
      }
      blocks.countDown();
      java.util.concurrent.locks.LockSupport.parkNanos(100_000);
    }

    void await() throws InterruptedException {
      assertTrue(blocks.await(20, TimeUnit.SECONDS), "no sound came");
    }

    @Override
    public long waiting() {
      return held;
    }

    @Override
    public String remark() {
      return "";
    }

    @Override
    public void close() {
      closed = true;
    }
  }

  @Test
  void thePlaceHeardLiesBehindTheOneMadeByWhatWaits() {
    HeardPlace heard = new HeardPlace(100);
    assertEquals(-1, heard.place(0));
    for (int b = 0; b < 10; b++) {
      heard.made(new HeardPlace.Made(100 * b, 100 * b + 100, b == 7 ? 0 : -1));
    }
    assertEquals(1000, heard.place(0));
    assertEquals(750, heard.place(250));
    assertEquals(50, heard.shot(250));
    assertEquals(-1, heard.shot(350));
    heard.made(new HeardPlace.Made(1000, 240, -1)); // a loop of 200 to 1060 turned round
    heard.made(new HeardPlace.Made(240, 340, -1));
    assertEquals(290, heard.place(50));
    assertEquals(1020, heard.place(180), "still before the turn");
    heard.made(new HeardPlace.Made(340, 340, -1)); // paused: it stays
    assertEquals(340, heard.place(30));
    heard.jumped();
    heard.made(new HeardPlace.Made(5000, 5100, -1));
    assertEquals(5000, heard.place(90_000), "never what was left behind");
  }

  @Test
  void soundGoesOnOverAnotherDeviceAndNeverAboveTheCap() throws InterruptedException {
    Holding first = new Holding(4800, 40);
    Holding second = new Holding(0, 40);
    try (Player player = new Player(first)) {
      float[] loud = new float[60 * EchoRenderer.RATE];
      java.util.Arrays.fill(loud, 0.9f);
      player.load(new Audio(loud, loud, EchoRenderer.RATE), 1);
      player.volume(1);
      player.balance(0);
      player.cap(0.25);
      player.play();
      first.await();
      player.device(second);
      second.await();
      assertTrue(first.closed, "the device before was let go");
      assertFalse(second.closed);
      assertTrue(player.playing(), "it plays on");
      assertEquals(0.25, second.most, 1e-6);
      assertTrue(second.most > 0.24, "it sounds");
    }
    assertTrue(second.closed);
  }

  @Test
  void tapsTellTheDelayThoughSomeSlip() {
    Random random = new Random(5);
    List<Double> taps = new ArrayList<>();
    IntStream.range(0, 16).forEach(i -> taps.add(0.6 * i + 0.137 + 0.01 * random.nextGaussian()));
    taps.set(4, taps.get(4) + 0.2);
    TapDelay d = TapDelay.of(0.6, taps).orElseThrow();
    assertEquals(137, d.ms(), 6);
    assertTrue(d.even());
    assertEquals(
        -40,
        TapDelay.of(0.6, IntStream.range(0, 9).mapToObj(i -> 0.6 * i - 0.04).toList())
            .orElseThrow()
            .ms(),
        0.01,
        "a hand that is early");
    List<Double> any = IntStream.range(0, 40).mapToObj(i -> random.nextDouble() * 24).toList();
    assertFalse(TapDelay.of(0.6, any).orElseThrow().even());
    assertTrue(TapDelay.of(0.6, taps.subList(0, 7)).isEmpty());
  }

  @Test
  void buffersThatNoCardTakesAreRefused() {
    assertThrows(IllegalArgumentException.class, () -> new OutputChoice("", 5));
    assertThrows(IllegalArgumentException.class, () -> new OutputChoice("", 900));
  }

  @Test
  void aRestIsAdvisedOnceForEachStretch() {
    Rests rests = new Rests();
    assertTrue(rests.due(29 * 60, 30).isEmpty());
    assertTrue(rests.due(30 * 60, 30).orElseThrow().contains("30 minutes"));
    assertTrue(rests.due(31 * 60, 30).isEmpty());
    assertTrue(rests.due(31 * 60, 0).isEmpty());
    assertTrue(rests.due(60 * 60, 30).orElseThrow().contains("60 minutes"));
  }
}
