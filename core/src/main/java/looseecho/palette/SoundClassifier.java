package looseecho.palette;

import java.nio.file.Path;
import java.util.Arrays;
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
  public record Said(SoundClass what, double confidence) {}

  /** The class of a mono sound at 44.1 kHz. */
  public Said classify(float[] sound) {
    return surest(shares(sound));
  }

  /**
   * The same for a sample whose name, or that of its folder, may say what it is: 19 of 20 names are
   * taken to be true (Bayes' rule).
   */
  public Said classify(float[] sound, Path file) {
    double[] shares = shares(sound);
    SoundNames.of(file)
        .ifPresent(
            named -> {
              double others = (1 - TRUE) / (shares.length - 1);
              for (int c = 0; c < shares.length; c++) {
                shares[c] *= c == named.ordinal() ? TRUE : others;
              }
            });
    return surest(shares);
  }

  private static Said surest(double[] shares) {
    int best = 0;
    for (int c = 0; c < shares.length; c++) {
      best = shares[c] > shares[best] ? c : best;
    }
    return new Said(SoundClass.values()[best], shares[best] / Arrays.stream(shares).sum());
  }

  /** Probabilities by class. */
  private double[] shares(float[] sound) {
    float[] features = ClassFeatures.of(sound);
    float[][] x = new float[features.length][1];
    for (int k = 0; k < features.length; k++) {
      x[k][0] = features[k];
    }
    for (int layer = 0; layer < LAYERS; layer++) {
      x =
          Convolution.apply(
              x,
              1,
              Convolution.curve(weights, 2 * layer),
              weights.get(2 * layer + 1),
              1,
              layer < LAYERS - 1);
    }
    double most = Arrays.stream(x).mapToDouble(v -> v[0]).max().orElse(0);
    double[] out = Arrays.stream(x).mapToDouble(v -> Math.exp(v[0] - most)).toArray();
    double sum = Arrays.stream(out).sum();
    return Arrays.stream(out).map(v -> v / sum).toArray();
  }
}
