package looseecho.notes;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What the chords and the bass of a stretch do, in words: one chord throughout, a drone, or which
 * chords go round.
 */
public final class Harmony {
  private static final double THROUGHOUT = 0.92; // of the time that has a chord
  private static final double DRONE = 0.95;
  private static final int FEW = 6;

  private Harmony() {}

  /** A sentence about the chords between two seconds. */
  public static String chords(List<Chord> chords, Key key, double from, double to) {
    Map<Integer, Double> seconds = new HashMap<>();
    Set<String> names = new LinkedHashSet<>();
    double all = 0;
    Chord longest = null;
    double most = 0;
    for (Chord c : chords) {
      double overlap = Math.min(to, c.end()) - Math.max(from, c.start());
      if (overlap <= 0 || !c.sounds()) {
        continue;
      }
      all += overlap;
      double sum = seconds.merge(c.root(), overlap, Double::sum);
      names.add(c.numeral(key).orElse(""));
      if (sum > most) {
        most = sum;
        longest = longest != null && longest.root() == c.root() ? longest : c;
      }
    }
    if (longest == null) {
      return "No chords here";
    }
    if (most >= THROUGHOUT * all) {
      return "One chord throughout: " + longest.words(key) + ", " + longest.numeral(key).orElse("");
    }
    return names.size() <= FEW
        ? "Chords in use: " + String.join(" ", names)
        : names.size() + " different chords";
  }

  /** A sentence about a bass that stays on one note, in any octave; empty when it moves. */
  public static String drone(List<Note> bass, Key key, double from, double to) {
    double[] seconds = new double[12];
    double all = 0;
    Set<Integer> pitches = new LinkedHashSet<>();
    for (Note n : bass) {
      double overlap = Math.min(to, n.end()) - Math.max(from, n.start());
      if (overlap > 0) {
        seconds[n.pitch() % 12] += overlap;
        all += overlap;
      }
    }
    for (int c = 0; c < 12; c++) {
      if (all > 0 && seconds[c] >= DRONE * all) {
        for (Note n : bass) {
          if (n.pitch() % 12 == c && n.end() > from && n.start() < to) {
            pitches.add(n.pitch() / 12);
          }
        }
        return String.format(
            Locale.ROOT,
            "The bass stays on %s, degree %s%s",
            key.spelled(c),
            key.degree(c),
            pitches.size() > 1 ? ", in " + pitches.size() + " octaves" : "");
      }
    }
    return "";
  }
}
