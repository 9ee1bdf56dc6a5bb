package looseecho.compare;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import looseecho.activity.Lane;
import looseecho.compare.Finding.Kind;
import looseecho.hits.Hit;
import looseecho.palette.HeardSound;
import looseecho.palette.HeardSounds;
import looseecho.palette.PictureDistance;
import looseecho.palette.SoundAdvice;

/** Holds the drums' sounds of two recordings against each other, cut out of both in one way. */
final class SoundCompare {
  private static final double STEP_DB = 2;
  private static final double LEAST = 0.1;
  private static final double LEAST_SURE = 0.3;
  private static final double SAME = 0.05; // seconds
  private static final double BESIDE = 0.12; // seconds; about what is cut out of a stroke

  private SoundCompare() {}

  /**
   * A finding for each sound that both have, from the same strokes where both have them; what
   * sounds beside a stroke is the same on both sides, or its sound would seem to be another.
   */
  static List<Finding> find(Side reference, Side echo) {
    List<Hit> there = reference.hits();
    List<Hit> here = echo.hits();
    Set<Hit> ofReference = new HashSet<>();
    Set<Hit> ofEcho = new HashSet<>();
    for (Hit h : HeardSounds.cleanest(there)) {
      here.stream()
          .filter(o -> o.lane() == h.lane() && Math.abs(o.time() - h.time()) < SAME)
          .filter(o -> beside(o, here).equals(beside(h, there)))
          .findFirst()
          .ifPresent(
              o -> {
                ofReference.add(h);
                ofEcho.add(o);
              });
    }
    List<HeardSound> want = HeardSounds.of(reference.audio(), there, ofReference);
    List<HeardSound> have = HeardSounds.of(echo.audio(), here, ofEcho);
    List<Finding> out = new ArrayList<>();
    for (HeardSound w : want) {
      have.stream()
          .filter(h -> h.part().equals(w.part()))
          .findFirst()
          .ifPresent(h -> out.add(pair(w, h, echo.template().name(w.part()))));
    }
    return out;
  }

  private static Set<Lane> beside(Hit stroke, List<Hit> all) {
    return all.stream()
        .filter(o -> Math.abs(o.time() - stroke.time()) < BESIDE)
        .map(Hit::lane)
        .collect(Collectors.toSet());
  }

  private static Finding pair(HeardSound want, HeardSound have, String name) {
    double apart = PictureDistance.between(want.picture(), have.picture()).distance();
    // What is heard under others only is partly theirs.
    double sure = Math.max(LEAST_SURE, Math.min(want.quality(), have.quality()));
    double steps = sure * apart / STEP_DB;
    List<String> advice = SoundAdvice.of(want.like(), have.like());
    String words =
        String.format(Locale.ROOT, "The %s sounds %.1f dB apart", name, apart)
            + (advice.isEmpty() ? "." : ": " + String.join(", ", advice) + ".");
    return Finding.of(Kind.SOUND, name, steps < LEAST ? 0 : steps, words);
  }
}
