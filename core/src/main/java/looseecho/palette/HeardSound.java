package looseecho.palette;

import java.util.List;
import java.util.Optional;
import looseecho.echo.Part;
import looseecho.layers.HeardLayer;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sound;

/**
 * A sound of the reference, averaged over its cleanest strokes or notes.
 *
 * @param part whose sound it is
 * @param name of the part
 * @param pitches MIDI numbers that sound in it, of a line's notes; none of a drum
 * @param sound the cleanest stroke or note, parted from what else plays, mono at 44.1 kHz from its
 *     attack on
 * @param picture the median of its cleanest
 * @param strokes how many were taken
 * @param quality 0 hidden under others .. 1 heard alone
 * @param room that it stands in; empty for none heard
 */
public record HeardSound(
    Part part,
    String name,
    List<Integer> pitches,
    float[] sound,
    Picture picture,
    int strokes,
    double quality,
    Optional<HeardLayer.Room> room) {
  /** Sampling rate of its sound. */
  public static final int RATE = Picture.RATE;

  public HeardSound {
    pitches = List.copyOf(pitches);
  }

  /** What it is like; a note's pitch is the one that was heard in the song. */
  public Descriptors like() {
    Descriptors found = new DescriptorFinder().of(sound, sound);
    if (pitches.isEmpty()) {
      return found;
    }
    return found.pitched(pitches.size() == 1 ? 440 * Math.pow(2, (pitches.get(0) - 69) / 12.0) : 0);
  }

  /** What the echo plays for it: a stroke, or the same note or chord as long. */
  public float[] inEcho(EchoRenderer renderer, Sound echo) {
    return renderer.struck(part, echo, pitches, (double) sound.length / RATE);
  }

  HeardSound in(Optional<HeardLayer.Room> other) {
    return new HeardSound(part, name, pitches, sound, picture, strokes, quality, other);
  }

  /** Mean difference over time and frequency from another sound, in decibels. */
  public double apart(float[] other) {
    return apart(cutOut(), other);
  }

  /** The same for one who compares often and keeps the picture. */
  static double apart(Picture own, float[] other) {
    return PictureDistance.between(own, Picture.of(other, Picture.attack(other))).distance();
  }

  /** Of the sound as it was cut out. */
  Picture cutOut() {
    return Picture.of(sound, Picture.attack(sound));
  }

  /** The kind of one-shot that it is. */
  public SoundClass what() {
    return SoundClass.of(part);
  }
}
