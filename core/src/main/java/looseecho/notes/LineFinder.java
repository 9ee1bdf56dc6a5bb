package looseecho.notes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import looseecho.activity.LineActivity;
import looseecho.activity.Register;
import looseecho.dsp.Parabola;

/**
 * Picks the notes of a line from its network's curves: one note at a time.
 *
 * <p>A local maximum of "begins" over time and pitch is a note; of several within 40 ms the surest
 * wins. A note lasts until the next one, or until its pitch sounds no more. Note creation after
 * Bittner and others 2022, held to a single voice; a loser an octave away is remembered as a
 * doubling.
 */
public final class LineFinder {
  private static final int TOGETHER = 2; // frames within which only one note begins
  private static final int HOLD = 3; // frames that may be silent within a note
  private static final int LOUD = 110;

  /**
   * Thresholds, 0..1.
   *
   * @param begins activity that makes a note
   * @param sounds activity that keeps it
   * @param minSeconds shorter notes are left out
   */
  public record Settings(double begins, double sounds, double minSeconds) {
    public static final Settings DEFAULTS = new Settings(0.35, 0.35, 0.04);
  }

  private final Settings settings;

  public LineFinder(Settings settings) {
    this.settings = settings;
  }

  private record Start(int frame, int pitch, double time, double height, boolean doubled) {}

  /** The line in order of time. */
  public List<Note> find(LineActivity a) {
    List<Start> starts = starts(a);
    List<Note> out = new ArrayList<>();
    for (int i = 0; i < starts.size(); i++) {
      Start s = starts.get(i);
      int limit = i + 1 < starts.size() ? starts.get(i + 1).frame() : a.frames();
      int end = s.frame() + 1;
      double strength = a.sounds(s.frame(), s.pitch());
      for (int n = s.frame() + 1; n < limit && n - end < HOLD; n++) {
        double sounding = a.sounds(n, s.pitch());
        strength = Math.max(strength, sounding);
        end = sounding >= settings.sounds() ? n + 1 : end;
      }
      double until =
          end >= limit && i + 1 < starts.size()
              ? starts.get(i + 1).time()
              : (double) end / Register.FPS;
      if (until - s.time() >= settings.minSeconds()) {
        int velocity = (int) Math.max(1, Math.round(LOUD * strength));
        double sure = Math.min(1, s.height());
        out.add(
            new Note(
                s.time(), until, s.pitch(), velocity, sure, Optional.empty(), false, s.doubled()));
      }
    }
    return out;
  }

  private List<Start> starts(LineActivity a) {
    List<Start> all = new ArrayList<>();
    for (int n = 1; n < a.frames() - 1; n++) {
      for (int p = a.lowest(); p < a.end(); p++) {
        float v = a.begins(n, p);
        if (v >= settings.begins() && v >= a.begins(n - 1, p) && v > a.begins(n + 1, p)) {
          double at = n + Parabola.offset(a.begins(n - 1, p), v, a.begins(n + 1, p));
          all.add(new Start(n, p, Math.max(0, at) / Register.FPS, v, octave(a, n, p)));
        }
      }
    }
    all.sort(Comparator.comparingDouble(s -> -s.height()));
    List<Start> kept = new ArrayList<>();
    for (Start s : all) {
      if (kept.stream().noneMatch(k -> Math.abs(k.frame() - s.frame()) <= TOGETHER)) {
        kept.add(s);
      }
    }
    kept.sort(Comparator.comparingInt(Start::frame));
    return kept;
  }

  /** True when the same note an octave away begins too, less surely. */
  private boolean octave(LineActivity a, int frame, int pitch) {
    for (int p : new int[] {pitch - 12, pitch + 12}) {
      for (int n = frame - 1; n <= frame + 1 && p >= a.lowest() && p < a.end(); n++) {
        if (a.begins(n, p) >= settings.begins()) {
          return true;
        }
      }
    }
    return false;
  }
}
