package looseecho.notes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import looseecho.activity.LineActivity;
import looseecho.activity.Register;
import looseecho.dsp.Parabola;
import looseecho.pulse.Pulse;

/**
 * Picks the notes of a line from its network's curves: one note at a time.
 *
 * <p>A local maximum of "begins" over time and pitch is a note; of several within 40 ms the surest
 * wins. A note lasts until the next one, or until its pitch sounds no more. Note creation after
 * Bittner and others 2022, held to a single voice; a loser an octave away is remembered as a
 * doubling. With the pulse known, a faint beginning counts where the bars around have one on the
 * same place, and a solitary one must be clearer.
 */
public final class LineFinder {
  private static final int TOGETHER = 2; // frames within which only one note begins
  private static final int HOLD = 3; // frames that may be silent within a note
  private static final int LOUD = 110;
  private static final double OCTAVE = 0.35; // activity of a beginning that doubles another

  /**
   * Thresholds, 0..1.
   *
   * @param begins activity that makes a note where nothing is known of the bars around
   * @param solitary activity that makes one where they have none
   * @param expected activity that suffices where all of them have one
   * @param sounds activity that keeps it
   * @param minSeconds shorter notes are left out
   */
  public record Settings(
      double begins, double solitary, double expected, double sounds, double minSeconds) {
    /** For a bass, chosen on held-out songs (docs/accuracy.md). */
    public static final Settings BASS = new Settings(0.45, 0.75, 0.1, 0.35, 0.04);

    /** For a riff, which repeats less strictly: the bars around are not asked. */
    public static final Settings RIFF = new Settings(0.35, 0.35, 0.35, 0.35, 0.04);
  }

  private static final int BARS = 4; // looked at to each side
  private static final int NEAR = 2; // frames off the place that still count

  private final Settings settings;

  public LineFinder(Settings settings) {
    this.settings = settings;
  }

  private record Start(int frame, int pitch, double time, double height, boolean doubled) {}

  /** The line in order of time. */
  public List<Note> find(LineActivity a, Optional<Pulse> pulse) {
    List<Start> starts = starts(a, pulse);
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
              : Register.FRAMES.seconds(end);
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

  private List<Start> starts(LineActivity a, Optional<Pulse> pulse) {
    List<Start> all = new ArrayList<>();
    float[] strongest = strongest(a);
    for (int n = 1; n < a.frames() - 1; n++) {
      double needed =
          strongest[n] < settings.expected() ? 1 : threshold(strongest, n, pulse.orElse(null));
      for (int p = a.lowest(); p < a.end(); p++) {
        float v = a.begins(n, p);
        if (v >= needed && v >= a.begins(n - 1, p) && v > a.begins(n + 1, p)) {
          double at = n + Parabola.offset(a.begins(n - 1, p), v, a.begins(n + 1, p));
          all.add(new Start(n, p, Register.FRAMES.seconds(Math.max(0, at)), v, octave(a, n, p)));
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

  /** Surest beginning of every frame at any pitch. */
  private static float[] strongest(LineActivity a) {
    float[] out = new float[a.frames()];
    for (int n = 0; n < out.length; n++) {
      for (int p = a.lowest(); p < a.end(); p++) {
        out[n] = Math.max(out[n], a.begins(n, p));
      }
    }
    return out;
  }

  /** What a beginning needs here, by what the bars around have on the same place. */
  private double threshold(float[] strongest, int frame, Pulse pulse) {
    if (pulse == null) {
      return settings.begins();
    }
    double beat = pulse.beatsAt(Register.FRAMES.seconds(frame));
    double sum = 0;
    int count = 0;
    for (int k = -BARS; k <= BARS; k++) {
      double there = beat + (double) k * pulse.beatsPerBar();
      if (k == 0 || there < 0 || there > pulse.beats().size() - 1) {
        continue;
      }
      int at = Register.FRAMES.nearest(pulse.timeAt(there));
      float most = 0;
      for (int n = Math.max(0, at - NEAR); n <= Math.min(strongest.length - 1, at + NEAR); n++) {
        most = Math.max(most, strongest[n]);
      }
      sum += most;
      count++;
    }
    return count == 0
        ? settings.begins()
        : settings.solitary() + (settings.expected() - settings.solitary()) * sum / count;
  }

  /** True when the same note an octave away begins too, less surely. */
  private boolean octave(LineActivity a, int frame, int pitch) {
    for (int p : new int[] {pitch - 12, pitch + 12}) {
      for (int n = frame - 1; n <= frame + 1 && p >= a.lowest() && p < a.end(); n++) {
        if (a.begins(n, p) >= OCTAVE) {
          return true;
        }
      }
    }
    return false;
  }
}
