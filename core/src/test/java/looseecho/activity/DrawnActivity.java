package looseecho.activity;

/**
 * Activity curves drawn by hand, to test what comes after the network. Bumps are those that the
 * network was taught.
 */
public final class DrawnActivity {
  private final float[][] curves;

  public DrawnActivity(double seconds) {
    curves = new float[Activities.CURVES + Lane.HEARD.size()][(int) (seconds * 100) + 1];
  }

  public DrawnActivity beat(double time, boolean down) {
    bump(Lane.HEARD.size(), time, 0.9, 1.3);
    if (down) {
      bump(Lane.HEARD.size() + 1, time, 0.9, 1.3);
    }
    return this;
  }

  public DrawnActivity hit(Lane lane, double time, double height, double velocity) {
    bump(lane.ordinal(), time, height, 0.85);
    int n = (int) Math.round(time * 100);
    for (int i = Math.max(0, n - 2); i <= Math.min(curves[0].length - 1, n + 2); i++) {
      curves[Activities.CURVES + lane.ordinal()][i] = (float) velocity;
    }
    return this;
  }

  private void bump(int curve, double time, double height, double sigma) {
    for (int n = (int) (time * 100) - 4; n <= time * 100 + 5; n++) {
      if (n >= 0 && n < curves[curve].length) {
        double d = (n - time * 100) / sigma;
        curves[curve][n] = Math.max(curves[curve][n], (float) (height * Math.exp(-0.5 * d * d)));
      }
    }
  }

  public Activities done() {
    return new Activities(curves);
  }
}
