package looseecho.desktop.control;

/**
 * The stretch of time that a chart shows: zoomed about a place, moved, kept inside the track. It
 * follows the playhead until it is moved by hand, and again once the playhead is set in it.
 */
public final class TimeWindow {
  /** Seconds that are shown at first. */
  public static final double USUAL = 9;

  private static final double LEAST = 0.002; // seconds: some eighty samples
  private static final double PAGE = 0.1; // where the playhead stands after a page is turned
  private double left;
  private double span;
  private double duration = 1;
  private boolean follows = true;

  public TimeWindow(double span) {
    this.span = span;
  }

  /** Sets how long the track is, in seconds. */
  public void track(double seconds) {
    duration = Math.max(LEAST, seconds);
    clamp();
  }

  public double left() {
    return left;
  }

  /** Seconds shown. */
  public double span() {
    return span;
  }

  /** Zooms by a factor (below 1: closer) and keeps the second at {@code share} of the width. */
  public void zoom(double factor, double share) {
    double at = left + share * span;
    span = Math.max(LEAST, Math.min(duration, span * factor));
    left = at - share * span;
    clamp();
  }

  /** Moves by a share of the width. */
  public void move(double share) {
    follows = false;
    left += share * span;
    clamp();
  }

  /** Shows the whole track. */
  public void whole() {
    span = duration;
    left = 0;
  }

  /** Follows the playhead from now on. */
  public void follow() {
    follows = true;
  }

  /** Brings the playhead into view: in the middle while it stands, page by page while it runs. */
  public void show(double playhead, boolean playing) {
    if (!follows) {
      return;
    }
    if (!playing) {
      if (playhead < left || playhead > left + span) {
        left = playhead - span / 2;
      }
    } else if (playhead < left || playhead > left + (1 - PAGE / 2) * span) {
      left = playhead - PAGE * span;
    }
    clamp();
  }

  private void clamp() {
    span = Math.min(span, duration);
    left = Math.max(0, Math.min(left, duration - span));
  }

  /** Share of the width at which a second lies; beyond 0..1 outside the window. */
  public double share(double seconds) {
    return (seconds - left) / span;
  }

  /** The second at a share of the width. */
  public double seconds(double share) {
    return left + share * span;
  }
}
