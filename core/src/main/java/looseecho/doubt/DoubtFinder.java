package looseecho.doubt;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.doubt.Doubt.Topic;
import looseecho.form.Event;
import looseecho.form.Section;
import looseecho.hits.Hit;
import looseecho.hits.Place;
import looseecho.hits.Places;
import looseecho.layers.Collision;
import looseecho.layers.CollisionFinder;
import looseecho.layers.GapFinder;
import looseecho.layers.HeardLayer;
import looseecho.notes.Chord;
import looseecho.notes.Key;
import looseecho.notes.Note;
import looseecho.notes.TonalContent;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;
import looseecho.reading.Reading;

/**
 * Reads what is in doubt out of what was heard. Weights follow how much else stands on a reading
 * (common practice: tempo and bar lines before all, a kick or a snare before a hat, what is loud
 * and long before what is faint and short).
 */
public final class DoubtFinder {
  private static final double SURE = 0.6; // as everywhere on the screen
  private static final int MOST_HITS = 6;
  private static final int MOST_NOTES = 3;
  private static final double LEAST_CHORD_SECONDS = 0.9;

  private DoubtFinder() {}

  /** On the ground, the hits and the notes, most important first within each. */
  public static List<Doubt> of(Analysis a) {
    List<Doubt> all = new ArrayList<>();
    if (a.pulse().isPresent()) {
      Places places = new Places(a.pulse().get());
      ground(a, a.pulse().get(), places, all);
      hits(a.hits(), all);
      notes(a, places, all);
    }
    return sorted(all);
  }

  /** Of the layers: what gets in each other's way, and what nobody fills. */
  public static List<Doubt> of(List<HeardLayer> layers) {
    List<Doubt> all = new ArrayList<>();
    List<Collision> collisions = CollisionFinder.find(layers);
    double most = collisions.stream().mapToDouble(Collision::seconds).max().orElse(1);
    for (Collision c : collisions) {
      all.add(
          Doubt.everywhere(
              Topic.LAYERS, 0.4 + 0.4 * c.seconds() / most, c.what() + ": " + c.advice()));
    }
    for (String gap : GapFinder.find(layers)) {
      all.add(new Doubt(Topic.LAYERS, gap, Optional.empty(), 0.3, true));
    }
    return sorted(all);
  }

  private static List<Doubt> sorted(List<Doubt> all) {
    return all.stream().sorted(Comparator.comparingDouble(d -> -d.weight())).toList();
  }

  private static void ground(Analysis a, Pulse p, Places places, List<Doubt> all) {
    open(p.tempo(), "Tempo", t -> Math.round(t) + " BPM", 1).ifPresent(all::add);
    open(p.meter(), "Meter", Meter::words, 0.9).ifPresent(all::add);
    if (a.tonality().content() == TonalContent.KEY) {
      open(a.tonality().key(), "Key", Key::words, 0.6).ifPresent(all::add);
    }
    for (Section s : a.form().sections()) {
      if (s.confidence() < SURE && s.start() > 0) {
        all.add(
            Doubt.at(
                Topic.GROUND,
                s.start(),
                0.5 * (1 - s.confidence()),
                "Does " + s.label() + " begin in bar " + bar(places, s.start()) + "?"));
      }
    }
    for (Event e : a.form().events()) {
      if (e.confidence() < SURE) {
        all.add(
            Doubt.at(
                Topic.GROUND,
                e.start(),
                0.3 * (1 - e.confidence()),
                e.kind().word() + " in bar " + bar(places, e.start()) + "?"));
      }
    }
  }

  private static <T> Optional<Doubt> open(
      Reading<T> r, String what, Function<T, String> words, double weight) {
    if (r.confidence() >= SURE || r.settledBy() != Reading.Settled.MEASURED) {
      return Optional.empty();
    }
    String others =
        r.alternatives().stream()
            .limit(2)
            .map(o -> words.apply(o.value()))
            .collect(Collectors.joining(" or "));
    return Optional.of(
        Doubt.everywhere(
            Topic.GROUND,
            weight,
            String.format(
                Locale.ROOT,
                "%s: %s, %.0f %% sure%s",
                what,
                words.apply(r.value()),
                100 * r.confidence(),
                others.isEmpty() ? "" : "; or " + others)));
  }

  private static void hits(List<Hit> hits, List<Doubt> all) {
    List<Hit> open = hits.stream().filter(Hit::doubtful).toList();
    List<Hit> first =
        open.stream()
            .sorted(Comparator.comparingDouble(h -> -matters(h)))
            .limit(MOST_HITS)
            .toList();
    for (Hit h : first) {
      String words =
          String.format(
              Locale.ROOT,
              "%s in bar %d, step %d, %.0f %% sure: one of the %d that matter of %d in doubt."
                  + " Y keeps it, Delete drops it",
              h.lane().words(),
              h.bar(),
              h.step(),
              100 * h.confidence(),
              first.size(),
              open.size());
      all.add(
          new Doubt(
              Topic.HITS,
              words,
              Optional.of(new Doubt.Spot(h.time(), Optional.of(h.lane()))),
              matters(h),
              false));
    }
  }

  /** Kick and snare carry a bar, and what is loud is missed. */
  private static double matters(Hit h) {
    double drum =
        h.lane() == Lane.KICK || h.lane() == Lane.SNARE || h.lane() == Lane.CLAP ? 0.8 : 0.4;
    return drum * h.velocity() / 127;
  }

  private static void notes(Analysis a, Places places, List<Doubt> all) {
    Key key = a.tonality().key().value();
    for (Chord c : a.tonality().chords()) {
      double seconds = c.end() - c.start();
      if (c.sounds() && c.confidence() < SURE / 2 && seconds > LEAST_CHORD_SECONDS) {
        all.add(
            Doubt.at(
                Topic.NOTES,
                c.start(),
                Math.min(0.5, 0.1 * seconds),
                "The chord in bar " + bar(places, c.start()) + " is in doubt: " + c.words(key)));
      }
    }
    unsure(a.tonality().bass(), "bass", 0.5, places, all);
    unsure(a.tonality().riff(), "riff", 0.3, places, all);
  }

  private static void unsure(
      List<Note> notes, String line, double weight, Places places, List<Doubt> all) {
    notes.stream()
        .filter(n -> n.confidence() < SURE)
        .sorted(Comparator.comparingDouble(n -> -(n.end() - n.start()) * (1 - n.confidence())))
        .limit(MOST_NOTES)
        .forEach(
            n ->
                all.add(
                    Doubt.at(
                        Topic.NOTES,
                        n.start(),
                        weight * (1 - n.confidence()),
                        String.format(
                            Locale.ROOT,
                            "The %s's %s in bar %d, %.0f %% sure",
                            line,
                            Key.note(n.pitch()),
                            bar(places, n.start()),
                            100 * n.confidence()))));
  }

  private static int bar(Places places, double time) {
    Place p = places.at(time + 0.01);
    return p.bar();
  }
}
