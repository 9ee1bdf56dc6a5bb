package looseecho.layers;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;
import looseecho.separate.Stem;

/**
 * One layer of a reference.
 *
 * @param name such as "closed hat left"
 * @param family kick, snare, clap, hats, toms, cymbals, percussion, bass, chords, riff or noise
 * @param active when it sounds, in order; gaps shorter than a bar are none
 * @param levelDb loudness while it sounds against that of the mix, both as BS.1770-4 gates them
 * @param lowHz lower edge of its band, at -10 dB of its third octaves
 * @param highHz upper edge of its band
 * @param image where it stands
 * @param job what it is likely there for
 * @param moves what moves while it plays
 * @param duck what pushes it down; empty for nothing, or where it can't be told
 * @param repeats that follow its notes in time; empty for none heard
 * @param room behind it; empty for none heard
 */
public record HeardLayer(
    String name,
    String family,
    List<Span> active,
    double levelDb,
    double lowHz,
    double highHz,
    Image image,
    String job,
    List<Move> moves,
    Optional<Duck> duck,
    Optional<Repeats> repeats,
    Optional<Room> room) {
  /**
   * Something that moves in a straight line.
   *
   * @param what one of those below
   * @param from hertz of an edge, decibels against the louder end, or a share of the sides
   * @param to where it ends
   * @param start seconds
   * @param end seconds
   */
  public record Move(String what, double from, double to, double start, double end) {
    public static final String LOW_PASS = "low-pass";
    public static final String HIGH_PASS = "high-pass";
    public static final String LEVEL = "level";
    public static final String WIDTH = "width";

    /** As it is said in the studio. */
    public String words() {
      return switch (what) {
        case LOW_PASS, HIGH_PASS ->
            String.format(Locale.ROOT, "%s from %.0f to %.0f Hz", capital(), from, to);
        case LEVEL -> String.format(Locale.ROOT, "Level from %.0f to %.0f dB", from, to);
        default ->
            String.format(
                Locale.ROOT,
                "Width from %.0f to %.0f %%",
                100 * Math.min(1, 2 * from),
                100 * Math.min(1, 2 * to));
      };
    }

    private String capital() {
      return Character.toUpperCase(what.charAt(0)) + what.substring(1);
    }
  }

  /**
   * How a layer is pushed down.
   *
   * @param by kick, snare or bar
   * @param depthDb how far
   * @param recoveryMs until 90 % of the way back, in decibels
   */
  public record Duck(String by, double depthDb, double recoveryMs) {
    public static final String BAR = "bar";

    /** As it is said in the studio. */
    public String words() {
      String how = by.equals(BAR) ? "Swells over each bar:" : "Ducked by the " + by + ":";
      return String.format(Locale.ROOT, "%s %.1f dB, back in %.0f ms", how, depthDb, recoveryMs);
    }
  }

  /**
   * Repeats in time.
   *
   * @param note value, such as dotted eighth
   * @param ms the same in milliseconds
   * @param firstDb the first one against its note
   * @param feedback amplitude of a repeat against the one before
   * @param pingPong true when they change sides
   */
  public record Repeats(String note, double ms, double firstDb, double feedback, boolean pingPong) {
    /** As it is said in the studio. */
    public String words() {
      String sides = pingPong ? ", from side to side" : "";
      return String.format(
          Locale.ROOT, "Repeats on the %s, the first %.0f dB softer%s", note, -firstDb, sides);
    }
  }

  /**
   * A room that answers.
   *
   * @param seconds in which it falls by 60 dB
   * @param share of the layer's energy that comes out of it, 0..1
   */
  public record Room(double seconds, double share) {
    /**
     * As it is said in the studio.
     *
     * @param beat seconds of one
     */
    public String words(double beat) {
      double beats = Math.max(0.5, Math.round(2 * seconds / beat) / 2.0);
      String length = beats == 1 ? "a beat" : beats == 0.5 ? "half a beat" : halves(beats);
      return String.format(
          Locale.ROOT, "Room of %s (%.1f s), %.0f %% of the sound", length, seconds, 100 * share);
    }

    private static String halves(double beats) {
      String half = beats == Math.floor(beats) ? "" : "½";
      return (int) beats + half + " beats";
    }
  }

  /** A stretch of seconds. */
  public record Span(double start, double end) {
    /**
     * Runs of steps in which something is so.
     *
     * @param count of steps
     * @param fewest steps of a run that counts
     * @param time seconds of a step's beginning
     */
    static List<Span> runs(int count, IntPredicate on, int fewest, IntToDoubleFunction time) {
      List<Span> out = new ArrayList<>();
      for (int k = 0; k < count; k++) {
        int from = k;
        while (k < count && on.test(k)) {
          k++;
        }
        if (k > from && k - from >= fewest) {
          out.add(new Span(time.applyAsDouble(from), time.applyAsDouble(k)));
        }
      }
      return out;
    }

    /** True when a time lies inside. */
    boolean has(double time) {
      return time >= start && time < end;
    }
  }

  /**
   * Where a layer stands.
   *
   * @param pan (R - L) / (R + L) of its energies, -1 left .. 1 right
   * @param width side / (middle + side) of its energies; a point at one side has 0.5
   * @param low the same below 120 Hz
   * @param mid the same from 120 Hz to 2 kHz
   * @param high the same above 2 kHz
   */
  public record Image(double pan, double width, double low, double mid, double high) {}

  public HeardLayer {
    active = List.copyOf(active);
    moves = List.copyOf(moves);
  }

  HeardLayer withName(String other) {
    return new HeardLayer(
        other, family, active, levelDb, lowHz, highHz, image, job, moves, duck, repeats, room);
  }

  HeardLayer withFamily(String other) {
    return new HeardLayer(
        name, other, active, levelDb, lowHz, highHz, image, job, moves, duck, repeats, room);
  }

  HeardLayer withJob(String other) {
    return new HeardLayer(
        name, family, active, levelDb, lowHz, highHz, image, other, moves, duck, repeats, room);
  }

  HeardLayer withActive(List<Span> other) {
    return new HeardLayer(
        name, family, other, levelDb, lowHz, highHz, image, job, moves, duck, repeats, room);
  }

  HeardLayer withRoom(Optional<Room> other) {
    return new HeardLayer(
        name, family, active, levelDb, lowHz, highHz, image, job, moves, duck, repeats, other);
  }

  /** Seconds in which it sounds. */
  public double seconds() {
    return active.stream().mapToDouble(s -> s.end() - s.start()).sum();
  }

  /** True when it sounds at a time. */
  public boolean sounds(double time) {
    return active.stream().anyMatch(s -> s.has(time));
  }

  /** True for noise that stands still under the rest. */
  public boolean isNoiseBed() {
    return family.equals("noise") && job.equals("bed");
  }

  /** The group of the separator that it lies in. */
  public Stem stem() {
    return switch (family) {
      case "kick" -> Stem.KICK;
      case "snare", "clap" -> Stem.SNARE;
      case "hats", "cymbals" -> Stem.HATS;
      case "bass" -> Stem.BASS;
      case "chords" -> Stem.CHORDS;
      case "riff" -> Stem.RIFF;
      case "voice" -> Stem.VOICE;
      case "noise" -> Stem.NOISE;
      default -> Stem.TOMS;
    };
  }
}
