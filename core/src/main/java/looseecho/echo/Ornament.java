package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import looseecho.pulse.Meter;

/** What is put on a stroke: a flam before it, or a roll instead of it. */
public enum Ornament {
  NONE("plain"),
  FLAM("flam"),
  ROLL("roll in 32nds"),
  TRIPLET("roll in triplets"),
  CRESCENDO("rising roll");

  private static final double FLAM_LOUDNESS = 0.55;

  private final String words;

  Ornament(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** The next one, round and round. */
  public Ornament next() {
    return values()[(ordinal() + 1) % values().length];
  }

  /** What sounds: ticks and milliseconds after the stroke's own place, and loudness. */
  public record Blow(double ticks, double ms, double loudness) {}

  /**
   * All that sounds; loudness 0..1 of the stroke's own.
   *
   * @param flamMs how long before it a flam's soft blow comes
   */
  public List<Blow> blows(double flamMs) {
    List<Blow> out = new ArrayList<>();
    switch (this) {
      case FLAM -> {
        out.add(new Blow(0, -flamMs, FLAM_LOUDNESS));
        out.add(new Blow(0, 0, 1));
      }
      case ROLL -> {
        out.add(new Blow(0, 0, 1));
        out.add(new Blow(Meter.STEP / 2.0, 0, 0.75));
      }
      case TRIPLET -> {
        for (int k = 0; k < 3; k++) {
          out.add(new Blow(k * Meter.STEP / 3.0, 0, k == 0 ? 1 : 0.7));
        }
      }
      case CRESCENDO -> {
        for (int k = 0; k < 4; k++) {
          out.add(new Blow(k * Meter.STEP / 2.0, 0, 0.4 + 0.2 * k));
        }
      }
      default -> out.add(new Blow(0, 0, 1));
    }
    return out;
  }
}
