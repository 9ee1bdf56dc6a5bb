package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;

import looseecho.synth.Shot;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;

class NoteShelfTest {
  private static ToneSynth.Played note(double pitch, double seconds) {
    return new ToneSynth.Played(pitch, seconds, 100, 0, 0, 0.5);
  }

  @Test
  void aNoteIsMadeOnceWhileThereIsRoom() {
    NoteShelf shelf = new NoteShelf();
    Shot first = shelf.get(ToneSound.BASS, note(40, 0.2));
    assertSame(first, shelf.get(ToneSound.BASS, note(40, 0.2)));
    assertNotSame(first, shelf.get(ToneSound.BASS, note(40, 0.3)), "a longer one is another");
    assertNotSame(first, shelf.get(ToneSound.PLUCK, note(40, 0.2)), "another sound too");
    for (int k = 0; k < 12; k++) { // 20 s each: more than the shelf holds
      shelf.get(ToneSound.BASS, note(50 + k, 20));
    }
    Shot again = shelf.get(ToneSound.BASS, note(40, 0.2));
    assertNotSame(first, again, "what was not played for longest is let go");
    assertArrayEquals(first.left(), again.left());
  }
}
