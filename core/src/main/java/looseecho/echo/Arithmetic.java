package looseecho.echo;

import java.util.ArrayList;
import java.util.List;

/**
 * The arithmetic of the trade.
 *
 * <p>Sources: tempo arithmetic (a beat lasts 60 000 ms / tempo); equal temperament with A4 = 440 Hz
 * (ISO 16): f = 440 * 2^((n - 69) / 12).
 */
public final class Arithmetic {
  private Arithmetic() {}

  /** A note value at a tempo. */
  public record Value(String name, double beats, double ms, double hertz) {
    /** The name where there is little room: "dotted 16th". */
    public String brief() {
      return name.replace("sixteenth", "16th").replace("eighth", "8th").replace("quarter", "4th");
    }
  }

  /** Straight, dotted and triplet note values from the whole bar's half to the 32nd. */
  public static List<Value> noteValues(double bpm) {
    String[] names = {"half", "quarter", "eighth", "sixteenth", "32nd"};
    List<Value> out = new ArrayList<>();
    for (int k = 0; k < names.length; k++) {
      double beats = 2 / Math.pow(2, k);
      out.add(value(names[k], beats, bpm));
      out.add(value("dotted " + names[k], beats * 1.5, bpm));
      out.add(value(names[k] + " triplet", beats * 2 / 3, bpm));
    }
    return out;
  }

  private static Value value(String name, double beats, double bpm) {
    double ms = 60000 / bpm * beats;
    return new Value(name, beats, ms, 1000 / ms);
  }

  /** Frequency of a pitch. */
  public static double hertz(double midi) {
    return 440 * Math.pow(2, (midi - 69) / 12);
  }

  /** Hertz to shift from one pitch to another. */
  public static double shift(double from, double to) {
    return hertz(to) - hertz(from);
  }

  /** Ratio of an interval in semitones. */
  public static double ratio(double semitones) {
    return Math.pow(2, semitones / 12);
  }

  /** Semitones of a ratio. */
  public static double semitones(double ratio) {
    return 12 * Math.log(ratio) / Math.log(2);
  }

  /** The note value nearest to a time, such as a compressor's recovery. */
  public static Value nearest(double ms, double bpm) {
    Value best = null;
    for (Value v : noteValues(bpm)) {
      best =
          best == null || Math.abs(Math.log(v.ms() / ms)) < Math.abs(Math.log(best.ms() / ms))
              ? v
              : best;
    }
    return best;
  }
}
