package looseecho.activity;

/** Curves of a line network drawn by hand, to test what comes after it. */
public final class DrawnLine {
  private final Register register;
  private final float[] values;
  private final int frames;

  public DrawnLine(Register register, double seconds) {
    this.register = register;
    this.frames = (int) (seconds * Register.FRAMES.perSecond());
    this.values = new float[frames * Register.PITCHES * 2];
  }

  /** A note; its attack is a bump around the exact time. */
  public DrawnLine note(double start, double end, int pitch, double height) {
    int p = pitch - register.lowest();
    for (int n = 0; n < frames; n++) {
      int at = (n * Register.PITCHES + p) * 2;
      double d = (n - start * Register.FRAMES.perSecond()) / 0.9;
      values[at] = Math.max(values[at], (float) (height * Math.exp(-0.5 * d * d)));
      double t = (double) n / Register.FRAMES.perSecond();
      if (t >= start - 0.01 && t < end) {
        values[at + 1] = Math.max(values[at + 1], (float) height);
      }
    }
    return this;
  }

  public LineActivity done() {
    return new LineActivity(register, values);
  }
}
