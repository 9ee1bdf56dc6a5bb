package looseecho.audio;

import java.io.IOException;
import java.util.Arrays;

/**
 * Gathers decoded samples of any channel count into stereo. Short sounds stay in memory; long ones
 * go to temporary files that are mapped, so that the memory stays bounded. Not thread-safe.
 */
public final class SampleSink {
  private static final float MINUS_3_DB = 0.70794576f;
  private static final int MOST = Integer.MAX_VALUE - (1 << 20); // what an index can count
  private static final int IN_MEMORY = 16_000_000; // samples of a side: six minutes
  private final int inMemory;
  private final int stretch;
  private float[] left = new float[1 << 18];
  private float[] right = new float[1 << 18];
  private Spill leftSpill;
  private Spill rightSpill;
  private int held; // samples in the arrays
  private int length;
  private int sampleRate;
  private boolean damaged;
  private final int maxSeconds;

  SampleSink(int maxSeconds) {
    this(maxSeconds, IN_MEMORY);
  }

  SampleSink(int maxSeconds, int inMemory) {
    this(maxSeconds, inMemory, Samples.SHIFT);
  }

  /** {@code stretch} is the length of a mapping, as a power of two. */
  SampleSink(int maxSeconds, int inMemory, int stretch) {
    this.maxSeconds = maxSeconds;
    this.inMemory = inMemory;
    this.stretch = stretch;
  }

  /** A sink for sound of our own that has a rate already. */
  public static SampleSink at(int rate) {
    SampleSink sink = new SampleSink(Integer.MAX_VALUE / rate);
    sink.sampleRate = rate;
    return sink;
  }

  /** The sampling rate, to be told before the first sample. */
  void format(double rate) throws UnreadableException {
    if (!(rate >= Audio.MIN_RATE && rate <= Audio.MAX_RATE)) {
      throw new UnreadableException(
          "The file says that its sampling rate is "
              + Math.round(rate)
              + " Hz. From 1 to 768 kHz can be read.");
    }
    if (sampleRate != 0 && sampleRate != Math.round(rate)) {
      throw new IllegalStateException("the sampling rate changes within the file");
    }
    sampleRate = (int) Math.round(rate);
  }

  /** Says how many samples will come, so that the room for them is looked for before. */
  void expect(long samples) {
    if (samples > (long) maxSeconds * sampleRate) {
      return;
    }
    if (samples > inMemory) {
      Spill.checkRoom(2 * samples * Float.BYTES);
    } else if (samples > left.length && length == 0) {
      left = new float[(int) samples];
      right = new float[(int) samples];
    }
  }

  /** Adds one sample of every channel; surround channels are folded down by 3 dB (ITU-R BS.775). */
  public void add(float[] channels, int count) {
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

  /** Adds so many samples of every channel. */
  void addAll(float[][] channels, int count) {
    if (channels.length <= 2 && held + count <= left.length) {
      copy(channels[0], left, count);
      copy(channels[channels.length - 1], right, count);
      held += count;
      length += count;
      return;
    }
    float[] one = new float[channels.length];
    for (int i = 0; i < count; i++) {
      for (int c = 0; c < one.length; c++) {
        one[c] = channels[c][i];
      }
      add(one, one.length);
    }
  }

  private void copy(float[] from, float[] to, int count) {
    for (int i = 0; i < count; i++) {
      to[held + i] = Float.isFinite(from[i]) ? from[i] : 0;
    }
  }

  private void makeRoom() {
    if (sampleRate > 0 && length > (long) maxSeconds * sampleRate || length > MOST) {
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
        Spill.checkRoom(4L * held * Float.BYTES);
        leftSpill = new Spill();
        rightSpill = new Spill();
      }
      leftSpill.write(left, held);
      rightSpill.write(right, held);
      held = 0;
    } catch (IOException e) {
      throw new NoRoomException(e);
    }
  }

  /** Says that a part of the file had to be passed over. */
  void damaged() {
    damaged = true;
  }

  boolean isDamaged() {
    return damaged;
  }

  int length() {
    return length;
  }

  int sampleRate() {
    return sampleRate;
  }

  /** Lets go of what was put aside: no sound will be asked for. */
  void discard() {
    try {
      if (leftSpill != null) {
        leftSpill.close();
        rightSpill.close();
      }
    } catch (IOException e) {
      System.getLogger(SampleSink.class.getName())
          .log(System.Logger.Level.DEBUG, "a temporary file can't be closed", e);
    }
  }

  /** All of the sound. Nothing may be added afterwards. */
  public Audio audio() {
    return audio(0, length);
  }

  /** The sound between two samples, clamped to what there is. Nothing may be added afterwards. */
  Audio audio(int from, int to) {
    int a = Math.min(Math.max(0, from), length);
    int b = Math.min(Math.max(a, to), length);
    if (leftSpill != null) {
      spill();
      try {
        Samples l = leftSpill.map(stretch);
        Samples r = rightSpill.map(stretch);
        return new Audio(l.slice(a, b - a), r.slice(a, b - a), sampleRate);
      } catch (IOException e) {
        throw new NoRoomException(e);
      }
    }
    boolean whole = a == 0 && b == left.length;
    return new Audio(
        whole ? left : Arrays.copyOfRange(left, a, b),
        whole ? right : Arrays.copyOfRange(right, a, b),
        sampleRate);
  }

  /** Thrown when what does not fit into memory can't be put aside; the message is a sentence. */
  public static final class NoRoomException extends RuntimeException {
    private static final long serialVersionUID = 1;

    NoRoomException(Throwable cause) {
      super(
          "There is no room for so long a sound in the temporary folder "
              + System.getProperty("java.io.tmpdir")
              + ". Make room there and try again.",
          cause);
    }
  }

  /** Thrown when the file is longer than the sink takes. */
  static final class TooLongException extends RuntimeException {}
}
