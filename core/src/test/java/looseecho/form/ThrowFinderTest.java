package looseecho.form;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.hits.Hit;
import looseecho.hits.Place;
import looseecho.hits.Places;
import looseecho.pulse.Pulse;
import org.junit.jupiter.api.Test;

/** Claps of noise on two and four for sixteen bars at 120, some of them with repeats. */
class ThrowFinderTest {
  private static final int RATE = 44100;
  private static final int BARS = 16;
  private static final double BEAT = 0.5;
  private static final Pulse PULSE = EventsTest.pulse(BARS);

  /**
   * Repeats on dotted eighths, each 5 dB softer, from side to side, behind the last clap of every
   * so many bars, with hats on all eighths.
   */
  private static List<Event> heard(int every, double fallDb) {
    float[] left = new float[(int) (BARS * 4 * BEAT * RATE)];
    float[] right = left.clone();
    for (int n = 0; n < 8 * BARS; n++) {
      burst(left, right, n * BEAT / 2, 0.05, 0.05, 9);
    }
    for (int beat = 1; beat < 4 * BARS; beat += 2) {
      burst(left, right, beat * BEAT, 0.3, 0.3, beat % 5);
      for (int r = 1; (beat + 1) % (4 * every) == 0 && r < 6; r++) {
        double gain = 0.4 * Math.pow(10, -fallDb * r / 20);
        burst(left, right, (beat + 0.75 * r) * BEAT, r % 2 * gain, (1 - r % 2) * gain, beat % 5);
      }
    }
    return new ThrowFinder(new Audio(left, right, RATE)).find(claps(), PULSE);
  }

  private static List<Hit> claps() {
    Places places = new Places(PULSE);
    return IntStream.range(0, 2 * BARS)
        .mapToObj(
            k -> {
              double time = (2 * k + 1) * BEAT;
              Place p = places.at(time);
              return new Hit(Lane.CLAP, time, 100, p.bar(), p.step(), 0, 0.9);
            })
        .toList();
  }

  /** A tenth of a second of noise that dies away. */
  private static void burst(
      float[] left, float[] right, double time, double l, double r, int seed) {
    Random random = new Random(seed);
    int from = (int) (time * RATE);
    for (int i = 0; i < RATE / 10 && from + i < left.length; i++) {
      double x = random.nextGaussian() * Math.exp(-i / (0.02 * RATE));
      left[from + i] += (float) (l * x);
      right[from + i] += (float) (r * x);
    }
  }

  @Test
  void aClapThatIsSentIntoADelayIsAThrow() {
    List<Event> found = heard(4, 5);
    assertEquals(3, found.size(), found.toString()); // nothing follows the fourth
    Event first = found.get(0);
    assertEquals(Event.Kind.THROW, first.kind());
    assertEquals(15 * BEAT, first.start(), 0.01);
    assertEquals(0.75, first.from());
    assertEquals(-5, first.to(), 1);
    assertEquals("the clap is thrown into dotted eighths", first.words());
    assertEquals(5 * 0.75 * BEAT, first.end() - first.start(), 0.75 * BEAT + 0.01);
  }

  /** A delay that stays open is the clap's own sound, and what does not get softer is played. */
  @Test
  void whatAlwaysRepeatsOrIsPlayedAgainIsNone() {
    assertEquals(List.of(), heard(1, 5).stream().filter(e -> e.end() < 30).toList());
    assertEquals(List.of(), heard(4, 0));
  }
}
