package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.notes.Scale;

/**
 * Cleans a line that was turned into notes: each step has its own strength, and all at their
 * weakest change nothing. The steps run in the order of the settings.
 */
public final class CleanUp {
  /**
   * How strongly each step works.
   *
   * @param joinMs gaps between two notes of one pitch up to this long are closed; 0 for none
   * @param shortMs notes shorter than this are dropped
   * @param softVelocity notes softer than this are dropped
   * @param scale the scale that pitches are moved to, null to leave them
   * @param even how far loudness is evened out, 0..1
   * @param pull how far notes are pulled to their steps, 0..1
   */
  public record Settings(
      double joinMs, double shortMs, int softVelocity, Scale scale, double even, double pull) {
    public static final Settings NOTHING = new Settings(0, 0, 0, null, 0, 0);
  }

  /** The notes left, and how many each step touched. */
  public record Result(List<Tone> notes, int joined, int tooShort, int tooSoft, int offScale) {
    public Result {
      notes = List.copyOf(notes);
    }
  }

  private final Settings settings;
  private final int tonic;
  private final double tickMs;

  /**
   * A clean-up.
   *
   * @param tonic home note of the scale, 0 = C
   * @param tickMs length of a tick
   */
  public CleanUp(Settings settings, int tonic, double tickMs) {
    this.settings = settings;
    this.tonic = tonic;
    this.tickMs = tickMs;
  }

  /** Cleans the notes of a line of a section. */
  public Result clean(List<Tone> notes) {
    List<Tone> joined = join(notes);
    List<Tone> kept = new ArrayList<>();
    int tooShort = 0;
    int tooSoft = 0;
    for (Tone n : joined) {
      if (n.lengthTicks() * tickMs < settings.shortMs()) {
        tooShort++;
      } else if (n.velocity() < settings.softVelocity()) {
        tooSoft++;
      } else {
        kept.add(n);
      }
    }
    double mean = kept.stream().mapToInt(Tone::velocity).average().orElse(0);
    int offScale = 0;
    List<Tone> out = new ArrayList<>();
    for (Tone n : kept) {
      int pitch = held(n.pitch());
      offScale += pitch != n.pitch() ? 1 : 0;
      int velocity = (int) Math.round(n.velocity() + settings.even() * (mean - n.velocity()));
      out.add(n.pitched(pitch).loud(velocity).at(n.tick(), n.offsetMs() * (1 - settings.pull())));
    }
    return new Result(out, notes.size() - joined.size(), tooShort, tooSoft, offScale);
  }

  private int held(int pitch) {
    Scale scale = settings.scale();
    return scale == null || scale.has(pitch - tonic)
        ? pitch
        : tonic + scale.semitones(scale.nearest(pitch - tonic));
  }

  private double start(Tone n) {
    return n.tick() * tickMs + n.offsetMs();
  }

  private List<Tone> join(List<Tone> notes) {
    if (settings.joinMs() <= 0) {
      return notes;
    }
    List<Tone> sorted = new ArrayList<>(notes);
    sorted.sort(Comparator.comparingDouble(this::start));
    List<Tone> out = new ArrayList<>();
    for (Tone n : sorted) {
      int before = -1;
      for (int i = out.size() - 1; i >= 0 && before < 0; i--) {
        before = out.get(i).pitch() == n.pitch() ? i : -1;
      }
      Tone last = before < 0 ? null : out.get(before);
      if (last != null
          && start(n) - start(last) - last.lengthTicks() * tickMs <= settings.joinMs()) {
        int length = (int) Math.round((start(n) - start(last)) / tickMs) + n.lengthTicks();
        out.set(before, last.lasting(Math.max(length, last.lengthTicks())));
      } else {
        out.add(n);
      }
    }
    return out;
  }
}
