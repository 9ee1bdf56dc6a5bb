package looseecho.palette;

import java.util.Arrays;
import looseecho.mix.Colour;

/**
 * Finds the gains by which known parts make up a mixture: per part and octave, none negative,
 * beside a steady rest per band. Non-negative factorisation with the parts given, by the
 * multiplicative updates for the Kullback-Leibler divergence (Lee and Seung, "Algorithms for
 * non-negative matrix factorization", NIPS 2000); a prior holds an octave of which little is heard
 * near the part's gain over all octaves.
 */
final class Shares {
  private static final int ROUNDS = 60;
  private static final int QUICK = 12;
  private static final double PRIOR = 0.03; // weight, as a share of the mixture in the octave
  private static final double TINY = 1e-9;

  private final float[][][] parts;
  private final int frames;

  /** For parts' magnitudes: part, frame, band; see {@link Bands}. */
  Shares(float[][][] parts, int frames) {
    this.parts = parts;
    this.frames = frames;
  }

  /** One gain per part. */
  double[] gains(float[][] mixture) {
    return gains(mixture, ROUNDS);
  }

  private double[] gains(float[][] mixture, int rounds) {
    double[][] g = new double[parts.length][Colour.BANDS];
    for (double[] row : g) {
      Arrays.fill(row, 1);
    }
    solve(mixture, g, true, null, rounds);
    return Arrays.stream(g).mapToDouble(row -> row[0]).toArray();
  }

  /** A gain per part and octave. */
  double[][] coloured(float[][] mixture) {
    double[] whole = gains(mixture);
    double[][] g = new double[parts.length][Colour.BANDS];
    for (int p = 0; p < g.length; p++) {
      Arrays.fill(g[p], Math.max(TINY, whole[p]));
    }
    solve(mixture, g, false, whole, ROUNDS);
    return g;
  }

  /** Returns the steady rest. */
  private double[] solve(
      float[][] mixture, double[][] g, boolean alike, double[] prior, int rounds) {
    double[] rest = new double[Bands.COUNT];
    double[] held = new double[Colour.BANDS];
    for (int b = 0; b < rest.length; b++) {
      double sum = TINY;
      for (float[] frame : mixture) {
        sum += frame[b] / frames;
      }
      rest[b] = 0.1 * sum;
      held[Bands.octave(b)] += PRIOR * sum * frames;
    }
    for (int round = 0; round < rounds; round++) {
      double[][] num = new double[parts.length][Colour.BANDS];
      double[][] den = new double[parts.length][Colour.BANDS];
      double[] more = new double[Bands.COUNT];
      for (int f = 0; f < frames; f++) {
        for (int b = 0; b < Bands.COUNT; b++) {
          int o = Bands.octave(b);
          double sum = rest[b] + TINY;
          for (int p = 0; p < parts.length; p++) {
            sum += g[p][o] * parts[p][f][b];
          }
          double ratio = mixture[f][b] / sum;
          more[b] += ratio / frames;
          for (int p = 0; p < parts.length; p++) {
            num[p][o] += ratio * parts[p][f][b];
            den[p][o] += parts[p][f][b];
          }
        }
      }
      for (int b = 0; b < rest.length; b++) {
        rest[b] *= more[b];
      }
      for (int p = 0; p < parts.length; p++) {
        update(g[p], num[p], den[p], alike, prior == null ? 0 : prior[p], held);
      }
    }
    return rest;
  }

  /** What all parts but one make up of the mixture, after a few rounds. */
  float[][] others(float[][] mixture, int one) {
    double[] whole = gains(mixture, QUICK);
    double[][] g = new double[parts.length][Colour.BANDS];
    for (int p = 0; p < g.length; p++) {
      Arrays.fill(g[p], Math.max(TINY, whole[p]));
    }
    double[] rest = solve(mixture, g, false, whole, QUICK);
    float[][] out = new float[frames][Bands.COUNT];
    for (int f = 0; f < frames; f++) {
      for (int b = 0; b < Bands.COUNT; b++) {
        double sum = rest[b] + TINY;
        for (int p = 0; p < parts.length; p++) {
          sum += p == one ? 0 : g[p][Bands.octave(b)] * parts[p][f][b];
        }
        out[f][b] = (float) sum;
      }
    }
    return out;
  }

  /** How badly a part and all the others make up the mixture: the divergence. */
  static double misfit(float[][] mixture, float[][] others, float[][] part) {
    double[] g = new double[Colour.BANDS];
    Arrays.fill(g, 1);
    for (int round = 0; round < QUICK; round++) {
      double[] num = new double[Colour.BANDS];
      double[] den = new double[Colour.BANDS];
      for (int f = 0; f < others.length; f++) {
        for (int b = 0; b < Bands.COUNT; b++) {
          int o = Bands.octave(b);
          num[o] += mixture[f][b] / (others[f][b] + g[o] * part[f][b]) * part[f][b];
          den[o] += part[f][b];
        }
      }
      for (int o = 0; o < g.length; o++) {
        g[o] *= num[o] / (den[o] + TINY);
      }
    }
    double sum = 0;
    for (int f = 0; f < others.length; f++) {
      for (int b = 0; b < Bands.COUNT; b++) {
        double model = others[f][b] + g[Bands.octave(b)] * part[f][b];
        double x = mixture[f][b] + TINY;
        sum += x * Math.log(x / model) - x + model;
      }
    }
    return sum;
  }

  private static void update(
      double[] g, double[] num, double[] den, boolean alike, double prior, double[] held) {
    if (alike) {
      double by = Arrays.stream(num).sum() / (Arrays.stream(den).sum() + TINY);
      for (int o = 0; o < g.length; o++) {
        g[o] *= by;
      }
      return;
    }
    for (int o = 0; o < g.length; o++) {
      double weight = held[o] / Math.max(TINY, prior);
      g[o] = (g[o] * num[o] + weight * prior) / (den[o] + weight + TINY);
    }
  }
}
