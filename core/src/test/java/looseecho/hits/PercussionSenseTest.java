package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import org.junit.jupiter.api.Test;

/** Percussion that is heard all the time under hats is what they leave, unless it stands apart. */
class PercussionSenseTest {
  private static final int RATE = 22050;
  private static final int SECONDS = 30;

  /** Hats, and percussion of which each stroke comes so far behind a step of the hats. */
  private static List<Hit> hits(double hatEvery, double every, double behind, double confidence) {
    List<Hit> out = new ArrayList<>();
    for (double t = 0.1; t < SECONDS; t += hatEvery) {
      out.add(new Hit(Lane.HAT_CLOSED, t, 80, 1, 1, 0, 1));
    }
    for (double t = 0.1; t < SECONDS; t += every) {
      out.add(new Hit(Lane.PERCUSSION, t + behind, 80, 1, 1, 0, confidence));
    }
    out.sort(Comparator.comparingDouble(Hit::time));
    return out;
  }

  /** Bursts of noise: hats to the right, percussion at some place, 0 left .. 1 right. */
  private static Audio played(List<Hit> hits, double place) {
    float[] left = new float[(SECONDS + 1) * RATE];
    float[] right = new float[left.length];
    Random noise = new Random(5);
    for (Hit h : hits) {
      double at = h.lane() == Lane.PERCUSSION ? place : 0.8;
      for (int i = 0; i < RATE / 50; i++) {
        double x = 0.2 * noise.nextGaussian() * Math.exp(-i / (0.006 * RATE));
        left[(int) (h.time() * RATE) + i] += (float) (x * (1 - at));
        right[(int) (h.time() * RATE) + i] += (float) (x * at);
      }
    }
    return new Audio(left, right, RATE);
  }

  private static List<Hit> judged(List<Hit> hits, double place) {
    return new PercussionSense(new Strokes(played(hits, place))).judge(hits);
  }

  @Test
  void whatHatsLeaveIsNone() {
    List<Hit> hidden = hits(0.12, 0.24, 0.01, 0.6);
    assertEquals(
        hidden.stream().filter(h -> h.lane() == Lane.HAT_CLOSED).toList(), judged(hidden, 0.8));
  }

  @Test
  void whatStandsElsewhereIsASoundOfItsOwn() {
    List<Hit> apart = hits(0.12, 0.24, 0.01, 0.6);
    assertEquals(apart, judged(apart, 0.1));
  }

  @Test
  void whatIsClearOrPlaysByItselfOrNowAndThenStays() {
    for (List<Hit> kept :
        List.of(
            hits(0.12, 0.24, 0.01, 0.7), // clear
            hits(0.2, 0.4, 0.01, 0.65), // clear enough for its being rarer
            hits(0.24, 0.24, 0.12, 0.6), // beside them
            hits(0.24, 0.12, 0, 0.6), // every other one alone
            hits(0.25, 0.75, 0.01, 0.57))) { // now and then
      assertEquals(kept, judged(kept, 0.8));
    }
  }
}
