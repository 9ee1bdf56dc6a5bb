package looseecho.mix;

import looseecho.audio.Audio;
import looseecho.dsp.Loudness;

/** Gains that bring heard and echo to one loudness, by ITU-R BS.1770. */
public final class LoudnessMatch {
  private static final double TARGET_LUFS = -16;
  private static final double MAX_GAIN_DB = 20;

  private LoudnessMatch() {}

  /** Linear gain to the common loudness; 1 for silence. */
  public static double gain(Audio audio) {
    var loudness = new Loudness().integrated(audio);
    if (loudness.isEmpty()) {
      return 1;
    }
    double db = Math.min(MAX_GAIN_DB, TARGET_LUFS - loudness.getAsDouble());
    return Math.pow(10, db / 20);
  }
}
