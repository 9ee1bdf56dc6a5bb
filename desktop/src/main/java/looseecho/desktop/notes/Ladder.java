package looseecho.desktop.notes;

import java.util.List;
import java.util.stream.IntStream;
import looseecho.desktop.notes.NotesView.Ribbon;
import looseecho.echo.Tone;
import looseecho.notes.Key;

/**
 * Where pitches lie in a band of the chart: one rung per degree of the key, chromatic notes between
 * their rungs.
 *
 * @param key the key whose degrees are the rungs
 * @param low lowest rung
 * @param high highest rung
 * @param top upper edge in pixels
 * @param height in pixels
 */
record Ladder(Key key, int low, int high, double top, double height) {
  private static final int ROOM = 2; // rungs above and below what is heard

  /**
   * A ladder that has room for all notes, and some around the heard ones, so that it stays as it is
   * while the echo is edited near them.
   */
  static Ladder of(Key key, List<Ribbon> heard, List<Tone> echo, double top, double height) {
    int[] ears = heard.stream().mapToInt(r -> key.rung(r.pitch())).toArray();
    int[] written = echo.stream().mapToInt(n -> key.rung(n.pitch())).toArray();
    int[] centre = ears.length > 0 ? ears : written.length > 0 ? written : new int[] {key.rung(48)};
    int low = IntStream.of(centre).min().orElseThrow() - ROOM;
    int high = IntStream.of(centre).max().orElseThrow() + ROOM;
    low = Math.min(low, IntStream.of(written).min().orElse(low));
    high = Math.max(high, IntStream.of(written).max().orElse(high));
    return new Ladder(key, low, high, top, height);
  }

  double rungHeight() {
    return height / (high - low + 1);
  }

  /** Middle of a rung. */
  double yOfRung(double rung) {
    return top + height - (rung - low + 0.5) * rungHeight();
  }

  /** Middle of a pitch, fractions allowed. */
  double y(double pitch) {
    int rung = key.rung((int) Math.floor(pitch));
    while (key.pitch(rung) > pitch) {
      rung--;
    }
    while (key.pitch(rung + 1) <= pitch) {
      rung++;
    }
    double share = (pitch - key.pitch(rung)) / (key.pitch(rung + 1) - key.pitch(rung));
    return yOfRung(rung + share);
  }

  /** The rung at a place. */
  int rungAt(double y) {
    return low + (int) Math.floor((top + height - y) / rungHeight());
  }

  boolean holds(double y) {
    return y >= top && y < top + height;
  }
}
