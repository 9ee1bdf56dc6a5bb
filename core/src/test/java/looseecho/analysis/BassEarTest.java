package looseecho.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.activity.Register;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import looseecho.hits.Hit;
import looseecho.notes.Note;
import looseecho.reading.Progress;
import looseecho.separate.KickWave;
import org.junit.jupiter.api.Test;

/** A bass below kicks: notes that begin with them, and none where a kick stands alone. */
class BassEarTest {
  private static final int RATE = 44100;
  private static final int[] LINE = {33, 40, 36, 38, 31, 35, 43, 29}; // each for half a second
  private static final double QUIET = 8; // seconds until the bass comes in

  @Test
  void aKnownKickLeavesOnlyTheBass() {
    float[] mix = new float[24 * RATE];
    kicks(mix);
    List<Integer> played = IntStream.range(0, 32).mapToObj(k -> LINE[k * 3 % LINE.length]).toList();
    for (int k = 0; k < played.size(); k++) {
      note(mix, QUIET + k / 2.0, 0.45, played.get(k), 0.03);
    }
    List<Note> plain = hear(mix, false);
    List<Note> known = hear(mix, true);
    assertEquals(
        played,
        known.stream().map(Note::pitch).toList(),
        "without the wave: " + plain.stream().map(Note::pitch).toList());
    for (int k = 0; k < known.size(); k++) {
      assertEquals(QUIET + k / 2.0, known.get(k).start(), 0.03);
    }
    assertTrue(
        plain.size() < played.size() - 4,
        "under the kicks notes are lost: " + plain.stream().map(Note::pitch).toList());
  }

  /** One that always sounds the same behind the kick is part of its wave, and yet a bass. */
  @Test
  void aBassThatFollowsEveryKickIsStillHeard() {
    float[] mix = new float[24 * RATE];
    kicks(mix);
    for (int k = 0; k < 48; k++) {
      note(mix, k / 2.0 + 0.25, 0.2, 33, 0.06);
    }
    List<Note> known = hear(mix, true);
    assertEquals(hear(mix, false), known);
    long found =
        known.stream()
            .filter(n -> n.pitch() == 33 && Math.abs(n.start() % 0.5 - 0.25) < 0.03)
            .count();
    assertTrue(found >= 47 && known.size() <= 49, known.toString());
  }

  private static List<Note> hear(float[] mix, boolean kickKnown) {
    List<Hit> kicks =
        IntStream.range(0, 48)
            .mapToObj(k -> new Hit(Lane.KICK, k / 2.0, 100, k / 8, k % 8 * 2, 0, 1))
            .toList();
    KickWave wave = kickKnown ? KickWave.of(new Audio(mix, mix, RATE), kicks) : KickWave.NONE;
    float[] low = new Resampler().resample(mix, RATE, Register.BASS.rate());
    BassEar.Sound sound = BassEar.Sound.of(low, 0, t -> Math.abs(t - Math.rint(2 * t) / 2) < 0.05);
    return new BassEar().find(sound, Optional.empty(), wave, Progress.NONE);
  }

  /** Twice a second, falling to 49 Hz; a little noise over it. */
  private static void kicks(float[] mix) {
    Random noise = new Random(5);
    for (int i = 0; i < mix.length; i++) {
      double t = i % (RATE / 2) / (double) RATE;
      double turns = 49 * t + 5 * (1 - Math.exp(-t / 0.03));
      mix[i] += (float) (0.5 * Math.exp(-t / 0.16) * Math.sin(2 * Math.PI * turns));
      mix[i] += 0.02f * (float) noise.nextGaussian();
    }
  }

  private static void note(float[] mix, double start, double seconds, int pitch, double level) {
    double hz = 440 * Math.pow(2, (pitch - 69) / 12.0);
    for (int i = 0; i < seconds * RATE; i++) {
      double t = i / (double) RATE;
      double edge = Math.min(1, Math.min(t, seconds - t) / 0.01);
      for (int partial = 1; partial < 4; partial++) {
        int at = (int) (start * RATE) + i;
        mix[at] += (float) (level / partial * edge * Math.sin(2 * Math.PI * partial * hz * t));
      }
    }
  }
}
