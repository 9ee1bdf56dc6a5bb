package looseecho.drawer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A sample of the drawer for a heard sound.
 *
 * @param entry the sample
 * @param distance mean difference in decibels over time and frequency
 * @param semitones by which it has to be tuned
 * @param gainDb by which it has to be lifted
 * @param shorter true when it has to be cut shorter
 */
public record Match(Entry entry, double distance, int semitones, double gainDb, boolean shorter) {
  /** What has to be done to it: "up 2 semitones, shorter". */
  public String remedy() {
    List<String> out = new ArrayList<>();
    if (semitones != 0) {
      out.add(
          (semitones > 0 ? "up " : "down ")
              + Math.abs(semitones)
              + (Math.abs(semitones) == 1 ? " semitone" : " semitones"));
    }
    if (shorter) {
      out.add("shorter");
    }
    if (Math.abs(gainDb) >= 1) {
      out.add(String.format(Locale.ROOT, "%+.0f dB", gainDb));
    }
    return out.isEmpty() ? "as it is" : String.join(", ", out);
  }
}
