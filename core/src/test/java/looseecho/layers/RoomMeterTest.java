package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.hits.Hit;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSynth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A beat of kick, snare and hats under a wide pad; the snare in a room of noise that dies away
 * evenly, on either side by itself (Moorer, "About this reverberation business", Computer Music
 * Journal 1979).
 */
class RoomMeterTest {
  private static final int RATE = 44100;
  private static final double BEAT = 0.5;
  private static final int BEATS = 48;

  private final float[][] mix = new float[2][(int) (BEATS * BEAT * RATE) + RATE];
  private final List<Hit> hits = new ArrayList<>();
  private final Random random = new Random(5);

  private void strike(Lane lane, double time, float[][] sound) {
    hits.add(new Hit(lane, time, 100, 1, 1, 0, 1));
    for (int c = 0; c < 2; c++) {
      int at = (int) (time * RATE);
      for (int i = 0; i < sound[c].length && at + i < mix[c].length; i++) {
        mix[c][at + i] += sound[c][i];
      }
    }
  }

  private static float[][] dry(Lane lane, double gain) {
    float[] x = new DrumSynth().render(Sounds.plain().drum(Part.of(lane)), RATE, 3);
    for (int i = 0; i < x.length; i++) {
      x[i] *= (float) gain;
    }
    return new float[][] {x, x.clone()};
  }

  /** With a share of the energy out of a room that falls by 60 dB in some seconds. */
  private float[][] in(float[][] dry, double seconds, double share) {
    float[][] out = new float[2][(int) (1.2 * seconds * RATE) + dry[0].length];
    double from = energy(dry);
    for (int c = 0; c < 2; c++) {
      for (int k = 0; k < 1500; k++) { // echoes at random, denser than one hears apart
        double at = random.nextDouble() * seconds;
        double gain = random.nextGaussian() * Math.pow(10, -3 * at / seconds);
        int first = (int) (at * RATE);
        for (int i = 0; i < dry[c].length; i++) {
          out[c][first + i] += (float) (gain * dry[c][i]);
        }
      }
    }
    double gain = Math.sqrt(share / (1 - share) * from / energy(out));
    for (int c = 0; c < 2; c++) {
      for (int i = 0; i < out[c].length; i++) {
        out[c][i] = (float) (gain * out[c][i]) + (i < dry[c].length ? dry[c][i] : 0);
      }
    }
    return out;
  }

  private static double energy(float[][] x) {
    double sum = 0;
    for (float[] side : x) {
      for (float v : side) {
        sum += v * v;
      }
    }
    return sum;
  }

  private Optional<HeardLayer.Room> heard(Lane lane, float[][] snare) {
    for (int b = 0; b < BEATS; b++) {
      strike(b % 2 == 0 ? Lane.KICK : Lane.SNARE, b * BEAT + 0.1, b % 2 == 0 ? kick() : snare);
      strike(Lane.HAT_CLOSED, b * BEAT + 0.1 + BEAT / 2, dry(Lane.HAT_CLOSED, 0.2));
    }
    for (int i = 0; i < mix[0].length; i++) {
      double t = 2 * Math.PI * i / RATE;
      double wide = 0.01 * Math.sin(294 * t);
      double pad = 0.03 * (Math.sin(220 * t) + Math.sin(277 * t) + 0.3 * Math.sin(660 * t));
      mix[0][i] += (float) (pad + wide + 0.0003 * random.nextGaussian());
      mix[1][i] += (float) (pad - wide + 0.0003 * random.nextGaussian());
    }
    hits.sort(Comparator.comparingDouble(Hit::time));
    Audio audio = new Audio(mix[0], mix[1], RATE);
    return Optional.ofNullable(RoomMeter.behind(audio, hits).get(Part.of(lane)));
  }

  private static float[][] kick() {
    return dry(Lane.KICK, 0.6);
  }

  @ParameterizedTest
  @CsvSource({"0.4, 0.3", "0.8, 0.15", "0.8, 0.4", "1, 0.3"})
  void theRoomBehindASnareIsHeard(double seconds, double share) {
    HeardLayer.Room room =
        heard(Lane.SNARE, in(dry(Lane.SNARE, 0.5), seconds, share)).orElseThrow();
    assertEquals(seconds, room.seconds(), 0.25 * seconds);
    assertEquals(share, room.share(), 0.1);
  }

  @Test
  void noneBehindADrySnareNorBehindTheKickBesideAWetOne() {
    assertTrue(heard(Lane.SNARE, dry(Lane.SNARE, 0.5)).isEmpty());
    hits.clear();
    assertTrue(heard(Lane.KICK, in(dry(Lane.SNARE, 0.5), 0.8, 0.3)).isEmpty());
  }

  @ParameterizedTest
  @CsvSource({"0.2, half a beat", "0.5, a beat", "0.8, 1½ beats", "1.9, 4 beats"})
  void itsLengthIsToldInBeats(double seconds, String beats) {
    String words = new HeardLayer.Room(seconds, 0.25).words(BEAT);
    assertTrue(words.startsWith("Room of " + beats + " ("), words);
    assertTrue(words.endsWith(" s), 25 % of the sound"), words);
  }
}
