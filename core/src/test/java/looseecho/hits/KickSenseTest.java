package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import org.junit.jupiter.api.Test;

/** A song whose kicks sound alike: what else holds their wave, and what does not. */
class KickSenseTest {
  private static final int RATE = 44100;
  private static final int KICKS = 30;

  @Test
  void aFaintKickIsTakenAndWhatSoundsOtherwiseIsNot() {
    Audio song = song();
    List<Hit> heard = Stream.concat(kicks(), Stream.of(at(5.25))).sorted(BY_TIME).toList();
    List<Hit> faint = List.of(at(8.25), at(9.25), at(11.25));
    List<Double> wanted =
        Stream.concat(kicks(), Stream.of(at(8.25))).map(Hit::time).sorted().toList();
    // A tom was heard as a kick; a softer kick was missed; elsewhere are a tom and nothing.
    assertEquals(wanted, times(new KickSense(song).judge(heard, faint)));
    Audio other = new Resampler().resample(song, 48000);
    assertEquals(wanted, times(new KickSense(other).judge(heard, faint)));
  }

  /** A second sound that is struck as often is no mistake. */
  @Test
  void manyThatSoundOtherwiseStay() {
    List<Hit> heard =
        Stream.concat(kicks(), IntStream.range(0, 15).mapToObj(k -> at(k + 0.75)))
            .sorted(BY_TIME)
            .toList();
    assertEquals(heard, new KickSense(song()).judge(heard, List.of()));
  }

  /** It is in the wave and would be found in each of its notes. */
  @Test
  void aBassThatComesWithEveryKickIsNoKickElsewhere() {
    float[] x = song().channel(0).clone();
    Stream.concat(kicks(), Stream.of(at(8.25)))
        .forEach(
            h -> {
              for (int i = 0; i < RATE * 45 / 100; i++) {
                x[(int) (h.time() * RATE) + i] +=
                    (float) (0.5 * Math.sin(2 * Math.PI * 55 * i / RATE));
              }
            });
    List<Hit> heard = kicks().toList();
    assertEquals(heard, new KickSense(new Audio(x, x, RATE)).judge(heard, List.of(at(8.25))));
  }

  private static final java.util.Comparator<Hit> BY_TIME =
      java.util.Comparator.comparingDouble(Hit::time);

  private static List<Double> times(List<Hit> hits) {
    return hits.stream().map(Hit::time).toList();
  }

  private static Stream<Hit> kicks() {
    return IntStream.range(0, KICKS).mapToObj(k -> at(k / 2.0));
  }

  private static Hit at(double time) {
    return new Hit(Lane.KICK, time, 100, (int) (time / 2) + 1, 0, 0, 0.9);
  }

  private static Audio song() {
    float[] x = new float[(KICKS / 2 + 1) * RATE];
    Random noise = new Random(3);
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.01f * (float) noise.nextGaussian();
    }
    kicks().forEach(h -> fall(x, h.time(), 0.6, 50, 6));
    fall(x, 8.25, 0.35, 50, 6);
    IntStream.range(0, 15).forEach(k -> fall(x, k + 0.75, 0.3, 170, 1));
    fall(x, 5.25, 0.5, 300, 0);
    fall(x, 9.25, 0.5, 300, 0);
    return new Audio(x, x, RATE);
  }

  private static void fall(float[] x, double time, double level, double hz, double turns) {
    for (int i = 0; i < RATE / 5; i++) {
      double t = i / (double) RATE;
      double phase = hz * t + turns * (1 - Math.exp(-t / 0.03));
      int at = (int) (time * RATE) + i;
      x[at] += (float) (level * Math.exp(-t / 0.06) * Math.sin(2 * Math.PI * phase));
    }
  }
}
