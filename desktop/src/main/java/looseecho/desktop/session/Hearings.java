package looseecho.desktop.session;

import java.lang.ref.SoftReference;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.analysis.Heard;
import looseecho.hits.Hit;
import looseecho.reading.Progress;
import looseecho.separate.StemPowers;

/**
 * What was heard of the tracks that were open last, and their groups as they were parted, by
 * fingerprint: going back to one of them, or correcting it, nothing is heard or parted again. Given
 * up where memory is short. Any thread.
 */
public final class Hearings {
  private static final int MOST = 4; // tracks

  private final Map<String, SoftReference<Heard>> kept = new LinkedHashMap<>();
  private final Map<String, SoftReference<StemPowers>> parted = new LinkedHashMap<>();

  synchronized Optional<Heard> of(String fingerprint) {
    return of(kept, fingerprint);
  }

  /** Keeps a hearing; half of one is none. */
  synchronized void keep(String fingerprint, Heard heard) {
    if (heard.isWhole()) {
      keep(kept, fingerprint, heard);
    }
  }

  /**
   * The groups of a track, parted now unless they are known.
   *
   * @param hits of its drums, in order of time
   */
  StemPowers parted(Reference r, List<Hit> hits, Progress progress) {
    Optional<StemPowers> before;
    synchronized (this) {
      before = of(parted, r.fingerprint());
    }
    StemPowers powers = before.orElseGet(() -> StemPowers.of(r.audio(), hits, progress));
    synchronized (this) {
      keep(parted, r.fingerprint(), powers);
    }
    return powers;
  }

  private static <T> Optional<T> of(Map<String, SoftReference<T>> all, String fingerprint) {
    return Optional.ofNullable(all.get(fingerprint)).map(SoftReference::get);
  }

  private static <T> void keep(Map<String, SoftReference<T>> all, String fingerprint, T what) {
    all.remove(fingerprint);
    all.put(fingerprint, new SoftReference<>(what));
    if (all.size() > MOST) {
      all.remove(all.keySet().iterator().next());
    }
  }
}
