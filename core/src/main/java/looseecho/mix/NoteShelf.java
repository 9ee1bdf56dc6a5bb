package looseecho.mix;

import java.util.LinkedHashMap;
import java.util.Map;
import looseecho.synth.Shot;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;

/**
 * The notes that were made last. Loops play the same notes over and over, so most of a song's are
 * made once; what was not played for longest is let go. Safe to use from several threads.
 */
final class NoteShelf {
  private static final int MOST_SAMPLES = 1 << 23; // 32 MB

  private record Key(ToneSound sound, ToneSynth.Played played) {}

  private final Map<Key, Shot> shelf = new LinkedHashMap<>(16, 0.75f, true);
  private final ToneSynth synth = new ToneSynth();
  private long samples;

  Shot get(ToneSound sound, ToneSynth.Played played) {
    Key key = new Key(sound, played);
    synchronized (shelf) {
      Shot kept = shelf.get(key);
      if (kept != null) {
        return kept;
      }
    }
    Shot made = Shot.of(synth.render(sound, played, EchoRenderer.RATE));
    synchronized (shelf) {
      if (shelf.putIfAbsent(key, made) == null) {
        samples += made.length();
      }
      var oldest = shelf.values().iterator();
      while (samples > MOST_SAMPLES) {
        samples -= oldest.next().length();
        oldest.remove();
      }
    }
    return made;
  }
}
