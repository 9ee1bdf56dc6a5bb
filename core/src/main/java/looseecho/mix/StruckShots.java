package looseecho.mix;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import looseecho.echo.Manner;
import looseecho.echo.Stroke;
import looseecho.synth.Retuner;
import looseecho.synth.Shot;
import looseecho.synth.Slices;

/** A drum's one-shot in every manner that it is struck in, each made once. */
final class StruckShots {
  private record Kind(double pitch, Manner.Bend bend, boolean reversed, int slice) {}

  private static final int FADE = 64;

  private final Shot plain;
  private final Slices slices;
  private final Retuner retuner;
  private final Map<Kind, Shot> made = new HashMap<>();

  /**
   * For a drum.
   *
   * @param slices how its recording is cut up
   * @param bpm the tempo that it is fitted to
   */
  StruckShots(Shot shot, Slices slices, double bpm, int rate) {
    this.retuner = new Retuner(rate);
    this.slices = slices;
    double times = 60 / bpm * slices.beats() * rate / shot.length();
    this.plain = fitted(shot, slices, times);
  }

  /** A recording as many times as long. */
  private Shot fitted(Shot shot, Slices how, double times) {
    if (how.beats() == 0 || how.fit() == Slices.Fit.AS_IT_IS || !(times > 0.1 && times < 10)) {
      return shot;
    }
    double semitones = -12 * Math.log(times) / Math.log(2);
    Shot out = shot.map(x -> retuner.bySpeed(x, semitones));
    return how.fit() == Slices.Fit.SPEED ? out : out.map(x -> retuner.lengthKept(x, -semitones));
  }

  /** A piece of the recording, or the whole. */
  private Shot piece(int slice) {
    if (slice == 0 || slices.starts().isEmpty()) {
      return plain;
    }
    int from = (int) (slices.start(slice) * plain.length());
    int to = Math.max(from + 1, (int) (slices.end(slice) * plain.length()));
    return plain.map(x -> piece(x, from, to));
  }

  private static float[] piece(float[] x, int from, int to) {
    float[] out = Arrays.copyOfRange(x, from, to);
    for (int i = 0; i < Math.min(FADE, out.length); i++) {
      out[out.length - 1 - i] *= (float) i / FADE; // no click where it is cut
    }
    return out;
  }

  /** As a stroke is struck, moved by so many semitones besides. */
  Shot of(Stroke stroke, double moved) {
    Manner m = stroke.manner();
    double pitch = m.pitch() + moved;
    return pitch == 0 && !m.reversed() && m.slice() == 0
        ? plain
        : made.computeIfAbsent(new Kind(pitch, m.bend(), m.reversed(), m.slice()), this::make);
  }

  private Shot make(Kind kind) {
    Shot piece = piece(kind.slice());
    Shot tuned = kind.pitch() == 0 ? piece : piece.map(x -> tuned(x, kind));
    return kind.reversed() ? tuned.map(StruckShots::turned) : tuned;
  }

  private static float[] turned(float[] x) {
    float[] out = new float[x.length];
    for (int i = 0; i < x.length; i++) {
      out[i] = x[x.length - 1 - i];
    }
    return out;
  }

  private float[] tuned(float[] piece, Kind kind) {
    return switch (kind.bend()) {
      case SPEED -> retuner.bySpeed(piece, kind.pitch());
      case LENGTH_KEPT -> retuner.lengthKept(piece, kind.pitch());
      case HERTZ -> retuner.byHertz(piece, kind.pitch());
    };
  }
}
