package looseecho.layers;

import java.util.Arrays;

/**
 * How a level comes back after a push, in decibels: a curve fitted by least squares, for each of
 * several lengths.
 *
 * @param shape of the curve
 * @param length of the curve, in seconds
 * @param depthDb how far it was pushed down in the beginning
 * @param restDb where it goes
 * @param offDb root mean square of what the curve leaves
 * @param fit coefficient of determination, 0..1
 */
record WayBack(
    Shape shape, double length, double depthDb, double restDb, double offDb, double fit) {
  private static final double SHORTEST = 0.06; // seconds
  private static final double STEP = 0.02;
  private static final double LONGEST = 1.3; // times what is seen

  /** The shapes that compressors and drawn curves have. */
  enum Shape {
    /** Half a cosine. */
    COSINE {
      @Override
      double at(double x) {
        return 0.5 + 0.5 * Math.cos(Math.PI * Math.min(1, x));
      }

      @Override
      double back() {
        return Math.acos(-0.8) / Math.PI;
      }
    },
    /** A steady share in each moment. */
    STEADY {
      @Override
      double at(double x) {
        return Math.exp(-x);
      }

      @Override
      double back() {
        return Math.log(10);
      }
    };

    /** What is left of the depth, 1 to 0, after so many lengths. */
    abstract double at(double x);

    /** Lengths until 90 % of the way are done. */
    abstract double back();
  }

  /** Along the best curve, through decibels at seconds since the push, in order. */
  static WayBack of(double[] seconds, double[] decibels) {
    WayBack best = null;
    for (Shape shape : Shape.values()) {
      for (double n = SHORTEST; n < LONGEST * seconds[seconds.length - 1]; n += STEP) {
        WayBack one = of(shape, n, seconds, decibels);
        best = best == null || one.offDb < best.offDb ? one : best;
      }
    }
    return best;
  }

  /** Along one curve. */
  static WayBack of(Shape shape, double length, double[] seconds, double[] decibels) {
    double[] curve = Arrays.stream(seconds).map(t -> shape.at(t / length)).toArray();
    double mx = Arrays.stream(curve).average().orElse(0);
    double my = Arrays.stream(decibels).average().orElse(0);
    double xy = 0;
    double xx = 1e-12;
    double yy = 1e-9;
    for (int k = 0; k < curve.length; k++) {
      xy += (curve[k] - mx) * (decibels[k] - my);
      xx += (curve[k] - mx) * (curve[k] - mx);
      yy += (decibels[k] - my) * (decibels[k] - my);
    }
    double slope = xy / xx;
    double left = Math.max(0, yy - xy * slope);
    return new WayBack(
        shape, length, -slope, my - slope * mx, Math.sqrt(left / curve.length), xy * slope / yy);
  }

  /** Seconds until 90 % of the way are done. */
  double seconds() {
    return shape.back() * length;
  }

  /** Decibels that it is still down so many seconds after the push. */
  double left(double seconds) {
    return depthDb * shape.at(seconds / length);
  }
}
