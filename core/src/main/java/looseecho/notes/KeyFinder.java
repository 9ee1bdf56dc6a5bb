package looseecho.notes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Alternative;
import looseecho.reading.Reading.Settled;

/**
 * Ranks the 24 keys by correlating pitch-class strengths with key profiles.
 *
 * <p>Source: C. L. Krumhansl and E. J. Kessler, "Tracing the dynamic changes in perceived tonal
 * organization in a spatial representation of musical keys", Psychological Review 89, 1982; method:
 * Krumhansl, "Cognitive foundations of musical pitch", 1990, chapter 4. What the bass plays longest
 * and what the song ends on add to a key's claim.
 */
public final class KeyFinder {
  private static final double[] MAJOR = {
    6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88
  };
  private static final double[] MINOR = {
    6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17
  };
  private static final double BASS_WEIGHT = 0.25;
  private static final double SHARPNESS = 12;
  private static final int SHOWN = 5;

  /** A key and how well it fits, correlation -1..1 plus the bass's say. */
  public record Ranked(Key key, double score) {}

  /** Correlations of 12 pitch-class strengths (C first) with all keys, best first. */
  public List<Ranked> rank(double[] chroma) {
    List<Ranked> out = new ArrayList<>();
    for (int tonic = 0; tonic < 12; tonic++) {
      out.add(new Ranked(new Key(tonic, false), correlation(chroma, MAJOR, tonic)));
      out.add(new Ranked(new Key(tonic, true), correlation(chroma, MINOR, tonic)));
    }
    out.sort(Comparator.comparingDouble(r -> -r.score()));
    return out;
  }

  /**
   * The key as a reading.
   *
   * @param chroma 12 pitch-class strengths over the song
   * @param bass 12 strengths of the bass; zeros when there is none
   */
  public Reading<Key> find(double[] chroma, double[] bass) {
    double most = 1e-9;
    for (double b : bass) {
      most = Math.max(most, b);
    }
    List<Ranked> ranked = new ArrayList<>();
    for (Ranked r : rank(chroma)) {
      double fifth = bass[(r.key().tonic() + 7) % 12] / most;
      ranked.add(
          new Ranked(
              r.key(), r.score() + BASS_WEIGHT * (bass[r.key().tonic()] / most + 0.3 * fifth)));
    }
    ranked.sort(Comparator.comparingDouble(r -> -r.score()));
    double top = ranked.get(0).score();
    double sum = ranked.stream().mapToDouble(r -> Math.exp(SHARPNESS * (r.score() - top))).sum();
    List<Alternative<Key>> others = new ArrayList<>();
    for (Ranked r : ranked.subList(1, SHOWN)) {
      double share = Math.exp(SHARPNESS * (r.score() - top)) / sum;
      others.add(new Alternative<>(r.key(), share, kinship(ranked.get(0).key(), r.key())));
    }
    boolean home = bass[ranked.get(0).key().tonic()] >= most;
    return new Reading<>(
        ranked.get(0).key(),
        1 / sum,
        home ? "the bass rests on its home note" : "its notes fit best",
        others,
        Settled.MEASURED);
  }

  private static String kinship(Key a, Key b) {
    int up = Math.floorMod(b.tonic() - a.tonic(), 12);
    if (a.minor() != b.minor() && up == (a.minor() ? 3 : 9)) {
      return "same notes, other home";
    }
    if (up == 0) {
      return "same home, other third";
    }
    return a.minor() == b.minor() && (up == 7 || up == 5) ? "one note apart" : "shares many notes";
  }

  private static double correlation(double[] x, double[] profile, int tonic) {
    double mx = java.util.Arrays.stream(x).average().orElse(0);
    double mp = java.util.Arrays.stream(profile).average().orElse(0);
    double xy = 0;
    double xx = 0;
    double pp = 0;
    for (int c = 0; c < 12; c++) {
      double a = x[c] - mx;
      double b = profile[Math.floorMod(c - tonic, 12)] - mp;
      xy += a * b;
      xx += a * a;
      pp += b * b;
    }
    return xx <= 0 ? 0 : xy / Math.sqrt(xx * pp);
  }
}
