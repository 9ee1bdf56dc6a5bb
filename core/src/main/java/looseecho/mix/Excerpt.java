package looseecho.mix;

import looseecho.audio.Audio;

/**
 * A stretch of a sound that may be laid over an older rendering of it.
 *
 * @param at sample of the whole at which it begins
 * @param fade samples in which it comes and goes
 */
public record Excerpt(Audio audio, int at, int fade) {
  /** How much of the excerpt is heard at a sample of the whole, 0..1. */
  public double share(int sample) {
    int inside = Math.min(sample - at + 1, at + audio.length() - sample);
    return Math.max(0, Math.min(1, (double) inside / fade));
  }

  /** Its own sample there; only where it has a share. */
  public float sample(int sample, int channel) {
    return channel == 0 ? audio.left(sample - at) : audio.right(sample - at);
  }
}
