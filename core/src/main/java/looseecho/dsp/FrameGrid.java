package looseecho.dsp;

/**
 * Even frames over time: the one place that turns frames into seconds and back.
 *
 * @param perSecond frames in a second
 */
public record FrameGrid(int perSecond) {
  public FrameGrid {
    if (perSecond < 1) {
      throw new IllegalArgumentException("perSecond must be at least 1 (was: " + perSecond + ")");
    }
  }

  /** Seconds of a frame, which need not be whole. */
  public double seconds(double frame) {
    return frame / perSecond;
  }

  /** The frame nearest to a time. */
  public int nearest(double seconds) {
    return (int) Math.round(seconds * perSecond);
  }

  /** The nearest of so many frames. */
  public int nearest(double seconds, int frames) {
    return Math.max(0, Math.min(frames - 1, nearest(seconds)));
  }

  /** The last frame at or before a time. */
  public int before(double seconds) {
    return (int) Math.floor(seconds * perSecond);
  }

  /** Samples from frame to frame at a sampling rate. */
  public int hop(int rate) {
    return rate / perSecond;
  }
}
