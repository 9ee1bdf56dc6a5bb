package looseecho.isolate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.hits.Hit;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class AloneTest {
  /** A hat's band while it rings, and nothing of a bass tone or of other moments. */
  @Test
  void oneDrumIsBroughtForward() {
    float[] x = new float[2 * 44100];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.3 * Math.sin(2 * Math.PI * 80 * i / 44100));
      double hat = i >= 44100 ? Math.exp(-(i - 44100) / 800.0) : 0;
      x[i] += (float) (0.3 * hat * Math.sin(2 * Math.PI * 9500 * i / 44100));
    }
    Hit hit = new Hit(Lane.HAT_CLOSED, 1.0, 90, 1, 1, 0, 1).withLength(60);
    Audio alone =
        new LaneIsolator()
            .isolate(new Audio(x, x.clone(), 44100), Lane.HAT_CLOSED, List.of(hit), Progress.NONE);
    float[] y = alone.channel(0);
    double ringing = Signals.rms(y, 44100, 44100 + 1000);
    assertTrue(ringing > 0.08, "the hat stays: " + ringing);
    assertEquals(0, Signals.rms(y, 0, 43000), 1e-9);
    assertEquals(0, Signals.rms(y, 44100 + 9000, 80000), 1e-9);
    assertTrue(Signals.rms(y, 44100 + 3500, 44100 + 4000) < 0.01, "the bass is gone");
  }
}
