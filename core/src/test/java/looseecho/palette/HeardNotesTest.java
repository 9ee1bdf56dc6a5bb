package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.dsp.Goertzel;
import looseecho.form.Form;
import looseecho.hits.Feel;
import looseecho.hits.Hit;
import looseecho.notes.Key;
import looseecho.notes.Note;
import looseecho.notes.TonalContent;
import looseecho.notes.Tonality;
import looseecho.reading.Reading;
import org.junit.jupiter.api.Test;

/** Bass and chords of a song of our own, with a snare on every second of the bass's notes. */
class HeardNotesTest {
  private static final int RATE = HeardSound.RATE;
  private static final int LOW = 33;
  private static final int OFTEN = 40;
  private static final int[] CHORD = {60, 64, 67};

  private static double hertz(double pitch) {
    return 440 * Math.pow(2, (pitch - 69) / 12);
  }

  private static void tone(float[] x, double start, double seconds, int pitch, double level) {
    for (int i = 0; i < seconds * RATE; i++) {
      double t = 2 * Math.PI * hertz(pitch) * i / RATE;
      double fall = Math.min(1, i / 200.0) * Math.exp(-2.0 * i / RATE);
      x[(int) (start * RATE) + i] +=
          (float) (level * fall * (Math.sin(t) + 0.5 * Math.sin(2 * t) + 0.2 * Math.sin(3 * t)));
    }
  }

  @Test
  void theCleanestNotesOfOnePitchAreCutOut() {
    float[] x = new float[10 * RATE];
    List<Note> bass = new ArrayList<>();
    List<Note> chords = new ArrayList<>();
    List<Hit> hits = new ArrayList<>();
    Random random = new Random(5);
    for (int k = 0; k < 16; k++) {
      double start = 0.5 + 0.5 * k;
      int pitch = k % 8 == 7 ? LOW : OFTEN;
      tone(x, start, 0.4, pitch, 0.3);
      bass.add(new Note(start, start + 0.4, pitch, 90, 1));
      if (k % 2 == 0) {
        hits.add(new Hit(Lane.SNARE, start, 110, 1, 1, 0, 1));
        for (int i = 0; i < 8000; i++) {
          x[(int) (start * RATE) + i] +=
              (float) (0.2 * random.nextGaussian() * Math.exp(-i / 1500.0));
        }
      }
      if (k % 8 == 5) {
        for (int p : CHORD) {
          tone(x, start, 0.9, p, 0.12);
          chords.add(new Note(start, start + 0.9, p, 80, 1));
        }
      }
    }
    Reading<Key> key = new Reading<>(new Key(4, true), 1, "", List.of(), Reading.Settled.MEASURED);
    Tonality tonality =
        new Tonality(
            TonalContent.KEY, key, List.of(), 0, List.of(), bass, List.of(), List.of(), chords);
    Analysis heard =
        new Analysis(
            10,
            Optional.empty(),
            new Form(List.of(), List.of(), List.of()),
            hits,
            Feel.NONE,
            tonality,
            List.of());

    List<HeardSound> all = HeardSounds.of(new Audio(x, x.clone(), RATE), heard);

    assertEquals(List.of("snare", "bass", "chords"), all.stream().map(HeardSound::name).toList());
    HeardSound low = all.get(1);
    assertEquals(List.of(OFTEN), low.pitches());
    assertEquals(6, low.strokes(), "the notes under a snare are left out");
    assertEquals(1, low.quality(), 1e-9);
    assertEquals(hertz(OFTEN), low.like().pitchHz(), 1e-9);
    assertEquals(SoundClass.BASS, low.what());
    assertEquals(List.of(60, 64, 67), all.get(2).pitches());
    assertEquals(0, all.get(2).like().pitchHz(), "a chord has no pitch of its own");
    for (HeardSound h : all.subList(1, 3)) {
      Goertzel tones = new Goertzel(h.sound(), RATE);
      for (int pitch : h.pitches()) { // against a tritone off, where nothing plays
        double apart = tones.power(hertz(pitch)) / tones.power(hertz(pitch + 6));
        assertTrue(10 * Math.log10(apart) > 10, h.name() + " " + pitch + " " + apart);
      }
    }
  }
}
