package looseecho.exchange;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import looseecho.echo.Manner;
import looseecho.reading.Limits;

/**
 * How a drum is struck, as a text event beside its note: MIDI's drum channel has one pitch for all
 * drums and no way to say "backwards", so what a note can't hold is written in words.
 */
final class MidiManner {
  private static final Pattern PITCH = Pattern.compile("pitch ([+-]?[0-9.]{1,8}) ([a-z ]{1,20})");
  private static final Pattern PIECE = Pattern.compile("piece ([0-9]{1,4})");
  private static final String BACKWARDS = "backwards";

  private MidiManner() {}

  /** The words; empty for a stroke that a note alone can hold. */
  static String write(Manner m) {
    StringBuilder s = new StringBuilder();
    if (m.pitch() != 0) {
      s.append(String.format(Locale.ROOT, "pitch %+.2f %s; ", m.pitch(), m.bend().words()));
    }
    s.append(m.reversed() ? BACKWARDS + "; " : "");
    s.append(m.slice() > 0 ? "piece " + m.slice() + "; " : "");
    return s.toString().strip();
  }

  /** What the words say; anything else is passed over. */
  static Manner read(String words) {
    Manner m = Manner.PLAIN;
    for (String one : words.split(";", -1)) {
      String s = one.strip();
      Matcher pitch = PITCH.matcher(s);
      Matcher piece = PIECE.matcher(s);
      if (pitch.matches()) {
        m = pitched(m, pitch.group(1), pitch.group(2));
      } else if (piece.matches()) {
        m = m.slice(Math.min(Limits.SLICES, Integer.parseInt(piece.group(1))));
      } else if (s.equals(BACKWARDS)) {
        m = m.turned(true);
      }
    }
    return m;
  }

  private static Manner pitched(Manner m, String number, String how) {
    for (Manner.Bend bend : Manner.Bend.values()) {
      if (bend.words().equals(how)) {
        try {
          return m.pitched(Double.parseDouble(number), bend);
        } catch (NumberFormatException e) {
          return m; // words of another's
        }
      }
    }
    return m;
  }
}
