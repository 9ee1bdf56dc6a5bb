package looseecho.synth;

import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import looseecho.reading.Limits;

/**
 * How a recording is cut up, and how it is fitted to the tempo.
 *
 * @param beats how many beats it lasts, 0 for a one-shot that knows none
 * @param fit what is done to it where its tempo is another
 * @param starts where slices begin, as shares of its length, in order; none leaves it whole
 */
public record Slices(double beats, Fit fit, List<Double> starts) {
  private static final double MOST_BEATS = 512;

  /** A one-shot. */
  public static final Slices NONE = new Slices(0, Fit.AS_IT_IS, List.of());

  /** What is done to a recording of another tempo. */
  public enum Fit {
    /** Its slices come when they are due, and sound as they are. */
    AS_IT_IS("as it is"),
    /** Faster or slower, its pitch with it. */
    SPEED("by speed"),
    /** Stretched, its pitch kept. */
    PITCH_KEPT("pitch kept");

    private final String words;

    Fit(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public Slices {
    Limits.within("beats", beats, 0, MOST_BEATS);
    Objects.requireNonNull(fit, "fit must not be null");
    starts = List.copyOf(starts);
    Limits.within("slices", starts.size(), 0, Limits.SLICES);
    double before = -1;
    for (double s : starts) {
      if (!(s > before && s >= 0 && s < 1)) {
        throw new IllegalArgumentException("slices out of order");
      }
      before = s;
    }
  }

  /** The number of beats, of those that music is cut in, that comes nearest at a tempo. */
  public static double likelyBeats(double seconds, double bpm) {
    double beats = seconds * bpm / 60;
    return IntStream.of(1, 2, 3, 4, 6, 8, 12, 16, 24, 32, 48, 64)
        .boxed()
        .min(
            java.util.Comparator.comparingDouble(
                n -> Math.abs(Math.log(n / Math.max(1e-6, beats)))))
        .orElseThrow();
  }

  /** Cut into equal pieces of so many beats. */
  public Slices every(double pieceBeats) {
    int count = (int) Math.max(1, Math.min(Limits.SLICES, Math.round(beats / pieceBeats)));
    return new Slices(
        beats, fit, IntStream.range(0, count).mapToObj(k -> (double) k / count).toList());
  }

  /** Cut where its sounds begin. */
  public Slices at(double[] seconds, double length) {
    return new Slices(
        beats,
        fit,
        java.util.Arrays.stream(seconds)
            .map(s -> s / length)
            .filter(s -> s >= 0 && s < 1)
            .distinct()
            .limit(Limits.SLICES)
            .boxed()
            .toList());
  }

  /** Whole. */
  public Slices whole() {
    return new Slices(beats, fit, List.of());
  }

  public Slices lasting(double otherBeats) {
    return new Slices(otherBeats, fit, starts);
  }

  public Slices fitted(Fit other) {
    return new Slices(beats, other, starts);
  }

  /** How many pieces there are; one for what is whole. */
  public int count() {
    return Math.max(1, starts.size());
  }

  /** Where a piece begins, as a share of the length; pieces count from 1. */
  public double start(int slice) {
    return starts.isEmpty() ? 0 : starts.get(Math.min(slice, starts.size()) - 1);
  }

  /** Where it ends. */
  public double end(int slice) {
    return slice >= starts.size() ? 1 : starts.get(slice);
  }
}
