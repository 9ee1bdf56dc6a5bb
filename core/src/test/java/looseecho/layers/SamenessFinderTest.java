package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.hits.Hit;
import looseecho.notes.Note;
import looseecho.pulse.PlainPulse;
import looseecho.pulse.Pulse;
import org.junit.jupiter.api.Test;

/** Common practice: what fills is changed every few bars, what carries is not. */
class SamenessFinderTest {
  private static final Pulse PULSE = PlainPulse.at120(0, 4 * 24);
  private static final int FIRST = PULSE.beats().get(0).bar();

  private static void strokes(List<Hit> to, Lane lane, int bar, int... steps) {
    for (int step : steps) {
      double time = 2 * (bar - FIRST) + (step - 1) / 8.0;
      to.add(new Hit(lane, time, 90, bar, step, 0, 1));
    }
  }

  @Test
  void fillersWithoutAChangeAreNamedWithTheirBars() {
    List<Hit> hits = new ArrayList<>();
    List<Note> riff = new ArrayList<>();
    for (int k = 0; k < 20; k++) {
      int bar = FIRST + k;
      strokes(hits, Lane.KICK, bar, 1, 5, 9, 13);
      strokes(hits, Lane.HAT_CLOSED, bar, k == 7 ? new int[] {1, 4, 9} : new int[] {1, 5, 9, 13});
      strokes(hits, Lane.PERCUSSION, bar, k % 2 == 0 ? new int[] {3, 8} : new int[] {3, 12, 15});
      strokes(hits, Lane.HAT_OPEN, bar, 1 + k % 7, 9 + k % 5); // never the same twice in a row
      riff.add(new Note(2 * k, 2 * k + 0.4, 60 + k % 3, 90, 1));
    }
    hits.sort(Comparator.comparingDouble(Hit::time));
    List<String> said =
        SamenessFinder.find(hits, riff, PULSE).stream().map(SamenessFinder.Run::words).toList();
    int last = FIRST + 19;
    assertEquals(
        List.of(
            "percussion: bars " + FIRST + " to " + last + " alike by twos",
            "closed hat: bars " + (FIRST + 8) + " to " + last + " alike"),
        said);
  }
}
