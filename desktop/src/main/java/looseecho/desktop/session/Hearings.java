package looseecho.desktop.session;

import java.lang.ref.SoftReference;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import looseecho.analysis.Heard;

/**
 * What was heard of the tracks that were open last, by fingerprint: going back to one of them, its
 * corrections are drawn at once and nothing is heard again. Given up where memory is short. Any
 * thread.
 */
public final class Hearings {
  private static final int MOST = 4; // tracks

  private final Map<String, SoftReference<Heard>> kept = new LinkedHashMap<>();

  synchronized Optional<Heard> of(String fingerprint) {
    return Optional.ofNullable(kept.get(fingerprint)).map(SoftReference::get);
  }

  /** Keeps a hearing; half of one is none. */
  synchronized void keep(String fingerprint, Heard heard) {
    if (heard.isWhole()) {
      kept.remove(fingerprint);
      kept.put(fingerprint, new SoftReference<>(heard));
      if (kept.size() > MOST) {
        kept.remove(kept.keySet().iterator().next());
      }
    }
  }
}
