package looseecho.audio;

import java.util.Arrays;

/** Gathers decoded samples of any channel count into stereo; grows as needed. Not thread-safe. */
final class SampleSink {
  private static final float MINUS_3_DB = 0.70794576f;
  private float[] left = new float[1 << 18];
  private float[] right = new float[1 << 18];
  private int length;
  private int sampleRate;
  private final int maxSeconds;

  SampleSink(int maxSeconds) {
    this.maxSeconds = maxSeconds;
  }

  void format(int rate) {
    if (sampleRate != 0 && sampleRate != rate) {
      throw new IllegalStateException("the sampling rate changes within the file");
    }
    sampleRate = rate;
  }

  /** Adds one sample of every channel; surround channels are folded down by 3 dB (ITU-R BS.775). */
  void add(float[] channels, int count) {
    if (length == left.length) {
      grow();
    }
    float l = channels[0];
    float r = count > 1 ? channels[1] : l;
    for (int c = 2; c < count; c++) {
      float x = MINUS_3_DB * channels[c];
      boolean centre = c == 2 && count != 4;
      if (c == 3 && count > 5) {
        continue; // the low-frequency channel stays out of a stereo fold-down
      }
      l += centre || c % 2 == 0 ? x : 0;
      r += centre || c % 2 == 1 ? x : 0;
    }
    left[length] = Float.isFinite(l) ? l : 0;
    right[length] = Float.isFinite(r) ? r : 0;
    length++;
  }

  private void grow() {
    if (sampleRate > 0 && length > (long) maxSeconds * sampleRate) {
      throw new TooLongException();
    }
    left = Arrays.copyOf(left, length * 3 / 2);
    right = Arrays.copyOf(right, length * 3 / 2);
  }

  int length() {
    return length;
  }

  int sampleRate() {
    return sampleRate;
  }

  /** The sound between two samples, clamped to what there is. */
  Audio audio(int from, int to) {
    int a = Math.min(Math.max(0, from), length);
    int b = Math.min(Math.max(a, to), length);
    return new Audio(Arrays.copyOfRange(left, a, b), Arrays.copyOfRange(right, a, b), sampleRate);
  }

  /** Thrown when the file is longer than the sink takes. */
  static final class TooLongException extends RuntimeException {}
}
