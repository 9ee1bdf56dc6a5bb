package looseecho.layers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.echo.HeardDrums;
import looseecho.hits.Hit;
import looseecho.layers.HeardLayer.Span;
import looseecho.notes.Note;
import looseecho.pulse.Pulse;

/**
 * Measures the layers of a reference: those that were heard as drums and as notes, at their own
 * strokes and partials. What never plays by itself is measured with what plays beside it, so levels
 * and widths are estimates.
 */
public final class LayerFinder {
  private static final double STROKE_SECONDS = 0.046;
  private static final double NOTE_SECONDS = 0.12;
  private static final double MIX_SECONDS = 0.2;
  private static final double MIX_STEP = 0.5;
  private static final int MOST_LOOKS = 60; // strokes or notes that are looked at
  private static final int FEWEST = 4; // strokes or notes of a layer
  private static final int ALONE = 6; // strokes that play by themselves, to do without the others
  private static final double NEAR = 0.05;
  private static final double LAST = 0.2; // seconds that the last stroke counts for
  private static final double DECAY = 4.6; // of 20 dB in time constants of power
  private static final double SHORTEST = 0.03;
  private static final double LONGEST = 0.4;

  private final Audio audio;
  private final Analysis a;
  private final double bar;
  private final double[] mix; // loudness of the whole, every MIX_SECONDS

  public LayerFinder(Audio audio, Analysis a) {
    this.audio = audio;
    this.a = a;
    Pulse p = a.pulse().orElse(null);
    this.bar = p == null ? 2 : 60 / p.tempo().value() * p.beatsPerBar();
    this.mix = mix(audio);
  }

  private static double[] mix(Audio audio) {
    double[] out = new double[(int) Math.ceil(audio.duration() / MIX_STEP) + 1];
    IntStream.range(0, 4)
        .parallel()
        .forEach(
            part -> {
              SoundProbe probe = new SoundProbe(audio, MIX_SECONDS);
              for (int k = part; k < out.length; k += 4) {
                BandPowers powers = new BandPowers();
                probe.all(k * MIX_STEP, powers);
                out[k] = powers.loudness();
              }
            });
    return out;
  }

  /** All layers, drums first. */
  public List<HeardLayer> find() {
    HeardDrums drums = HeardDrums.of(a.hits());
    List<Supplier<Optional<HeardLayer>>> all = new ArrayList<>();
    drums
        .hits()
        .forEach(
            (part, hits) -> {
              String name = drums.names().getOrDefault(part, part.words());
              all.add(() -> drum(name, part.lane(), hits));
            });
    all.add(() -> line("bass", a.tonality().bass(), 24));
    all.add(() -> line("chords", a.tonality().voiced(), 16));
    all.add(() -> line("riff", a.tonality().riff(), 16));
    return all.parallelStream().map(Supplier::get).flatMap(Optional::stream).toList();
  }

  private Optional<HeardLayer> drum(String name, Lane lane, List<Hit> hits) {
    if (hits.size() < (lane.base() == Lane.CYMBAL ? 1 : FEWEST)) {
      return Optional.empty();
    }
    List<Span> active =
        spans(hits.stream().map(h -> new Span(h.time(), h.time() + last(h))).toList());
    if (active.isEmpty()) {
      return Optional.empty();
    }
    List<Hit> alone = hits.stream().filter(this::isAlone).toList();
    List<Hit> looked = alone.size() >= ALONE ? alone : hits;
    BandPowers powers = new BandPowers();
    SoundProbe strokes = new SoundProbe(audio, STROKE_SECONDS);
    int step = Math.max(1, looked.size() / MOST_LOOKS);
    for (int k = 0; k < looked.size(); k += step) {
      strokes.stroke(looked.get(k).time(), lowest(lane), highest(lane), powers);
    }
    double sounding =
        hits.stream()
            .mapToDouble(h -> Math.max(SHORTEST, Math.min(LONGEST, h.lengthMs() / 1000 / DECAY)))
            .sum();
    return Optional.of(
        layer(name, lane.family(), active, powers, sounding, job(lane), Optional.empty()));
  }

  /** Where a lane has something to say: below lies what others play. */
  private static double lowest(Lane lane) {
    return switch (lane.base()) {
      case KICK -> 30;
      case SNARE -> 100;
      case CLAP -> 400;
      case HAT_CLOSED, HAT_OPEN -> 3000;
      case TOM -> 60;
      case CYMBAL -> 2000;
      default -> 180;
    };
  }

  private static double highest(Lane lane) {
    return lane == Lane.KICK || lane.base() == Lane.TOM ? 5000 : 20_000;
  }

  private static double last(Hit h) {
    return Math.max(LAST, Math.min(1.5, h.lengthMs() / 1000));
  }

  private boolean isAlone(Hit h) {
    return a.hits().stream()
        .noneMatch(o -> o.lane() != h.lane() && Math.abs(o.time() - h.time()) < NEAR);
  }

  private static String job(Lane lane) {
    return switch (lane.base()) {
      case KICK, SNARE, CLAP, TOM -> "body";
      case HAT_CLOSED, HAT_OPEN -> "air";
      case CYMBAL -> "tail";
      default -> "texture";
    };
  }

  private Optional<HeardLayer> line(String family, List<Note> all, int partials) {
    if (all.size() < FEWEST) {
      return Optional.empty();
    }
    List<Span> active =
        spans(
            all.stream()
                .map(n -> new Span(n.start(), n.end()))
                .sorted(Comparator.comparingDouble(Span::start))
                .toList());
    BandPowers powers = new BandPowers();
    SoundProbe notes = new SoundProbe(audio, NOTE_SECONDS);
    int step = Math.max(1, all.size() / MOST_LOOKS);
    double tuning = Math.pow(2, a.tonality().tuningCents() / 1200);
    for (int k = 0; k < all.size(); k += step) {
      Note n = all.get(k);
      double hz = 440 * tuning * Math.pow(2, (n.pitch() - 69) / 12.0);
      double middle = Math.max(n.start(), (n.start() + n.end() - NOTE_SECONDS) / 2);
      notes.partials(middle, hz, partials, powers);
    }
    double sounding = all.stream().mapToDouble(n -> n.end() - n.start()).sum();
    String job = family.equals("riff") ? "lead" : family.equals("chords") ? "bed" : "body";
    double[] kicks =
        a.hits().stream().filter(h -> h.lane() == Lane.KICK).mapToDouble(Hit::time).toArray();
    Optional<HeardLayer.Duck> duck =
        new DuckFinder(audio, a.tonality().tuningCents()).find(all, kicks);
    return Optional.of(layer(family, family, active, powers, sounding, job, duck));
  }

  private HeardLayer layer(
      String name,
      String family,
      List<Span> active,
      BandPowers powers,
      double sounding,
      String job,
      Optional<HeardLayer.Duck> duck) {
    double whole = 0;
    int looks = 0;
    double seconds = 0;
    for (Span s : active) {
      seconds += s.end() - s.start();
      for (int k = (int) (s.start() / MIX_STEP); k < mix.length && k * MIX_STEP < s.end(); k++) {
        whole += mix[k];
        looks++;
      }
    }
    double mean = powers.loudness() * sounding / Math.max(0.1, seconds);
    double level = 10 * Math.log10((mean + 1e-15) / (whole / Math.max(1, looks) + 1e-15));
    double[] edges = powers.edges();
    double inside = Math.max(-40, Math.min(0, level));
    return new HeardLayer(
        name, family, active, inside, edges[0], edges[1], powers.image(), job, duck);
  }

  /** Joined where less than a bar lies between; in order. */
  private List<Span> spans(List<Span> all) {
    List<Span> out = new ArrayList<>();
    for (Span s : all) {
      Span before = out.isEmpty() ? null : out.get(out.size() - 1);
      if (before != null && s.start() - before.end() < bar) {
        double end = Math.max(before.end(), s.end());
        out.set(out.size() - 1, new Span(before.start(), Math.min(audio.duration(), end)));
      } else {
        out.add(s);
      }
    }
    return out;
  }
}
