package looseecho.notes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Alternative;
import looseecho.reading.Reading.Settled;

/**
 * Ranks the 24 keys by correlating pitch-class strengths with key profiles.
 *
 * <p>Source: C. L. Krumhansl and E. J. Kessler, "Tracing the dynamic changes in perceived tonal
 * organization in a spatial representation of musical keys", Psychological Review 89, 1982; method:
 * Krumhansl, "Cognitive foundations of musical pitch", 1990, chapter 4. The notes of the chords are
 * added to all that sounds. What the bass plays longest adds to a key's claim, notes outside the
 * key take from it. The last chord is named as a reason but not counted: excerpts and loops end
 * anywhere.
 */
public final class KeyFinder {
  private static final double[] MAJOR = {
    6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88
  };
  private static final double[] MINOR = {
    6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17
  };
  private static final double BASS_WEIGHT = 0.25;
  private static final double CHORD_WEIGHT = 0.35; // of the chords' notes against all that sounds
  private static final double ROOT = 2.5; // a chord's root against its other notes
  private static final double SHARPNESS = 12;
  private static final double OUTSIDE_WEIGHT = 0.6;
  private static final int SHOWN = 5;
  private static final int MODES_SHOWN = 2;

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
   * What a key is judged by.
   *
   * @param tones 12 pitch-class strengths, C first
   * @param bass 12 strengths of the bass; zeros when there is none
   * @param chords 12 strengths of what the chords are made of; zeros when there are none
   * @param last the chord that the piece ends on
   */
  public record Evidence(double[] tones, double[] bass, double[] chords, Optional<Chord> last) {

    /** The notes of the chords between two times, by how long they are held; roots count more. */
    public static double[] notes(List<Chord> chords, double from, double to) {
      double[] out = new double[12];
      for (Chord c : chords) {
        double overlap = Math.min(to, c.end()) - Math.max(from, c.start());
        if (c.sounds() && overlap > 0) {
          for (int tone : c.kind().tones()) {
            out[(c.root() + tone) % 12] += overlap * (tone == 0 ? ROOT : 1);
          }
        }
      }
      return out;
    }

    /** Sounding notes and chords in one, as shares. */
    private double[] all() {
      double sounding = Math.max(1e-9, Arrays.stream(tones).sum());
      double held = Math.max(1e-9, Arrays.stream(chords).sum());
      double[] out = new double[12];
      for (int c = 0; c < 12; c++) {
        out[c] = (1 - CHORD_WEIGHT) * tones[c] / sounding + CHORD_WEIGHT * chords[c] / held;
      }
      return out;
    }
  }

  /** The key as a reading, with cousins and what speaks for each. */
  public Reading<Key> find(Evidence e) {
    List<Ranked> ranked = new ArrayList<>();
    double[] all = e.all();
    for (Ranked r : rank(all)) {
      ranked.add(new Ranked(r.key(), r.score() + support(r.key(), e, all)));
    }
    ranked.sort(Comparator.comparingDouble(r -> -r.score()));
    Key best = ranked.get(0).key();
    double top = ranked.get(0).score();
    double sum = ranked.stream().mapToDouble(r -> Math.exp(SHARPNESS * (r.score() - top))).sum();
    List<Ranked> candidates = new ArrayList<>(ranked.subList(1, SHOWN));
    candidates.addAll(modes(best, e, all));
    candidates.sort(Comparator.comparingDouble(r -> -r.score()));
    List<Alternative<Key>> others = new ArrayList<>();
    for (Ranked r : candidates) {
      double share = Math.min(1, Math.exp(SHARPNESS * (r.score() - top)) / sum);
      others.add(
          new Alternative<>(
              r.key(), share, kinship(best, r.key()) + KeyReasons.of(r.key(), best, e)));
    }
    String reason = KeyReasons.of(best, ranked.get(1).key(), e);
    return new Reading<>(
        best,
        1 / sum,
        reason.isEmpty() ? "its notes fit best" : reason.substring(2),
        others,
        Settled.MEASURED);
  }

  private static double support(Key key, Evidence e, double[] tones) {
    double most = 1e-9;
    for (double b : e.bass()) {
      most = Math.max(most, b);
    }
    double home = e.bass()[key.tonic()] / most;
    double fifth = e.bass()[(key.tonic() + 7) % 12] / most;
    return BASS_WEIGHT * (home + 0.3 * fifth) - OUTSIDE_WEIGHT * outside(key, tones);
  }

  /** Share of what sounds that lies outside the key; minor may raise its seventh. */
  private static double outside(Key key, double[] tones) {
    double all = 1e-9;
    double out = 0;
    for (int c = 0; c < 12; c++) {
      all += tones[c];
      boolean leading = key.minor() && Math.floorMod(c - key.tonic(), 12) == 11;
      out += key.has(c) || leading ? 0 : tones[c];
    }
    return out / all;
  }

  /**
   * Modes on the same home and of the same notes: a mode's profile is that of its kind with the two
   * notes exchanged by which the mode differs from it.
   */
  private static List<Ranked> modes(Key best, Evidence e, double[] tones) {
    List<Ranked> out = new ArrayList<>();
    int parent = best.tonic() - best.scale().overMajor();
    for (Scale mode : List.of(Scale.DORIAN, Scale.PHRYGIAN, Scale.LYDIAN, Scale.MIXOLYDIAN)) {
      Key sameHome = new Key(best.tonic(), mode);
      Key sameNotes = new Key(Math.floorMod(parent + mode.overMajor(), 12), mode);
      for (Key k : List.of(sameHome, sameNotes)) {
        if (k == sameNotes || mode.minor() == best.minor()) {
          double fit = correlation(tones, profile(mode), k.tonic());
          out.add(new Ranked(k, fit + support(k, e, tones)));
        }
      }
    }
    out.sort(Comparator.comparingDouble(r -> -r.score()));
    return out.subList(0, MODES_SHOWN);
  }

  private static double[] profile(Scale mode) {
    double[] p = (mode.minor() ? MINOR : MAJOR).clone();
    int[] exchanged =
        switch (mode) {
          case DORIAN -> new int[] {8, 9};
          case PHRYGIAN -> new int[] {1, 2};
          case LYDIAN -> new int[] {5, 6};
          default -> new int[] {10, 11};
        };
    double kept = p[exchanged[0]];
    p[exchanged[0]] = p[exchanged[1]];
    p[exchanged[1]] = kept;
    return p;
  }

  private static String kinship(Key a, Key b) {
    if (a.fifths() == b.fifths()) {
      return "same notes, other home";
    }
    if (a.tonic() == b.tonic()) {
      return a.minor() == b.minor() ? "same home, other colour" : "same home, other third";
    }
    int apart = Math.abs(a.fifths() - b.fifths());
    return apart == 1 || apart == 11 ? "one note apart" : "shares many notes";
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
