package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import looseecho.audio.Audio;
import looseecho.notes.Note;
import org.junit.jupiter.api.Test;

/** A plucked line at 120 BPM, with repeats and with notes that are played again. */
class RepeatFinderTest {
  private static final int RATE = 22050;
  private static final double BEAT = 0.5;
  private static final int[] PITCHES = {62, 65, 69, 67, 72, 64, 60, 70};

  private final float[] left = new float[RATE * 26];
  private final float[] right = new float[RATE * 26];
  private final List<Note> notes = new ArrayList<>();

  private void pluck(double time, int pitch, double gain, double pan) {
    double hz = 440 * Math.pow(2, (pitch - 69) / 12.0);
    int from = (int) (time * RATE);
    for (int i = 0; i < RATE && from + i < left.length; i++) {
      double t = (double) i / RATE;
      double x = gain * Math.exp(-t / 0.07) * Math.min(1, t / 0.003);
      double wave = Math.sin(2 * Math.PI * hz * t) + 0.4 * Math.sin(4 * Math.PI * hz * t);
      left[from + i] += (float) (x * wave * (1 - pan) / 2);
      right[from + i] += (float) (x * wave * (1 + pan) / 2);
    }
  }

  private void line(double every, double lag, double feedback, boolean sides) {
    for (int k = 0; k * every < 24; k++) {
      double time = 0.2 + k * every;
      int pitch = PITCHES[k % PITCHES.length];
      notes.add(new Note(time, time + 0.2, pitch, 90, 1));
      pluck(time, pitch, 0.4, 0);
      double gain = 0.2;
      for (int r = 1; r <= 4 && lag > 0; r++) {
        pluck(time + r * lag, pitch, gain, sides ? r % 2 == 1 ? -0.9 : 0.9 : 0);
        gain *= feedback;
      }
    }
  }

  private RepeatFinder finder() {
    return new RepeatFinder(new Audio(left, right, RATE), BEAT);
  }

  @Test
  void noteValueFallAndSidesOfRepeats() {
    line(1.0, 0.75 * BEAT, 0.5, true);
    HeardLayer.Repeats r = finder().find(notes).orElseThrow();
    assertEquals("dotted eighth", r.note());
    assertEquals(375, r.ms(), 1e-6);
    assertEquals(-3.5, r.firstDb(), 0.5, "6 dB softer, but all on one side");
    assertEquals(0.5, r.feedback(), 0.1);
    assertTrue(r.pingPong());
  }

  @Test
  void repeatsThatStayWhereTheNoteIs() {
    line(1.5, BEAT, 0.6, false);
    HeardLayer.Repeats r = finder().find(notes).orElseThrow();
    assertEquals("quarter", r.note());
    assertTrue(!r.pingPong(), r.toString());
  }

  @Test
  void notesThatArePlayedAgainAreNoRepeats() {
    for (int k = 0; k < 90; k++) { // eighths, four of each pitch, the first of them accented
      double time = 0.2 + k * BEAT / 2;
      int pitch = PITCHES[k / 4 % PITCHES.length];
      notes.add(new Note(time, time + 0.2, pitch, 90, 1));
      pluck(time, pitch, k % 4 == 0 ? 0.5 : 0.3, 0);
    }
    assertTrue(finder().find(notes).isEmpty());
  }

  @Test
  void aPlainLineHasNone() {
    line(0.5, 0, 0, false);
    assertTrue(finder().find(notes).isEmpty());
  }
}
