package looseecho.sound;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.hits.Hit;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class AloneTest {
  /** A hat's band while it rings, and nothing of a bass tone or of other moments. */
  @Test
  void oneDrumIsBroughtForward() {
    float[] x = new float[2 * 44100];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.3 * Math.sin(2 * Math.PI * 80 * i / 44100));
      double hat = i >= 44100 ? Math.exp(-(i - 44100) / 800.0) : 0;
      x[i] += (float) (0.3 * hat * Math.sin(2 * Math.PI * 9500 * i / 44100));
    }
    Hit hit = new Hit(Lane.HAT_CLOSED, 1.0, 90, 1, 1, 0, 1).withLength(60);
    Audio alone =
        new LaneIsolator()
            .isolate(new Audio(x, x.clone(), 44100), Lane.HAT_CLOSED, List.of(hit), Progress.NONE);
    float[] y = alone.channel(0);
    double ringing = Signals.rms(y, 44100, 44100 + 1000);
    assertTrue(ringing > 0.08, "the hat stays: " + ringing);
    assertEquals(0, Signals.rms(y, 0, 43000), 1e-9);
    assertEquals(0, Signals.rms(y, 44100 + 9000, 80000), 1e-9);
    assertTrue(Signals.rms(y, 44100 + 3500, 44100 + 4000) < 0.01, "the bass is gone");
  }

  /** MIDI 1.0: a note-on of velocity 0 is a note-off. */
  @Test
  void strokesComeFromInstrumentsAndFromTheSimulatedPlayer()
      throws InvalidMidiDataException, InterruptedException {
    List<Integer> heard = new ArrayList<>();
    Receiver receiver = MidiInput.receiver(heard::add);
    receiver.send(new ShortMessage(ShortMessage.NOTE_ON, 9, 38, 101), -1);
    receiver.send(new ShortMessage(ShortMessage.NOTE_ON, 9, 38, 0), -1);
    receiver.send(new ShortMessage(ShortMessage.NOTE_OFF, 9, 38, 64), -1);
    receiver.send(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 7, 90), -1);
    assertEquals(List.of(101), heard);
    List<Integer> strokes = Collections.synchronizedList(new ArrayList<>());
    CountDownLatch five = new CountDownLatch(5);
    try (SimulatedInput player = new SimulatedInput(0.05, 1)) {
      player.listen(
          v -> {
            strokes.add(v);
            five.countDown();
          });
      assertTrue(five.await(10, TimeUnit.SECONDS));
    }
    assertTrue(strokes.stream().allMatch(v -> v >= 1 && v <= 127));
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
