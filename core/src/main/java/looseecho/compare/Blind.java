package looseecho.compare;

import java.util.Locale;

/**
 * Guesses about which of two plays.
 *
 * @param right guesses that were right
 * @param all guesses
 */
public record Blind(int right, int all) {
  public static final Blind NONE = new Blind(0, 0);
  private static final double RARE = 0.05;

  public Blind {
    if (right < 0 || right > all) {
      throw new IllegalArgumentException(right + " of " + all + " can't be right");
    }
  }

  public Blind guessed(boolean rightly) {
    return new Blind(right + (rightly ? 1 : 0), all + 1);
  }

  /** 0 for guessing, 1 for always right, below 0 for less than guessing. */
  public double corrected() {
    return all == 0 ? 0 : 2.0 * right / all - 1;
  }

  /** How likely that many are right, or more, by guessing: the upper tail of a fair coin. */
  public double chance() {
    double sum = 0;
    double ways = 1; // all over k
    for (int k = all; k >= right; k--) {
      sum += ways;
      ways = ways * k / (all - k + 1);
    }
    return sum / Math.pow(2, all);
  }

  /** What it means. */
  public String words() {
    if (all == 0) {
      return "";
    }
    String score = String.format(Locale.ROOT, "%d of %d, %+.2f", right, all, corrected());
    return score + (chance() < RARE ? ": you hear which it is" : ": it could be chance");
  }
}
