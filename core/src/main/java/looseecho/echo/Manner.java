package looseecho.echo;

import java.util.Locale;
import java.util.Objects;
import looseecho.pulse.Meter;
import looseecho.reading.Limits;

/**
 * How a drum is struck.
 *
 * @param ornament what is put on the stroke
 * @param flamMs how long before it a flam's soft stroke comes
 * @param lengthTicks after which it is cut off, 960 to a quarter; 0 lets it ring
 * @param pitch semitones, with cents as a fraction, up or down
 * @param bend how it is pitched
 * @param reversed true to play it backwards, so that its end falls on its place
 * @param slice which piece of a recording that is cut up, from 1; 0 for a drum that is whole
 * @param toRoom share that is thrown into the room, 0..1
 * @param toDelay share that is thrown into the delay, 0..1
 */
public record Manner(
    Ornament ornament,
    double flamMs,
    int lengthTicks,
    double pitch,
    Bend bend,
    boolean reversed,
    int slice,
    double toRoom,
    double toDelay) {
  /** Common practice: a flam's two strokes lie 10 to 30 ms apart. */
  public static final double USUAL_FLAM_MS = 22;

  public static final double SHORTEST_FLAM_MS = 5;
  public static final double LONGEST_FLAM_MS = 40;

  public static final Manner PLAIN =
      new Manner(Ornament.NONE, USUAL_FLAM_MS, 0, 0, Bend.SPEED, false, 0, 0, 0);

  /** The three ways of pitching a sound, which sound different. */
  public enum Bend {
    /** Faster or slower, so that it gets shorter or longer. */
    SPEED("by speed"),
    /** As long as it is. */
    LENGTH_KEPT("length kept"),
    /** All its partials moved by as many hertz: bells and metal. */
    HERTZ("shifted in hertz");

    private final String words;

    Bend(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public Manner {
    Objects.requireNonNull(ornament, "ornament must not be null");
    Objects.requireNonNull(bend, "bend must not be null");
    Limits.within("flamMs", flamMs, SHORTEST_FLAM_MS, LONGEST_FLAM_MS);
    Limits.within("lengthTicks", lengthTicks, 0, Limits.STROKE_TICKS);
    Limits.within("slice", slice, 0, Limits.SLICES);
    Limits.within("toRoom", toRoom, 0, 1);
    Limits.within("toDelay", toDelay, 0, 1);
    Limits.within("pitch", pitch, -Limits.STROKE_SEMITONES, Limits.STROKE_SEMITONES);
  }

  /** What is special about it, to follow other words: ", flam of 22 ms, backwards"; or nothing. */
  public String words() {
    StringBuilder s = new StringBuilder();
    if (ornament == Ornament.FLAM) {
      s.append(", flam of ").append(Math.round(flamMs)).append(" ms");
    } else if (ornament != Ornament.NONE) {
      s.append(", ").append(ornament.words());
    }
    if (lengthTicks > 0) {
      s.append(String.format(Locale.ROOT, ", lasts %.1f steps", lengthTicks / (double) Meter.STEP));
    }
    if (pitch != 0) {
      s.append(", ").append(Words.semitones(Math.abs(pitch)));
      s.append(pitch > 0 ? " higher, " : " lower, ").append(bend.words());
    }
    s.append(toRoom > 0 ? ", thrown into the room" : "");
    s.append(toDelay > 0 ? ", thrown into the delay" : "");
    s.append(slice > 0 ? ", piece " + slice : "");
    return s.append(reversed ? ", backwards" : "").toString();
  }

  public Manner with(Ornament other) {
    return new Manner(other, flamMs, lengthTicks, pitch, bend, reversed, slice, toRoom, toDelay);
  }

  /** With another distance of the flam's strokes, kept within what is heard as one. */
  public Manner flam(double ms) {
    double inside = Math.max(SHORTEST_FLAM_MS, Math.min(LONGEST_FLAM_MS, ms));
    return new Manner(ornament, inside, lengthTicks, pitch, bend, reversed, slice, toRoom, toDelay);
  }

  /** Cut off after so many ticks; 0 or less lets it ring. */
  public Manner lasting(int ticks) {
    int length = Math.max(0, Math.min(Limits.STROKE_TICKS, ticks));
    return new Manner(ornament, flamMs, length, pitch, bend, reversed, slice, toRoom, toDelay);
  }

  /** Pitched by so many semitones, within two octaves. */
  public Manner pitched(double semitones, Bend how) {
    double most = Limits.STROKE_SEMITONES;
    double inside = Math.max(-most, Math.min(most, semitones));
    return new Manner(ornament, flamMs, lengthTicks, inside, how, reversed, slice, toRoom, toDelay);
  }

  public Manner turned(boolean backwards) {
    return new Manner(
        ornament, flamMs, lengthTicks, pitch, bend, backwards, slice, toRoom, toDelay);
  }

  /** With another piece of a recording that is cut up. */
  public Manner slice(int other) {
    return new Manner(ornament, flamMs, lengthTicks, pitch, bend, reversed, other, toRoom, toDelay);
  }

  /** Thrown into the room and the delay by shares, 0..1. */
  public Manner thrown(double room, double delay) {
    return new Manner(ornament, flamMs, lengthTicks, pitch, bend, reversed, slice, room, delay);
  }
}
