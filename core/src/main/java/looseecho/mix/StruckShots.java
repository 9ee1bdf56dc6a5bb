package looseecho.mix;

import java.util.HashMap;
import java.util.Map;
import looseecho.echo.Manner;
import looseecho.echo.Stroke;
import looseecho.synth.Retuner;

/** A drum's one-shot in every manner that it is struck in, each made once. */
final class StruckShots {
  private record Kind(double pitch, Manner.Bend bend, boolean reversed) {}

  private final float[] plain;
  private final Retuner retuner;
  private final Map<Kind, float[]> made = new HashMap<>();

  StruckShots(float[] plain, int rate) {
    this.plain = plain;
    this.retuner = new Retuner(rate);
  }

  float[] of(Stroke stroke) {
    Manner m = stroke.manner();
    return m.pitch() == 0 && !m.reversed()
        ? plain
        : made.computeIfAbsent(new Kind(m.pitch(), m.bend(), m.reversed()), this::make);
  }

  private float[] make(Kind kind) {
    float[] tuned = kind.pitch() == 0 ? plain.clone() : tuned(kind);
    if (kind.reversed()) {
      for (int i = 0, j = tuned.length - 1; i < j; i++, j--) {
        float x = tuned[i];
        tuned[i] = tuned[j];
        tuned[j] = x;
      }
    }
    return tuned;
  }

  private float[] tuned(Kind kind) {
    return switch (kind.bend()) {
      case SPEED -> retuner.bySpeed(plain, kind.pitch());
      case LENGTH_KEPT -> retuner.lengthKept(plain, kind.pitch());
      case HERTZ -> retuner.byHertz(plain, kind.pitch());
    };
  }
}
