package looseecho.palette;

import looseecho.echo.DrumPart;

/**
 * A sound of the reference, averaged over its cleanest strokes.
 *
 * @param part whose sound it is
 * @param name of the part
 * @param sound the cleanest stroke, parted from what else plays, mono at 44.1 kHz from its attack
 *     on
 * @param picture the median of its cleanest strokes
 * @param strokes how many were taken
 * @param quality 0 hidden under others .. 1 heard alone
 */
public record HeardSound(
    DrumPart part, String name, float[] sound, Picture picture, int strokes, double quality) {
  /** Sampling rate of its sound. */
  public static final int RATE = Picture.RATE;
}
