package looseecho.synth;

import java.io.IOException;
import java.nio.file.Path;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.reading.Limits;
import looseecho.reading.Progress;

/**
 * A one-shot of the person's own instead of a synthesised drum.
 *
 * @param path of the sound file
 * @param content what the file holds, so that it is known again where it was moved; empty while
 *     nobody has looked
 * @param semitones played faster or slower by so many, which also shortens or lengthens it
 * @param startMs cut off at the front
 * @param lengthMs how much of it sounds, 0 for all
 * @param riseMs time it takes to come up at the front
 * @param decayMs time in which it falls to 1/e, over and over; 0 leaves it as it was recorded
 * @param fadeMs fall at its end
 * @param reversed true to play it backwards
 * @param slices how it is cut up; {@link Slices#NONE} for a one-shot
 * @param playing how it is played as notes, and whether both its sides are kept
 */
public record SampleSound(
    String path,
    String content,
    double semitones,
    double startMs,
    double lengthMs,
    double riseMs,
    double decayMs,
    double fadeMs,
    boolean reversed,
    Slices slices,
    Playing playing)
    implements Source {
  private static final double LONGEST_SECONDS = 60;
  private static final double PEAK = 0.9;

  public SampleSound {
    slices = slices == null ? Slices.NONE : slices;
    playing = playing == null ? Playing.MIXED_DOWN : playing;
    content = content == null ? "" : content;
    Limits.text("path", path);
    Limits.text("content", content);
    Limits.within("semitones", semitones, -48, 48);
    Limits.within("startMs", startMs, 0, Limits.SOUND_MS);
    Limits.within("lengthMs", lengthMs, 0, Limits.SOUND_MS);
    Limits.within("riseMs", riseMs, 0, Limits.SOUND_MS);
    Limits.within("decayMs", decayMs, 0, Limits.SOUND_MS);
    Limits.within("fadeMs", fadeMs, 0, Limits.SOUND_MS);
  }

  public static SampleSound of(Path file) {
    return new SampleSound(
        file.toAbsolutePath().toString(), "", 0, 0, 0, 0, 0, 5, false, Slices.NONE, Playing.USUAL);
  }

  /** The same, found elsewhere. */
  public SampleSound at(Path file) {
    return from(file.toAbsolutePath().toString(), content);
  }

  /** The same, known by what its file holds. */
  public SampleSound known(String what) {
    return from(path, what);
  }

  private SampleSound from(String file, String what) {
    return new SampleSound(
        file, what, semitones, startMs, lengthMs, riseMs, decayMs, fadeMs, reversed, slices,
        playing);
  }

  /** The same, played in another way. */
  public SampleSound with(Playing other) {
    return new SampleSound(
        path, content, semitones, startMs, lengthMs, riseMs, decayMs, fadeMs, reversed, slices,
        other);
  }

  public SampleSound tuned(double value) {
    return with(value, startMs, lengthMs, reversed, slices);
  }

  public SampleSound from(double ms) {
    return with(semitones, ms, lengthMs, reversed, slices);
  }

  public SampleSound lasting(double ms) {
    return with(semitones, startMs, ms, reversed, slices);
  }

  /** The same with another course of its loudness. */
  public SampleSound shaped(double rise, double decay, double fade) {
    return new SampleSound(
        path, content, semitones, startMs, lengthMs, rise, decay, fade, reversed, slices, playing);
  }

  public SampleSound turned(boolean backwards) {
    return with(semitones, startMs, lengthMs, backwards, slices);
  }

  /** The same, cut up otherwise. */
  public SampleSound cut(Slices other) {
    return with(semitones, startMs, lengthMs, reversed, other);
  }

  private SampleSound with(
      double tuning, double start, double length, boolean backwards, Slices pieces) {
    return new SampleSound(
        path, content, tuning, start, length, riseMs, decayMs, fadeMs, backwards, pieces, playing);
  }

  /** Reads and shapes it: both sides at a rate, its peak as loud as a synthesised drum's. */
  public Shot render(int rate) throws IOException {
    Audio own = new AudioReader().oneShot(Path.of(path), Progress.NONE);
    Audio there = new Resampler().resample(own, rate);
    if (!playing.stereo() || own.sidesAreEqual()) {
      float[] x = shape(there.mono(), rate);
      return new Shot(x, x);
    }
    float[][] sides = {there.channel(0).clone(), there.channel(1).clone()};
    float peak = Math.max(peak(sides[0], rate), peak(sides[1], rate));
    return new Shot(shape(sides[0], rate, peak), shape(sides[1], rate, peak));
  }

  private int first(float[] x, int rate) {
    return Math.min(x.length, (int) (startMs * rate / 1000));
  }

  private int count(float[] x, int rate) {
    int most = (int) ((lengthMs > 0 ? lengthMs / 1000 : LONGEST_SECONDS) * rate);
    return Math.max(0, Math.min(x.length - first(x, rate), most));
  }

  private float peak(float[] x, int rate) {
    float peak = 1e-9f;
    for (int i = first(x, rate); i < first(x, rate) + count(x, rate); i++) {
      peak = Math.max(peak, Math.abs(x[i]));
    }
    return peak;
  }

  /** Cuts, turns and transposes. */
  public float[] shape(float[] x, int rate) {
    return shape(x, rate, peak(x, rate));
  }

  private float[] shape(float[] x, int rate, float peak) {
    int from = first(x, rate);
    int count = count(x, rate);
    double step = Math.pow(2, semitones / 12);
    float[] out = new float[(int) (count / step)];
    double rise = riseMs * rate / 1000;
    double fade = fadeMs * rate / 1000;
    for (int i = 0; i < out.length; i++) {
      double at = i * step;
      int k = (int) at;
      int a = from + (reversed ? count - 1 - k : k);
      int b = from + (reversed ? Math.max(0, count - 2 - k) : Math.min(count - 1, k + 1));
      double y = x[a] + (at - k) * (x[b] - x[a]);
      double loud = decayMs > 0 ? Math.exp(-i / (decayMs * rate / 1000)) : 1;
      loud *= i < rise ? i / rise : 1;
      loud *= out.length - i < fade ? (out.length - i) / fade : 1;
      out[i] = (float) (PEAK * y / peak * loud);
    }
    return out;
  }
}
