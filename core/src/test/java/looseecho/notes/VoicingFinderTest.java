package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.pulse.PlainPulse;
import looseecho.pulse.Pulse;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;

/** Chords that were laid in known octaves and chopped at known steps. */
class VoicingFinderTest {
  private static final int RATE = 44100;
  private final float[] x = new float[8 * RATE];
  private final Pulse pulse = PlainPulse.at120(0, 17);

  private void play(int pitch, double start, double seconds) {
    ToneSound pad = new ToneSound(0.8, 1, 0, 2500, 0, 5, 500, 1, 20, 0, 0, Timbre.PLAIN);
    float[] note = new ToneSynth().render(pad, pitch, seconds, 90, RATE);
    for (int i = 0; i < note.length && start * RATE + i < x.length; i++) {
      x[(int) (start * RATE) + i] += 0.2f * note[i];
    }
  }

  private List<Note> heard(Chord chord, List<Note> bass) {
    return new VoicingFinder(new Audio(x, x, RATE), bass, 0).find(List.of(chord), pulse);
  }

  private static Set<Integer> pitches(List<Note> notes) {
    return notes.stream().map(Note::pitch).collect(Collectors.toSet());
  }

  /** E G C over a low C: the first inversion and not the close triad on its root. */
  @Test
  void theOctavesOfAnInversionOverABassAreHeard() {
    List.of(64, 67, 72).forEach(p -> play(p, 0, 4));
    play(36, 0, 4);
    List<Note> bass = List.of(new Note(0, 4, 36, 90, 1));
    List<Note> notes = heard(new Chord(0, 4, 0, ChordKind.MAJOR, 1), bass);
    assertEquals(Set.of(64, 67, 72), pitches(notes));
    assertEquals(3, notes.size(), "held once, not chopped");
    assertEquals(4, notes.get(0).end(), 0.13);
  }

  /** Eighths with rests of a sixteenth at 120: the chord sounds on every second step. */
  @Test
  void aChoppedChordKeepsItsGates() {
    IntStream.range(0, 8).forEach(k -> List.of(57, 60, 64).forEach(p -> play(p, 0.5 * k, 0.2)));
    List<Note> notes = heard(new Chord(0, 4, 9, ChordKind.MINOR, 1), List.of());
    double[] starts =
        notes.stream().filter(n -> n.pitch() == 60).mapToDouble(Note::start).toArray();
    assertEquals(8, starts.length);
    for (int k = 0; k < 8; k++) {
      assertEquals(0.5 * k, starts[k], 1e-6);
    }
    notes.forEach(n -> assertEquals(0.25, n.end() - n.start(), 1e-6));
  }
}
