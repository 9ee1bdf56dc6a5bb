package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import looseecho.dsp.Chroma;
import looseecho.dsp.ToneSpectra;
import looseecho.mix.Bus;
import looseecho.pulse.PlainPulse;
import looseecho.reading.Progress;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;

class ChordFinderTest {
  private static final int RATE = 44100;
  private static final double BAR = 2;
  private static final ToneSound ROUND =
      new ToneSound(0, 1, 0, 2000, 0, 5, 500, 1, 20, 0, 0, Timbre.PLAIN);

  /**
   * Two bars of a round bass and noise, then C, A minor, F and G (root-position triads, common
   * practice): nothing is claimed for the first two, the four are named, and together they make C
   * major.
   */
  @Test
  void bassAndDrumsAloneAreNoChord() {
    int[][] chords = {{}, {}, {60, 64, 67}, {57, 60, 64}, {53, 57, 60}, {55, 59, 62}};
    int[] roots = {36, 36, 36, 33, 29, 31};
    Bus bus = new Bus((int) (RATE * (chords.length * BAR + 2)), RATE);
    ToneSynth synth = new ToneSynth();
    List<Note> bass = new ArrayList<>();
    for (int bar = 0; bar < chords.length; bar++) {
      double at = 1 + BAR * bar;
      bus.add(synth.render(ROUND, roots[bar], BAR, 100, RATE), at, 0.6, 0);
      bass.add(new Note(at, at + BAR, roots[bar], 100, 1));
      for (int pitch : chords[bar]) {
        bus.add(synth.render(ToneSound.PAD, pitch, BAR, 90, RATE), at, 0.4, 0);
      }
      for (int beat = 0; beat < 4; beat++) {
        bus.add(noise(bar * 4 + beat), at + beat * 0.5, 0.3, 0);
      }
    }
    ToneSpectra spectra =
        ToneSpectra.of(bus.audio(1).mono(), RATE, 8192, 8192, 2205, Progress.NONE);
    Chroma chroma = Chroma.of(spectra);
    List<Chord> found =
        new ChordFinder().find(chroma, bass, PlainPulse.at120(1, 4 * chords.length + 1));
    String[] expected = {"N", "N", "C:maj", "A:min", "F:maj", "G:maj"};
    for (int bar = 0; bar < expected.length; bar++) {
      double middle = 1 + BAR * (bar + 0.5);
      Chord there =
          found.stream()
              .filter(c -> c.start() <= middle && c.end() > middle)
              .findFirst()
              .orElseThrow();
      assertEquals(expected[bar], there.label(), "bar " + (bar + 1) + " of " + found);
    }
    assertFalse(found.get(0).sounds());
    double[] notes = KeyFinder.Evidence.notes(found, 0, 100);
    double[] none = new double[12];
    Key key =
        new KeyFinder().find(new KeyFinder.Evidence(none, none, notes, Optional.empty())).value();
    assertEquals(new Key(0, false), key, "the chords alone make the key");
  }

  private static float[] noise(int seed) {
    Random random = new Random(seed);
    float[] out = new float[RATE / 10];
    for (int n = 0; n < out.length; n++) {
      out[n] = (float) (random.nextGaussian() * Math.exp(-n / 800.0));
    }
    return out;
  }
}
