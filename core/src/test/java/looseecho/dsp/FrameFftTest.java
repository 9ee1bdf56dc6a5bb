package looseecho.dsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against the transforms of the JTransforms library, which {@link Fft} uses. */
final class FrameFftTest {
  private final float[] noise = new float[20_000];

  FrameFftTest() {
    Random random = new Random(3);
    for (int i = 0; i < noise.length; i++) {
      noise[i] = 2 * random.nextFloat() - 1;
    }
  }

  @ParameterizedTest
  @CsvSource({
    "4, 4, 1",
    "8, 5, 3",
    "512, 160, 100",
    "1024, 640, 441",
    "4096, 1280, 100",
    "8192, 8192, 4096"
  })
  void hearsWhatSingleTransformsHear(int size, int window, int hop) {
    FrameFft many = new FrameFft(size, window);
    Fft one = new Fft(size, window);
    float[] expected = new float[one.bins()];
    // Before the signal, across its beginning, inside, and across its end.
    for (int centre : new int[] {-70 * hop - size, -10 * hop, size, noise.length - 20 * hop}) {
      float[][] actual = many.magnitudes(noise, centre, hop);
      assertEquals(one.bins(), actual.length);
      for (int n = 0; n < FrameFft.AT_ONCE; n++) {
        one.magnitudes(noise, centre + n * hop, expected);
        for (int k = 0; k < expected.length; k++) {
          assertEquals(expected[k], actual[k][n], 2e-7, "bin " + k + " of block " + n);
        }
      }
    }
  }

  @Test
  void takesPowersOfTwoAlone() {
    assertThrows(IllegalArgumentException.class, () -> new FrameFft(1000, 100));
    assertThrows(IllegalArgumentException.class, () -> new FrameFft(512, 513));
  }
}
