package looseecho.palette;

import looseecho.network.Convolution;
import looseecho.network.Weights;

/**
 * Tells what kind of one-shot a sound is: a small trained network with two hidden layers over
 * {@link ClassFeatures}. Immutable and thread-safe.
 */
public final class SoundClassifier {
  private static final int LAYERS = 3;
  private final Weights weights = Weights.load(SoundClassifier.class, "classes.bin");

  /**
   * A class and how sure it is.
   *
   * @param confidence 0..1
   */
  public record Said(SoundClass what, double confidence) {}

  /** The class of a mono sound at 44.1 kHz. */
  public Said classify(float[] sound) {
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
    int best = 0;
    double sum = 0;
    for (int c = 0; c < x.length; c++) {
      best = x[c][0] > x[best][0] ? c : best;
    }
    for (float[] v : x) {
      sum += Math.exp(v[0] - x[best][0]);
    }
    return new Said(SoundClass.values()[best], 1 / sum);
  }
}
