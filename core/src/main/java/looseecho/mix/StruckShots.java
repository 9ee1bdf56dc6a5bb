package looseecho.mix;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import looseecho.echo.Manner;
import looseecho.echo.Stroke;
import looseecho.synth.Retuner;
import looseecho.synth.Slices;

/** A drum's one-shot in every manner that it is struck in, each made once. */
final class StruckShots {
  private record Kind(double pitch, Manner.Bend bend, boolean reversed, int slice) {}

  private static final int FADE = 64;

  private final float[] plain;
  private final Slices slices;
  private final Retuner retuner;
  private final Map<Kind, float[]> made = new HashMap<>();

  /**
   * For a drum.
   *
   * @param slices how its recording is cut up
   * @param bpm the tempo that it is fitted to
   */
  StruckShots(float[] shot, Slices slices, double bpm, int rate) {
    this.retuner = new Retuner(rate);
    this.slices = slices;
    this.plain = fitted(shot, slices, 60 / bpm * slices.beats() * rate / shot.length);
  }

  /** A recording as many times as long. */
  private float[] fitted(float[] shot, Slices how, double times) {
    if (how.beats() == 0 || how.fit() == Slices.Fit.AS_IT_IS || !(times > 0.1 && times < 10)) {
      return shot;
    }
    double semitones = -12 * Math.log(times) / Math.log(2);
    float[] out = retuner.bySpeed(shot, semitones);
    return how.fit() == Slices.Fit.SPEED ? out : retuner.lengthKept(out, -semitones);
  }

  /** A piece of the recording, or the whole. */
  private float[] piece(int slice) {
    if (slice == 0 || slices.starts().isEmpty()) {
      return plain;
    }
    int from = (int) (slices.start(slice) * plain.length);
    int to = Math.max(from + 1, (int) (slices.end(slice) * plain.length));
    float[] out = Arrays.copyOfRange(plain, from, to);
    for (int i = 0; i < Math.min(FADE, out.length); i++) {
      out[out.length - 1 - i] *= (float) i / FADE; // no click where it is cut
    }
    return out;
  }

  float[] of(Stroke stroke) {
    Manner m = stroke.manner();
    return m.pitch() == 0 && !m.reversed() && m.slice() == 0
        ? plain
        : made.computeIfAbsent(new Kind(m.pitch(), m.bend(), m.reversed(), m.slice()), this::make);
  }

  private float[] make(Kind kind) {
    float[] piece = piece(kind.slice());
    float[] tuned = kind.pitch() == 0 ? piece.clone() : tuned(piece, kind);
    if (kind.reversed()) {
      for (int i = 0, j = tuned.length - 1; i < j; i++, j--) {
        float x = tuned[i];
        tuned[i] = tuned[j];
        tuned[j] = x;
      }
    }
    return tuned;
  }

  private float[] tuned(float[] piece, Kind kind) {
    return switch (kind.bend()) {
      case SPEED -> retuner.bySpeed(piece, kind.pitch());
      case LENGTH_KEPT -> retuner.lengthKept(piece, kind.pitch());
      case HERTZ -> retuner.byHertz(piece, kind.pitch());
    };
  }
}
