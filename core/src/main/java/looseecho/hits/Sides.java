package looseecho.hits;

import java.util.Arrays;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.audio.Audio;

/** Tells strokes of one drum apart by the side that they are heard on. */
public final class Sides {
  private static final double APART = 0.2; // of pans, -1 to 1

  private Sides() {}

  /**
   * Parts strokes into those further left and those further right.
   *
   * @param times of the strokes in seconds of the sound
   * @return true for each stroke on the right; empty where all stand in one place
   */
  public static Optional<boolean[]> right(Audio audio, Lane lane, double[] times) {
    if (times.length < 2) {
      return Optional.empty();
    }
    StruckSpectrum spectrum = new StruckSpectrum(audio);
    double[] band = lane.band();
    double[] pans = Arrays.stream(times).map(t -> spectrum.at(t).pan(band[0], band[1])).toArray();
    TwoMeans two = TwoMeans.of(pans);
    double first = two.centre(0)[0];
    double second = two.centre(1)[0];
    if (Math.abs(first - second) < APART) {
      return Optional.empty();
    }
    int rightmost = first > second ? 0 : 1;
    boolean[] out = new boolean[times.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = two.groups()[k] == rightmost;
    }
    return Optional.of(out);
  }
}
