package looseecho.echo;

import java.util.ArrayList;
import java.util.List;

/** What is put on a hit: a flam before it, or a roll instead of it. */
public enum Ornament {
  NONE("plain"),
  FLAM("flam"),
  ROLL("roll in 32nds"),
  TRIPLET("roll in triplets"),
  CRESCENDO("rising roll");

  private static final double FLAM_MS = 22; // common practice: 10 to 30 ms before the hit
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

  /** A stroke of an ornament: steps and milliseconds after the hit's own place, and loudness. */
  public record Stroke(double steps, double ms, double loudness) {}

  /** The strokes that sound; loudness 0..1 of the hit's own. */
  public List<Stroke> strokes() {
    List<Stroke> out = new ArrayList<>();
    switch (this) {
      case FLAM -> {
        out.add(new Stroke(0, -FLAM_MS, FLAM_LOUDNESS));
        out.add(new Stroke(0, 0, 1));
      }
      case ROLL -> {
        out.add(new Stroke(0, 0, 1));
        out.add(new Stroke(0.5, 0, 0.75));
      }
      case TRIPLET -> {
        for (int k = 0; k < 3; k++) {
          out.add(new Stroke(k / 3.0, 0, k == 0 ? 1 : 0.7));
        }
      }
      case CRESCENDO -> {
        for (int k = 0; k < 4; k++) {
          out.add(new Stroke(k / 2.0, 0, 0.4 + 0.2 * k));
        }
      }
      default -> out.add(new Stroke(0, 0, 1));
    }
    return out;
  }
}
