package looseecho.palette;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import looseecho.network.Convolution;
import looseecho.network.Weights;

/**
 * Tells what kind of one-shot a sound is: a small trained network with two hidden layers over
 * {@link ClassFeatures}. Immutable and thread-safe.
 */
public final class SoundClassifier {
  private static final int LAYERS = 3;
  private static final double TRUE = 0.95; // of samples' names
  private final Weights weights = Weights.load(SoundClassifier.class, "classes.bin");

  /**
   * A class and how sure it is.
   *
   * @param confidence 0..1
   */
  public record Said(SoundClass what, double confidence) {
    /** The class with the greatest share. */
    public static Said of(double[] shares) {
      int best = 0;
      for (int c = 0; c < shares.length; c++) {
        best = shares[c] > shares[best] ? c : best;
      }
      return new Said(SoundClass.values()[best], shares[best] / Arrays.stream(shares).sum());
    }
  }

  /**
   * How a sound looks to the network.
   *
   * @param shares probability of each class, in their order
   * @param place where it lies among other sounds: the first hidden layer, the largest at 127
   */
  public record Look(double[] shares, byte[] place) {}

  /** The class of a mono sound at 44.1 kHz. */
  public Said classify(float[] sound) {
    return Said.of(look(sound).shares());
  }

  /**
   * How a sample looks whose name, or that of its folder, may say what it is: 19 of 20 names are
   * taken to be true (Bayes' rule).
   */
  public Look look(float[] sound, Path file) {
    Look own = look(sound);
    Optional<SoundClass> named = SoundNames.of(file);
    if (named.isPresent()) {
      double[] shares = own.shares();
      double others = (1 - TRUE) / (shares.length - 1);
      for (int c = 0; c < shares.length; c++) {
        shares[c] *= c == named.get().ordinal() ? TRUE : others;
      }
      scale(shares);
    }
    return own;
  }

  private Look look(float[] sound) {
    float[] features = ClassFeatures.of(sound);
    float[][] x = new float[features.length][1];
    for (int k = 0; k < features.length; k++) {
      x[k][0] = features[k];
    }
    byte[] place = {};
    for (int layer = 0; layer < LAYERS; layer++) {
      x =
          Convolution.apply(
              x,
              1,
              Convolution.curve(weights, 2 * layer),
              weights.get(2 * layer + 1),
              1,
              layer < LAYERS - 1);
      place = layer == 0 ? bytes(x) : place;
    }
    double most = most(x);
    double[] shares = Arrays.stream(x).mapToDouble(v -> Math.exp(v[0] - most)).toArray();
    scale(shares);
    return new Look(shares, place);
  }

  private static double most(float[][] x) {
    return Arrays.stream(x).mapToDouble(v -> v[0]).max().orElse(0);
  }

  private static byte[] bytes(float[][] x) {
    double most = most(x) + 1e-9;
    byte[] out = new byte[x.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = (byte) Math.round(127 * x[k][0] / most);
    }
    return out;
  }

  /** So that they add up to one. */
  private static void scale(double[] shares) {
    double sum = Arrays.stream(shares).sum();
    for (int c = 0; c < shares.length; c++) {
      shares[c] /= sum;
    }
  }
}
