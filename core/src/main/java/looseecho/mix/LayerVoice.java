package looseecho.mix;

import java.util.Optional;
import looseecho.dsp.Biquad;

/**
 * A layer with what it needs from block to block: what it plays runs through its chain, is placed
 * and spread. Belongs to one rendering.
 */
final class LayerVoice {
  private static final int RATE = EchoRenderer.RATE;
  private static final double LOW_HZ = 70; // where a compressor's low end is given back

  private final Layer layer;
  private final LayerScore score;
  private final ChainRunner[] chains = new ChainRunner[2];
  private final Optional<Compressor> compressor;
  private final Biquad[] shelves = new Biquad[2];
  private final Widener widener;
  private final float[] later;
  private int at;

  LayerVoice(Layer layer, LayerScore score) {
    this.layer = layer;
    this.score = score;
    Squeeze squeeze = layer.chain().squeeze();
    compressor = squeeze.isOff() ? Optional.empty() : Optional.of(new Compressor(squeeze, RATE));
    for (int c = 0; c < 2; c++) {
      chains[c] = new ChainRunner(layer.chain(), RATE);
      boolean back = !squeeze.isOff() && squeeze.lowBackDb() != 0;
      shelves[c] = back ? Biquad.lowShelf(RATE, LOW_HZ, squeeze.lowBackDb()) : null;
    }
    widener = new Widener(RATE, layer.spread().amount());
    int late = (int) (layer.spread().amount() * Spread.LONGEST_MS * RATE / 1000);
    later = new float[Math.max(1, late)];
  }

  LayerScore score() {
    return score;
  }

  /** Both sides; one array where both are the same. Not to be changed where it is kept. */
  float[][] next(float[][] played) {
    if (layer.isPlain()) {
      return played;
    }
    float[] left = played[0].clone();
    boolean mono = played[0] == played[1];
    float[] right = mono ? left : played[1].clone();
    chains[0].colour(left);
    if (!mono) {
      chains[1].colour(right);
    }
    if (compressor.isPresent()) {
      float[] gains = compressor.get().gains(left, right);
      press(left, gains, shelves[0]);
      if (!mono) {
        press(right, gains, shelves[1]);
      }
    }
    chains[0].shape(left);
    if (!mono) {
      chains[1].shape(right);
    }
    return placed(left, right);
  }

  private static void press(float[] x, float[] gains, Biquad shelf) {
    for (int i = 0; i < x.length; i++) {
      x[i] *= gains[i];
    }
    if (shelf != null) {
      shelf.run(x);
    }
  }

  @SuppressWarnings("ReferenceEquality") // one array is one side
  private float[][] placed(float[] left, float[] right) {
    double angle = (layer.pan() + 1) * Math.PI / 4;
    float l = (float) (layer.gain() * Math.cos(angle) * Math.sqrt(2));
    float r = (float) (layer.gain() * Math.sin(angle) * Math.sqrt(2));
    boolean mono = left == right;
    if (mono && layer.pan() == 0 && layer.spread().kind() == Spread.Kind.POINT) {
      scale(left, (float) layer.gain());
      return new float[][] {left, left};
    }
    float[] other = mono ? left.clone() : right;
    scale(left, l);
    scale(other, r);
    switch (layer.spread().kind()) {
      case POINT -> {}
      case DELAYED -> delay(other);
      case DOUBLED -> widener.spread(middle(left, other), left, other);
      case SIDES -> {
        float[] x = middle(left, other);
        for (int i = 0; i < x.length; i++) {
          left[i] = x[i];
          other[i] = -x[i];
        }
      }
      default -> throw new IllegalStateException("unknown " + layer.spread().kind());
    }
    return new float[][] {left, other};
  }

  private static void scale(float[] x, float gain) {
    for (int i = 0; i < x.length; i++) {
      x[i] *= gain;
    }
  }

  private static float[] middle(float[] left, float[] right) {
    float[] out = new float[left.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = 0.5f * (left[i] + right[i]);
    }
    return out;
  }

  private void delay(float[] x) {
    for (int i = 0; i < x.length; i++) {
      float y = later[at];
      later[at] = x[i];
      x[i] = y;
      at = at + 1 == later.length ? 0 : at + 1;
    }
  }
}
