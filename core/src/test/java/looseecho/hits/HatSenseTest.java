package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import org.junit.jupiter.api.Test;

/** A song of hats, of noise all the way up, and of plucked notes that passed for some. */
class HatSenseTest {
  private static final int RATE = 44100;

  @Test
  void aDoubtfulHatWithNothingAtTheTopIsNone() {
    Audio song = song(RATE / 2.0);
    List<Hit> hits = hits(0.6);
    assertEquals(hats(), new HatSense(song).judge(hits));
    assertEquals(hats(), new HatSense(new Resampler().resample(song, 32000)).judge(hits));
    assertEquals(hits(0.7), new HatSense(song).judge(hits(0.7)), "a clear one is believed");
  }

  @Test
  void nothingIsToldWhereTheSoundEndsBelow() {
    Audio low = new Resampler().resample(song(RATE / 2.0), 8000);
    assertEquals(hits(0.6), new HatSense(low).judge(hits(0.6)));
  }

  /** Before a filter opens the hats are all as faint at the top as the notes. */
  @Test
  void nothingIsToldWhereAllIsMuffled() {
    List<Hit> hits = hits(0.6);
    List<Hit> left = new HatSense(song(6)).judge(hits);
    assertEquals(
        hits.stream().filter(h -> h.time() < 2).toList(),
        left.stream().filter(h -> h.time() < 2).toList());
    assertEquals(
        hats().stream().filter(h -> h.time() > 10).toList(),
        left.stream().filter(h -> h.time() > 10).toList());
  }

  private static List<Hit> hits(double confidenceOfNotes) {
    List<Hit> out = new ArrayList<>();
    for (int k = 0; k < 40; k++) {
      out.add(new Hit(Lane.HAT_CLOSED, 0.25 + k / 2.0, 80, 1, 1, 0, 0.63));
      if (k % 4 == 0) {
        out.add(new Hit(Lane.HAT_CLOSED, 0.5 + k / 2.0, 80, 1, 1, 0, confidenceOfNotes));
      }
    }
    return out;
  }

  private static List<Hit> hats() {
    return hits(0.6).stream().filter(h -> h.confidence() > 0.61).toList();
  }

  /** Hats every half second, muffled until some second; notes at 900 Hz between some of them. */
  private static Audio song(double opens) {
    float[] x = new float[21 * RATE];
    Random noise = new Random(4);
    for (Hit h : hits(0.6)) {
      boolean note = h.confidence() < 0.61;
      boolean muffled = opens < 21 && h.time() < opens;
      double before = 0;
      for (int i = 0; i < RATE / 20; i++) {
        double hiss = noise.nextGaussian();
        before += 0.05 * (hiss - before);
        double sound =
            note ? Math.sin(2 * Math.PI * 900 * i / RATE) : muffled ? before * 0.5 : hiss;
        x[(int) (h.time() * RATE) + i] += (float) (0.1 * sound * Math.exp(-i / (0.015 * RATE)));
      }
    }
    for (int i = 0; i < x.length; i++) {
      x[i] += (float) (1e-5 * noise.nextGaussian());
    }
    return new Audio(x, x, RATE);
  }
}
