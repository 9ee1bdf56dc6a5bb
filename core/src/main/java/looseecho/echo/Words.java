package looseecho.echo;

import java.util.Locale;
import looseecho.pulse.Meter;

/** How a musician says numbers. */
public final class Words {
  private static final double ON_GRID_MS = 0.5;

  private Words() {}

  /** "on the grid", "12 ms late", "8 ms early". */
  public static String offset(double ms) {
    if (Math.abs(ms) < ON_GRID_MS) {
      return "on the grid";
    }
    return String.format(Locale.ROOT, "%.0f ms %s", Math.abs(ms), ms > 0 ? "late" : "early");
  }

  /** "12 ms late, 10 % of a step". */
  public static String offset(double ms, double stepMs) {
    String words = offset(ms);
    return Math.abs(ms) < ON_GRID_MS
        ? words
        : words + ", " + Math.round(100 * Math.abs(ms) / stepMs) + " % of a step";
  }

  /** Where in a bar something lies, from its tick there: "step 5", "step 7½", "step 3⅓". */
  public static String step(int inBar) {
    int rest = inBar % Meter.STEP;
    String part =
        switch (rest * 12 / Meter.STEP) {
          case 0 -> "";
          case 3 -> "¼";
          case 4 -> "⅓";
          case 6 -> "½";
          case 8 -> "⅔";
          case 9 -> "¾";
          default -> String.format(Locale.ROOT, ".%02d", 100 * rest / Meter.STEP);
        };
    return "step " + (inBar / Meter.STEP + 1) + part;
  }

  /** "2 bars", "1.5 bars", "1 bar". */
  public static String bars(double bars) {
    String number =
        Math.abs(bars - Math.rint(bars)) < 0.01
            ? String.valueOf(Math.round(bars))
            : String.format(Locale.ROOT, "%.2f", bars).replaceAll("0$", "");
    return number + (number.equals("1") ? " bar" : " bars");
  }

  /** "each", "every second", "every 5th". */
  public static String nth(int n) {
    return switch (n) {
      case 1 -> "each";
      case 2 -> "every second";
      case 3 -> "every third";
      case 4 -> "every fourth";
      default -> "every " + n + "th";
    };
  }

  /** "1 semitone", "2 semitones", "0.25 semitones". */
  public static String semitones(double n) {
    String number =
        n == Math.rint(n)
            ? String.valueOf(Math.round(n))
            : String.format(Locale.ROOT, "%.2f", n).replaceAll("0$", "");
    return number + (n == 1 ? " semitone" : " semitones");
  }

  /** A number as short as it can be read: "0.25", "900". */
  public static String number(double value) {
    String digits =
        Math.abs(value) >= 100
            ? String.format(Locale.ROOT, "%.0f", value)
            : String.format(Locale.ROOT, "%.2f", value);
    return digits.contains(".") ? digits.replaceFirst("\\.?0+$", "") : digits;
  }

  /** "124 BPM", "123.97 BPM". */
  public static String bpm(double bpm) {
    boolean whole = Math.abs(bpm - Math.rint(bpm)) < 0.005;
    return (whole ? String.valueOf(Math.round(bpm)) : String.format(Locale.ROOT, "%.2f", bpm))
        + " BPM";
  }
}
