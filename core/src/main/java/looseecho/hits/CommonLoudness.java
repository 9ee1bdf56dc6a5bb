package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import looseecho.hits.AttackLevel.Attack;

/**
 * What the bands of one drum's hits have in common: how hard it is struck.
 *
 * <p>A drum struck harder is louder in all its bands alike; what sounds along with it moves some of
 * them at some hits. So every band follows the common loudness with an error of its own, and the
 * loudness is their mean, each weighed by one over the variance of its error in this very song
 * (Bartlett, "The statistical conception of mental factors", British Journal of Psychology 28,
 * 1937, for one factor with equal loadings), found by turns. A band counts less for a hit before
 * which it was loud already, and for one at which it strays (Cauchy's weight: Holland and Welsch,
 * "Robust regression using iteratively reweighted least-squares", Communications in Statistics 6,
 * 1977).
 */
final class CommonLoudness {
  private static final int ROUNDS = 10;
  private static final double SURE = 0.1; // no band errs less, as the logarithm of an amplitude
  private static final double STRAY = 0.4; // how quickly a band that strays loses its weight

  private final double[][] level; // [band][hit]
  private final double[][] trust;
  private final double[] offset; // of each band above the common loudness
  private final double[] variance; // of each band's error
  private final double[] common;

  private CommonLoudness(List<Attack> hits) {
    level = byBand(hits, Attack::level);
    trust = byBand(hits, Attack::trust);
    common = new double[hits.size()];
    offset = new double[level.length];
    variance = new double[offset.length];
    Arrays.fill(variance, 1); // so that the first round is a plain mean
  }

  private static double[][] byBand(List<Attack> hits, Function<Attack, double[]> values) {
    double[][] out = new double[values.apply(hits.get(0)).length][hits.size()];
    for (int i = 0; i < hits.size(); i++) {
      double[] one = values.apply(hits.get(i));
      for (int b = 0; b < out.length; b++) {
        out[b][i] = one[b];
      }
    }
    return out;
  }

  /**
   * The natural logarithm of each hit's loudness, about a mean of zero.
   *
   * @param hits at least one, all with the same bands, of which there is at least one
   */
  static double[] of(List<Attack> hits) {
    CommonLoudness c = new CommonLoudness(hits);
    for (int b = 0; b < c.offset.length; b++) {
      c.offset[b] = c.mean(b);
    }
    c.followBands(0);
    for (int round = 0; round < ROUNDS; round++) {
      for (int b = 0; b < c.offset.length; b++) {
        c.offset[b] = c.mean(b);
        c.variance[b] = c.meanSquare(b) + SURE * SURE;
      }
      c.followBands(STRAY);
    }
    return c.common;
  }

  private double mean(int band) {
    double[] levels = level[band];
    double[] trusts = trust[band];
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < common.length; i++) {
      sum += trusts[i] * (levels[i] - common[i]);
      weight += trusts[i];
    }
    return sum / weight;
  }

  private double meanSquare(int band) {
    double[] levels = level[band];
    double[] trusts = trust[band];
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < common.length; i++) {
      double error = levels[i] - common[i] - offset[band];
      sum += trusts[i] * error * error;
      weight += trusts[i];
    }
    return sum / weight;
  }

  /** Each hit's loudness anew, from its bands. */
  private void followBands(double stray) {
    double[] next = new double[common.length];
    double[] weight = new double[common.length];
    for (int b = 0; b < offset.length; b++) {
      double[] levels = level[b];
      double[] trusts = trust[b];
      for (int i = 0; i < next.length; i++) {
        double above = levels[i] - offset[b];
        double error = above - common[i];
        double w = trusts[i] / (variance[b] + stray * error * error);
        next[i] += w * above;
        weight[i] += w;
      }
    }
    double sum = 0;
    for (int i = 0; i < next.length; i++) {
      next[i] /= weight[i];
      sum += next[i];
    }
    for (int i = 0; i < next.length; i++) {
      common[i] = next[i] - sum / next.length;
    }
  }
}
