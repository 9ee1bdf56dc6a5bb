package looseecho.audio;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.FloatBuffer;
import java.util.Arrays;

/**
 * Gathers decoded samples of any channel count into stereo. Short sounds stay in memory; long ones
 * go to temporary files that are mapped, so that the memory stays bounded. Not thread-safe.
 */
final class SampleSink {
  private static final float MINUS_3_DB = 0.70794576f;
  private static final int IN_MEMORY = 40_000_000; // samples of a side: a quarter of an hour
  private final int inMemory;
  private float[] left = new float[1 << 18];
  private float[] right = new float[1 << 18];
  private Spill leftSpill;
  private Spill rightSpill;
  private int held; // samples in the arrays
  private int length;
  private int sampleRate;
  private final int maxSeconds;

  SampleSink(int maxSeconds) {
    this(maxSeconds, IN_MEMORY);
  }

  SampleSink(int maxSeconds, int inMemory) {
    this.maxSeconds = maxSeconds;
    this.inMemory = inMemory;
  }

  void format(int rate) {
    if (sampleRate != 0 && sampleRate != rate) {
      throw new IllegalStateException("the sampling rate changes within the file");
    }
    sampleRate = rate;
  }

  /** Adds one sample of every channel; surround channels are folded down by 3 dB (ITU-R BS.775). */
  void add(float[] channels, int count) {
    if (held == left.length) {
      makeRoom();
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
    left[held] = Float.isFinite(l) ? l : 0;
    right[held] = Float.isFinite(r) ? r : 0;
    held++;
    length++;
  }

  private void makeRoom() {
    if (sampleRate > 0 && length > (long) maxSeconds * sampleRate) {
      throw new TooLongException();
    }
    if (leftSpill == null && length < inMemory) {
      left = Arrays.copyOf(left, length * 3 / 2);
      right = Arrays.copyOf(right, length * 3 / 2);
      return;
    }
    spill();
  }

  private void spill() {
    try {
      if (leftSpill == null) {
        leftSpill = new Spill();
        rightSpill = new Spill();
      }
      leftSpill.write(left, held);
      rightSpill.write(right, held);
      held = 0;
    } catch (IOException e) {
      throw new UncheckedIOException(
          "there is no room for so long a sound in the temporary folder", e);
    }
  }

  int length() {
    return length;
  }

  int sampleRate() {
    return sampleRate;
  }

  /** The sound between two samples, clamped to what there is. Nothing may be added afterwards. */
  Audio audio(int from, int to) {
    int a = Math.min(Math.max(0, from), length);
    int b = Math.min(Math.max(a, to), length);
    if (leftSpill != null) {
      spill();
      try {
        FloatBuffer l = leftSpill.map();
        FloatBuffer r = rightSpill.map();
        return new Audio(l.slice(a, b - a), r.slice(a, b - a), sampleRate);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    return new Audio(Arrays.copyOfRange(left, a, b), Arrays.copyOfRange(right, a, b), sampleRate);
  }

  /** Thrown when the file is longer than the sink takes. */
  static final class TooLongException extends RuntimeException {}
}
