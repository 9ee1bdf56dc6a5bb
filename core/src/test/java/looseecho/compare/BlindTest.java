package looseecho.compare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BlindTest {
  /** Upper tails of the binomial distribution with p = 1/2, as handbooks table them. */
  @ParameterizedTest
  @CsvSource({"5, 5, 0.03125", "8, 10, 0.0547", "9, 10, 0.0107", "12, 16, 0.0384", "0, 4, 1"})
  void chanceOfGuessingThatMany(int right, int all, double chance) {
    assertEquals(chance, new Blind(right, all).chance(), 5e-5);
  }

  @Test
  void guessesAreHeldAgainstChance() {
    Blind b = Blind.NONE;
    for (int k = 0; k < 10; k++) {
      b = b.guessed(k < 5);
    }
    assertEquals(0, b.corrected(), 1e-12);
    assertTrue(b.words().contains("chance"), b.words());
    assertEquals(1, new Blind(7, 7).corrected(), 1e-12);
  }
}
