package looseecho.mix;

import java.util.Collection;

/**
 * What the whole ends in, before the limiter: what is soft is lifted, peaks are rounded off. Both
 * are gains by sample that stems share. Fed block after block.
 */
final class MasterVoice {
  private static final int RATE = EchoRenderer.RATE;
  // Upward compression as a copy pressed hard and mixed in (common practice).
  private static final Squeeze PRESSED = new Squeeze(-36, 6, 5, 120, 0);
  private static final double LIFT_DB = 18;
  private static final double KNEE = 0.6; // of the ceiling, from which on peaks are rounded

  private final Master settings;
  private final Compressor pressed = new Compressor(PRESSED, RATE);
  private final double ceiling;

  MasterVoice(Master settings, double ceiling) {
    this.settings = settings;
    this.ceiling = ceiling;
  }

  void run(Bus mix, Collection<Bus> stems) {
    if (settings.upward() > 0) {
      float[] gains = pressed.gains(mix.sides()[0], mix.sides()[1]);
      double lift = Math.pow(10, LIFT_DB / 20);
      for (int i = 0; i < gains.length; i++) {
        gains[i] = (float) (1 - settings.upward() + settings.upward() * lift * gains[i]);
      }
      shape(mix, stems, gains);
    }
    if (settings.end() == Master.End.CLIPPER) {
      shape(mix, stems, rounded(mix));
    }
  }

  private static void shape(Bus mix, Collection<Bus> stems, float[] gains) {
    mix.shape(gains);
    stems.forEach(s -> s.shape(gains));
  }

  private float[] rounded(Bus mix) {
    float[] out = new float[mix.length()];
    double knee = KNEE * ceiling;
    for (int i = 0; i < out.length; i++) {
      double peak = Math.max(Math.abs(mix.left(i)), Math.abs(mix.right(i)));
      double room = ceiling - knee;
      out[i] = (float) (peak <= knee ? 1 : (knee + room * Math.tanh((peak - knee) / room)) / peak);
    }
    return out;
  }
}
