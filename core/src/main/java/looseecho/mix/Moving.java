package looseecho.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import looseecho.dsp.Bend;
import looseecho.dsp.StateFilter;
import looseecho.echo.Course;
import looseecho.echo.Course.Target;
import looseecho.echo.Template;

/** Moves what sounds along the courses of its sections, block after block. */
final class Moving {
  private static final int RATE = EchoRenderer.RATE;
  private static final int CONTROL = 64; // samples between two looks at the courses

  private record Span(int from, int to, int section, Course course) {}

  private final Template t;
  private final List<Span> spans = new ArrayList<>();
  private final StateFilter[][] filters = new StateFilter[2][2];

  /** For the courses that move something. */
  Moving(Template t, Predicate<Course> mine) {
    this.t = t;
    for (int s = 0; s < t.sections().size(); s++) {
      int from = LayerScore.at(t.time(s, 0, 0));
      int to = LayerScore.at(t.time(s, t.ticks(s), 0));
      for (Course c : t.sections().get(s).movement().courses()) {
        if (mine.test(c) && c.target() != Target.PITCH) {
          spans.add(new Span(from, to, s, c));
        }
      }
    }
    for (StateFilter[] side : filters) {
      Arrays.setAll(side, k -> new StateFilter(RATE));
    }
  }

  boolean isIdle() {
    return spans.isEmpty();
  }

  boolean moves(Target target) {
    return spans.stream().anyMatch(s -> s.course().target() == target);
  }

  /** The value at a sample of the song; empty where nothing moves it. */
  private OptionalDouble at(Target target, int sample) {
    double value = Double.NaN;
    for (Span s : spans) {
      if (s.course().target() == target && sample >= s.from() && sample < s.to()) {
        double own = s.course().at(t.tick(s.section(), (double) sample / RATE));
        value = Double.isNaN(value) ? own : joined(target, value, own);
      }
    }
    return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
  }

  /** What two courses of one target come to, such as that of a part and that of all. */
  private static double joined(Target target, double a, double b) {
    return switch (target) {
      case LEVEL, PITCH -> a + b;
      case WIDTH -> a * b;
      case HIGH_CUT -> Math.min(a, b);
      default -> Math.max(a, b);
    };
  }

  /** Values by sample, even between two looks; {@code still} where nothing moves. */
  float[] values(Target target, double still, Window window) {
    float[] out = new float[window.length()];
    double next = at(target, window.from()).orElse(still);
    for (int i = 0; i < out.length; i += CONTROL) {
      double now = next;
      next = at(target, window.from() + i + CONTROL).orElse(still);
      for (int k = 0; k < CONTROL && i + k < out.length; k++) {
        out[i + k] = (float) (now + (next - now) * k / CONTROL);
      }
    }
    return out;
  }

  /** Drive, cuts, width and level, in place; one array may be both sides. */
  @SuppressWarnings("ReferenceEquality") // one array is one side
  void run(float[] left, float[] right, Window window) {
    boolean mono = left == right;
    if (moves(Target.DRIVE)) {
      float[] drive = values(Target.DRIVE, 0, window);
      drive(left, drive);
      if (!mono) {
        drive(right, drive);
      }
    }
    cut(Target.LOW_CUT, 0, left, right, window);
    cut(Target.HIGH_CUT, 1, left, right, window);
    if (moves(Target.WIDTH) && !mono) {
      float[] width = values(Target.WIDTH, 1, window);
      for (int i = 0; i < left.length; i++) {
        float m = 0.5f * (left[i] + right[i]);
        float s = 0.5f * (left[i] - right[i]) * width[i];
        left[i] = m + s;
        right[i] = m - s;
      }
    }
    if (moves(Target.LEVEL)) {
      float[] db = values(Target.LEVEL, 0, window);
      for (int i = 0; i < left.length; i++) {
        float gain = (float) Math.pow(10, db[i] / 20);
        left[i] *= gain;
        if (!mono) {
          right[i] *= gain;
        }
      }
    }
  }

  private static void drive(float[] x, float[] drive) {
    for (int i = 0; i < x.length; i++) {
      if (drive[i] > 0) {
        x[i] = (float) (Bend.tanh(x[i] * (1 + drive[i])) / (1 + 0.6 * drive[i]));
      }
    }
  }

  @SuppressWarnings("ReferenceEquality")
  private void cut(Target target, int which, float[] left, float[] right, Window window) {
    if (!moves(target)) {
      return;
    }
    boolean low = target == Target.LOW_CUT;
    for (int i = 0; i < left.length; i++) {
      if (i % CONTROL == 0) {
        double open = low ? target.least() : target.most();
        double hz = at(target, window.from() + i).orElse(open);
        filters[0][which].set(hz, 0);
        filters[1][which].set(hz, 0);
      }
      left[i] = next(filters[0][which], left[i], low);
      if (left != right) {
        right[i] = next(filters[1][which], right[i], low);
      }
    }
  }

  private static float next(StateFilter f, float x, boolean low) {
    f.next(x);
    return (float) (low ? f.high() : f.low());
  }
}
