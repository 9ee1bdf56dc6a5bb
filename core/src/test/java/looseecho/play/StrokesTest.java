package looseecho.play;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleSupplier;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import looseecho.Signals;
import looseecho.activity.Lane;
import org.junit.jupiter.api.Test;

/** Strokes that come in, and clicks that go out. */
class StrokesTest {
  /** MIDI 1.0: a note-on of velocity 0 is a note-off. */
  @Test
  void strokesComeFromInstruments() throws InvalidMidiDataException {
    List<Integer> heard = new ArrayList<>();
    Receiver receiver = MidiInput.receiver((drum, v) -> heard.addAll(List.of(drum, v)));
    receiver.send(new ShortMessage(ShortMessage.NOTE_ON, 9, 38, 101), -1);
    receiver.send(new ShortMessage(ShortMessage.NOTE_ON, 9, 38, 0), -1);
    receiver.send(new ShortMessage(ShortMessage.NOTE_OFF, 9, 38, 64), -1);
    receiver.send(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 7, 90), -1);
    receiver.send(new ShortMessage(ShortMessage.NOTE_ON, 0, 38, 90), -1);
    assertEquals(List.of(38, 101, 0, 90), heard, "only channel 10 tells its drums apart");
    assertEquals(Lane.SNARE, Lane.of(38));
    assertEquals(Lane.PERCUSSION, Lane.of(99));
  }

  /** Sound that stalls takes the player with it; where a loop turns round a stroke comes again. */
  @Test
  void theSimulatedPlayerPlaysAlongWithWhatIsHeard() throws InterruptedException {
    AtomicInteger ms = new AtomicInteger(-20);
    DoubleSupplier heard =
        () -> {
          int at = ms.incrementAndGet();
          return (at < 130 ? at : at < 300 ? 130 : (at - 300) % 200) / 1000.0;
        };
    List<Double> strokes = Collections.synchronizedList(new ArrayList<>());
    CountDownLatch six = new CountDownLatch(6);
    try (SimulatedInput player = new SimulatedInput(heard, 0.1, 1)) {
      player.listen(
          (drum, velocity) -> {
            assertTrue(velocity >= 1 && velocity <= 127);
            int at = ms.get();
            strokes.add((at < 300 ? at : (at - 300) % 200) / 1000.0);
            six.countDown();
          });
      assertTrue(six.await(10, TimeUnit.SECONDS));
    }
    for (int k = 0; k < 6; k++) {
      assertEquals(0.1 * (k % 2) + 0.015, strokes.get(k), 0.015, "stroke " + k);
    }
  }

  /** A click per beat, the first of a bar higher; at half speed they lie twice as far apart. */
  @Test
  void clicksFallOnTheBeats() {
    Click click = Click.of(new double[] {0.5, 1.0}, new boolean[] {true, false}, 44100 / 0.5);
    assertEquals(44100, click.at()[0]);
    assertEquals(88200, click.at()[1]);
    assertEquals(-1, click.before(44099));
    assertEquals(0, click.before(50000));
    double high = crossings(click, 0);
    double low = crossings(click, 1);
    assertEquals(1.5, high / low, 0.1, "an accented click is higher");
    float[] in = Click.countIn(4, 0.5);
    assertEquals(2 * 44100, in.length);
    assertTrue(Signals.rms(in, 3 * 22050, 3 * 22050 + 400) > 0.05);
  }

  private static int crossings(Click click, int index) {
    int count = 0;
    for (int i = 1; i < 1200; i++) {
      float a = click.sample(click.at()[index] + i - 1, index);
      float b = click.sample(click.at()[index] + i, index);
      count += a <= 0 && b > 0 ? 1 : 0;
    }
    return count;
  }
}
