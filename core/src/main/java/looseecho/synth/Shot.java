package looseecho.synth;

import java.util.function.UnaryOperator;

/**
 * A sound as samples: both sides, which are the same array where it has only one.
 *
 * @param left not to be changed
 * @param right as long
 */
public record Shot(float[] left, float[] right) {
  /** One side. */
  public static Shot of(float[] mono) {
    return new Shot(mono, mono);
  }

  /** True where both sides are one. */
  @SuppressWarnings("ReferenceEquality") // that is how one side is told
  public boolean isMono() {
    return left == right;
  }

  public int length() {
    return left.length;
  }

  /** Both sides changed in one way. */
  public Shot map(UnaryOperator<float[]> change) {
    float[] l = change.apply(left);
    return new Shot(l, isMono() ? l : change.apply(right));
  }

  /** Both sides as one; the array itself where there is one. */
  public float[] mono() {
    if (isMono()) {
      return left;
    }
    float[] out = new float[left.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = 0.5f * (left[i] + right[i]);
    }
    return out;
  }
}
