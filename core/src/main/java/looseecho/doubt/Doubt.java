package looseecho.doubt;

import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.notes.Line;

/**
 * Something worth checking.
 *
 * @param topic which step of the job it belongs to
 * @param words what it is and what could be done
 * @param spot where it is; empty where it is everywhere
 * @param weight 0..1: how much hangs on it
 * @param gap true for what nobody plays: not wrong, but missing
 */
public record Doubt(Topic topic, String words, Optional<Spot> spot, double weight, boolean gap) {
  /** Steps of the job. */
  public enum Topic {
    GROUND,
    HITS,
    NOTES,
    LAYERS,
    PALETTE
  }

  /**
   * A place in the track.
   *
   * @param time seconds
   * @param lane the drum, where it is one
   * @param line the line of notes, where it is one
   */
  public record Spot(double time, Optional<Lane> lane, Optional<Line> line) {
    public Spot(double time, Optional<Lane> lane) {
      this(time, lane, Optional.empty());
    }
  }

  static Doubt at(Topic topic, double time, double weight, String words) {
    return new Doubt(topic, words, Optional.of(new Spot(time, Optional.empty())), weight, false);
  }

  static Doubt everywhere(Topic topic, double weight, String words) {
    return new Doubt(topic, words, Optional.empty(), weight, false);
  }
}
