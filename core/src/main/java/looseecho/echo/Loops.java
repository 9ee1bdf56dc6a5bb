package looseecho.echo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import looseecho.echo.Edits.Edited;

/**
 * Lays a recording that is cut into pieces through sections: each piece is a stroke where it is
 * due, so that it goes with the tempo and can be moved, turned round and pitched by itself. The
 * recording goes round and round, also over the edges of sections.
 */
public final class Loops {
  private Loops() {}

  /** The order in which the pieces come. */
  public enum Order {
    AS_RECORDED("as recorded"),
    BACKWARDS("from the last to the first"),
    EVERY_FIRST_TWICE("every second one again instead of the next"),
    SHUFFLED("shuffled, the first in its place");

    private final String words;

    Order(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }

    private List<Integer> of(int count) {
      List<Integer> out = new ArrayList<>();
      for (int k = 0; k < count; k++) {
        out.add(
            switch (this) {
              case BACKWARDS -> count - 1 - k;
              case EVERY_FIRST_TWICE -> k / 2 * 2;
              default -> k;
            });
      }
      if (this == SHUFFLED && count > 2) {
        Collections.shuffle(out.subList(1, count), new Random(count));
      }
      return out;
    }
  }

  /**
   * A recording to lay.
   *
   * @param beats that it lasts
   * @param starts where its pieces begin, as shares of its length; one at 0 for the whole
   * @param gate share of its time that each piece sounds, 0..1
   */
  public record Loop(double beats, List<Double> starts, Order order, double gate) {
    public Loop {
      starts = starts.isEmpty() ? List.of(0.0) : List.copyOf(starts);
      if (!(beats > 0) || !(gate > 0 && gate <= 1)) {
        throw new IllegalArgumentException("a loop of " + beats + " beats, gate " + gate);
      }
    }
  }

  /** Lays it in sections one after another, in place of what the part plays there. */
  public static Edited lay(Template t, DrumPart part, Loop loop, int first, int last) {
    Template out = t;
    long zero = 0;
    int count = 0;
    for (int s = first; s <= last; s++) {
      List<Stroke> strokes = strokes(t, loop, zero, t.ticks(s));
      out = out.with(s, out.sections().get(s).with(part, strokes));
      zero += t.ticks(s);
      count += strokes.size();
    }
    String where =
        first == last
            ? Arrangement.name(t, first)
            : "sections " + (first + 1) + " to " + (last + 1);
    return new Edited(out, t.name(part) + " in " + where + ", " + count + " pieces");
  }

  /** The pieces that begin in a section which itself begins so many ticks after the loop. */
  private static List<Stroke> strokes(Template t, Loop loop, long from, int ticks) {
    double round = loop.beats() * t.meter().ticksPerBeat();
    List<Integer> order = loop.order().of(loop.starts().size());
    List<Stroke> out = new ArrayList<>();
    for (long turn = (long) Math.floor(from / round); turn * round < from + ticks; turn++) {
      for (int k = 0; k < order.size(); k++) {
        double share = loop.starts().get(k);
        double next =
            k + 1 < loop.starts().size() ? loop.starts().get(k + 1) : 1 + loop.starts().get(0);
        int tick = (int) Math.round(turn * round + share * round - from);
        int length = (int) Math.max(1, Math.round((next - share) * round * loop.gate()));
        if (tick >= 0 && tick < ticks) {
          Manner manner = Manner.PLAIN.lasting(length).slice(order.get(k) + 1);
          out.add(new Stroke(tick, 0, 100, manner));
        }
      }
    }
    return out;
  }
}
