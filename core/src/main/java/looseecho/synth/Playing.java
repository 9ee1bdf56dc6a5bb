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
 * @param lowest MIDI number of the lowest note that it plays
 * @param highest of the highest one; notes outside are left to other layers
 */
public record Playing(
    double root, boolean gated, boolean looped, boolean stereo, int lowest, int highest) {
  private static final int TOP = 127;
  public static final Playing USUAL = new Playing(60, true, false, true, 0, TOP);

  /** As older versions played it: both sides as one. */
  public static final Playing MIXED_DOWN = new Playing(60, true, false, false, 0, TOP);

  public Playing {
    highest = highest == 0 ? TOP : highest; // as older projects have it
    Limits.within("root", root, 0, TOP);
    Limits.within("lowest", lowest, 0, TOP);
    Limits.within("highest", highest, 0, TOP);
  }

  public Playing root(double pitch) {
    return new Playing(Math.max(0, Math.min(TOP, pitch)), gated, looped, stereo, lowest, highest);
  }

  public Playing gated(boolean value) {
    return new Playing(root, value, looped, stereo, lowest, highest);
  }

  public Playing looped(boolean value) {
    return new Playing(root, gated, value, stereo, lowest, highest);
  }

  /** The same for notes between two only. */
  public Playing between(int low, int high) {
    return new Playing(root, gated, looped, stereo, low, Math.max(1, high));
  }

  /** True for a note that it plays. */
  public boolean plays(double pitch) {
    return pitch >= lowest - 0.5 && pitch <= highest + 0.5;
  }
}
