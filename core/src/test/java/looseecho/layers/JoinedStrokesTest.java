package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.hits.Hit;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSynth;
import org.junit.jupiter.api.Test;

/** Sixteen snares, one a second, with something that joins from the ninth on. */
class JoinedStrokesTest {
  private static final int RATE = 44100;
  private static final List<Hit> SNARES =
      IntStream.range(0, 16).mapToObj(k -> new Hit(Lane.SNARE, k + 0.5, 100, 1, 1, 0, 1)).toList();
  private static final float[] SNARE =
      new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.SNARE)), RATE, 3);

  /** The snare in the middle at a level, and what joins it on the left and on the right. */
  private static Audio with(float[] left, float[] right, double later) {
    float[][] out = new float[2][17 * RATE];
    for (int k = 0; k < 16; k++) {
      int at = k * RATE + RATE / 2;
      for (int i = 0; i < SNARE.length && i < RATE / 2; i++) {
        double gain = k < 8 ? 0.3 : 0.3 * later;
        out[0][at + i] += (float) (gain * SNARE[i]);
        out[1][at + i] += (float) (gain * SNARE[i]);
      }
      for (int i = 0; k >= 8 && i < left.length; i++) {
        out[0][at + i] += left[i];
        out[1][at + i] += right[i];
      }
    }
    return new Audio(out[0], out[1], RATE);
  }

  /** A burst of noise that dies away with 30 ms. */
  private static float[] burst(long seed) {
    Random random = new Random(seed);
    float[] x = new float[RATE / 5];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.3 * Math.exp(-i / (0.03 * RATE)) * random.nextGaussian());
    }
    return x;
  }

  @Test
  void aClapThatJoinsTheSnareIsTold() {
    JoinedStrokes.Joined joined =
        new JoinedStrokes(with(burst(1), burst(2), 1)).find(SNARES).orElseThrow();
    assertEquals(SNARES.subList(8, 16), joined.hits());
    // Each side its own: half of its power stands at the sides, whatever the snare does.
    assertEquals(0.5, joined.powers().image().width(), 0.1);
    assertTrue(joined.powers().edges()[0] >= 500, "the snare's body is not its own");
  }

  @Test
  void hatsNearerSnaresAndSomeStrokesAloneAreNone() {
    float[] none = new float[0];
    assertTrue(new JoinedStrokes(with(none, none, 2)).find(SNARES).isEmpty(), "louder");
    float[] hat = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.HAT_CLOSED)), RATE, 3);
    float[] soft = new float[hat.length];
    for (int i = 0; i < hat.length; i++) {
      hat[i] *= 0.2f;
    }
    assertTrue(new JoinedStrokes(with(hat, soft, 1)).find(SNARES).isEmpty(), "a hat on one side");
    Audio clap = with(burst(1), burst(2), 1);
    assertTrue(new JoinedStrokes(clap).find(SNARES.subList(5, 11)).isEmpty(), "too few");
  }
}
