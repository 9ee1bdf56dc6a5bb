package looseecho.hits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.pulse.Pulse;

/**
 * What the person decides about hits.
 *
 * @param lane the hit's lane as it stands; for {@link Kind#MERGE} the lane that is given up
 * @param time seconds of the hit
 * @param to another lane, or the same
 * @param velocity 1..127
 */
public record HitMark(Kind kind, Lane lane, double time, Lane to, int velocity) {
  private static final double SAME_SECONDS = 0.03;
  private static final double MOST_SECONDS = 86_400;

  /** What is decided. */
  public enum Kind {
    ADD,
    DELETE,
    /** Other lane or loudness; also settles a doubtful hit as it is. */
    SET,
    /** All hits of a lane go to another. */
    MERGE
  }

  public HitMark {
    if (!(time >= 0 && time <= MOST_SECONDS)) {
      throw new IllegalArgumentException("time must be within a day (was: " + time + ")");
    }
    if (velocity < 1 || velocity > 127) {
      throw new IllegalArgumentException("velocity must be 1..127 (was: " + velocity + ")");
    }
  }

  public static HitMark add(Lane lane, double time, int velocity) {
    return new HitMark(Kind.ADD, lane, time, lane, velocity);
  }

  public static HitMark delete(Hit h) {
    return new HitMark(Kind.DELETE, h.lane(), h.time(), h.lane(), h.velocity());
  }

  public static HitMark set(Hit h, Lane to, int velocity) {
    return new HitMark(Kind.SET, h.lane(), h.time(), to, velocity);
  }

  public static HitMark merge(Lane lane, Lane into) {
    return new HitMark(Kind.MERGE, lane, 0, into, 1);
  }

  /** The hits after all decisions, in their order, in order of time. */
  public static List<Hit> apply(List<HitMark> marks, List<Hit> heard, Pulse pulse) {
    List<Hit> hits = new ArrayList<>(heard);
    Places places = new Places(pulse);
    for (HitMark m : marks) {
      switch (m.kind()) {
        case ADD -> {
          hits.removeIf(h -> m.means(h));
          Place p = places.at(m.time());
          hits.add(new Hit(m.lane(), m.time(), m.velocity(), p.bar(), p.step(), p.offsetMs(), 1));
        }
        case DELETE -> hits.removeIf(h -> m.means(h));
        case SET ->
            hits.replaceAll(
                h -> m.means(h) ? h.withLane(m.to()).withVelocity(m.velocity()).settled() : h);
        case MERGE -> hits.replaceAll(h -> h.lane() == m.lane() ? h.withLane(m.to()) : h);
        default -> throw new IllegalStateException("unknown kind " + m.kind());
      }
    }
    hits.sort(Comparator.comparingDouble(Hit::time));
    return List.copyOf(hits);
  }

  private boolean means(Hit h) {
    return h.lane() == lane && Math.abs(h.time() - time) < SAME_SECONDS;
  }
}
