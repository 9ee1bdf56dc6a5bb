package looseecho.notes;

import java.util.ArrayList;
import java.util.List;
import looseecho.notes.KeyFinder.Evidence;

/** What speaks for a key, in words. */
final class KeyReasons {
  private static final double HOME = 0.3; // share of the bass's time
  private static final double MISSING = 0.35; // of the mean strength of a pitch class
  private static final double HEARD = 0.7;
  private static final int MOST = 3; // reasons given

  private KeyReasons() {}

  /**
   * Each reason after a comma; empty when there is none. The other key is what it is held against.
   */
  static String of(Key key, Key other, Evidence e) {
    List<String> out = new ArrayList<>();
    double bass = 0;
    for (double b : e.bass()) {
      bass += b;
    }
    double home = bass > 0 ? e.bass()[key.tonic()] / bass : 0;
    if (home >= HOME) {
      out.add(
          "the bass rests on "
              + key.spelled(key.tonic())
              + " "
              + Math.round(100 * home)
              + " % of the time");
    }
    if (e.last().filter(c -> c.root() == key.tonic()).isPresent()) {
      out.add("the last chord is " + e.last().get().words(key));
    }
    double mean = 1e-9;
    for (double t : e.tones()) {
      mean += t / 12;
    }
    for (int c = 0; c < 12; c++) {
      if (other.has(c) && !key.has(c) && e.tones()[c] < MISSING * mean) {
        out.add("hardly any " + other.spelled(c) + " is heard");
      } else if (key.has(c) && !other.has(c) && e.tones()[c] > HEARD * mean) {
        out.add(key.spelled(c) + " is heard");
      }
    }
    return out.isEmpty()
        ? ""
        : ", " + String.join(", ", out.subList(0, Math.min(MOST, out.size())));
  }
}
