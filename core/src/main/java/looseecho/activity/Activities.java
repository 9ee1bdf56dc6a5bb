package looseecho.activity;

import looseecho.dsp.FrameGrid;

/** Curves of the network, 0..1, one value for each of its {@link #FRAMES}. */
public final class Activities {
  public static final FrameGrid FRAMES = MelSpectra.FRAMES;

  /** Curves before the velocities: eight lanes, beat, downbeat. */
  static final int CURVES = Lane.HEARD.size() + 2;

  static final int DOWNBEAT = CURVES - 1;

  private final float[][] curves;
  private final int frames;

  /**
   * Takes over the curves: eight lanes in order, beat, downbeat, then eight velocities, all of one
   * length.
   */
  public Activities(float[][] curves) {
    if (curves.length != CURVES + Lane.HEARD.size()) {
      throw new IllegalArgumentException(
          "need " + (CURVES + Lane.HEARD.size()) + " curves (was: " + curves.length + ")");
    }
    this.curves = curves;
    this.frames = curves[0].length;
  }

  public int frames() {
    return frames;
  }

  /** How surely the lane is hit at the frame. */
  public float lane(Lane lane, int frame) {
    return curves[lane.ordinal()][frame];
  }

  public float beat(int frame) {
    return curves[Lane.HEARD.size()][frame];
  }

  public float downbeat(int frame) {
    return curves[DOWNBEAT][frame];
  }

  /** How hard the lane is hit, 0..1; means something only where the lane is hit. */
  public float velocity(Lane lane, int frame) {
    return curves[CURVES + lane.ordinal()][frame];
  }
}
