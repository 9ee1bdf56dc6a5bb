package looseecho.synth;

import looseecho.reading.Limits;

/**
 * How a recording is played.
 *
 * @param root MIDI number of the pitch that it has, with cents as a fraction; notes move it from
 *     there
 * @param gated true to end it with its note; else it sounds to its end
 * @param looped true to go on with its second half for as long as the note is held
 * @param stereo true to keep both its sides
 */
public record Playing(double root, boolean gated, boolean looped, boolean stereo) {
  public static final Playing USUAL = new Playing(60, true, false, true);

  /** As older versions played it: both sides as one. */
  public static final Playing MIXED_DOWN = new Playing(60, true, false, false);

  public Playing {
    Limits.within("root", root, 0, 127);
  }

  public Playing root(double pitch) {
    return new Playing(Math.max(0, Math.min(127, pitch)), gated, looped, stereo);
  }

  public Playing gated(boolean value) {
    return new Playing(root, value, looped, stereo);
  }

  public Playing looped(boolean value) {
    return new Playing(root, gated, value, stereo);
  }
}
