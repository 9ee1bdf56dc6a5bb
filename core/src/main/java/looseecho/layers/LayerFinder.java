package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.echo.HeardDrums;
import looseecho.hits.Hit;
import looseecho.hits.TwoMeans;
import looseecho.layers.HeardLayer.Span;
import looseecho.notes.Note;
import looseecho.reading.Progress;
import looseecho.reading.Together;
import looseecho.separate.Stem;
import looseecho.separate.StemPowers;

/**
 * Measures the layers of a reference: those that were heard as drums and as notes, at their own
 * strokes and partials. What never plays by itself is measured with what plays beside it, so levels
 * and widths are estimates.
 */
public final class LayerFinder {
  private static final int MOST_LOOKS = 60; // strokes or notes that are looked at
  private static final int FEWEST = 4; // strokes or notes of a layer
  private static final int ALONE = 6; // strokes that play by themselves, to do without the others
  private static final int FEWEST_ON_A_SIDE = 8;
  private static final double SIDES_APART = 0.5; // of places, -1 to 1
  private static final double SEPARATION = 9; // of the two groups, as TwoMeans has it
  private static final double NEAR = 0.05;
  private static final double STROKE_SECONDS = 0.046;
  private static final double DECAY = 4.6; // of 20 dB in time constants of power
  private static final double FOUND = 0.25; // of a layer's power in its group
  private static final double LAST = 0.2; // seconds that the last stroke counts for
  private static final double SHORTEST = 0.03;
  private static final double LONGEST = 0.4;

  private final Audio audio;
  private final Played played;
  private final double bar;
  private final StemMeter meter;
  private final MoveFinder moves;
  private final RepeatFinder repeats;

  /** Parts the sound, which takes a while. */
  public LayerFinder(Audio audio, Analysis a, Progress progress) {
    this(audio, Played.of(a), progress);
  }

  /** The same for what is known to play. */
  public LayerFinder(Audio audio, Played played, Progress progress) {
    this.audio = audio;
    this.played = played;
    this.bar = played.bar();
    this.repeats = new RepeatFinder(audio, played.beat());
    this.meter = new StemMeter(StemPowers.of(audio, progress));
    this.moves = new MoveFinder(meter, bar, played.events());
  }

  /** All layers, drums first. */
  public List<HeardLayer> find() {
    HeardDrums drums = HeardDrums.of(played.hits());
    List<Supplier<Optional<HeardLayer>>> all = new ArrayList<>();
    drums
        .hits()
        .forEach(
            (part, hits) -> {
              String name = drums.names().getOrDefault(part, part.words());
              sides(name, part.lane(), hits)
                  .forEach((own, struck) -> all.add(() -> drum(own, part.lane(), struck)));
            });
    all.add(() -> line("bass", Stem.BASS, played.bass()));
    all.add(() -> line("chords", Stem.CHORDS, played.chords()));
    all.add(() -> line("riff", Stem.RIFF, played.riff()));
    return Together.map(all, Supplier::get).stream().flatMap(Optional::stream).toList();
  }

  /** Hats that stand on two sides are two layers, each with its own strokes. */
  private Map<String, List<Hit>> sides(String name, Lane lane, List<Hit> hits) {
    boolean hats = lane.base() == Lane.HAT_CLOSED || lane.base() == Lane.HAT_OPEN;
    boolean parted = name.endsWith(" left") || name.endsWith(" right");
    if (!hats || parted || hits.size() < 2 * FEWEST_ON_A_SIDE) {
      return Map.of(name, hits);
    }
    TwoMeans two =
        TwoMeans.of(hits.stream().mapToDouble(h -> meter.pan(Stem.HATS, h.time())).toArray());
    double first = two.centre(0)[0];
    double second = two.centre(1)[0];
    boolean often = two.fewer() >= Math.max(FEWEST_ON_A_SIDE, 0.2 * hits.size());
    if (!often || Math.abs(first - second) < SIDES_APART || two.separation() < SEPARATION) {
      return Map.of(name, hits);
    }
    Map<String, List<Hit>> out = new TreeMap<>();
    for (int k = 0; k < hits.size(); k++) {
      boolean left = two.groups()[k] == (first < second ? 0 : 1);
      out.computeIfAbsent(name + (left ? " left" : " right"), n -> new ArrayList<>())
          .add(hits.get(k));
    }
    return out;
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
    Stem stem = Stem.of(lane);
    double[] struck = struck(stem);
    List<Hit> alone = hits.stream().filter(h -> isAlone(h, stem)).toList();
    List<Hit> looked = alone.size() >= ALONE ? alone : hits;
    BandPowers apart = new BandPowers();
    BandPowers mixed = new BandPowers();
    SoundProbe probe = new SoundProbe(audio, STROKE_SECONDS);
    int step = Math.max(1, looked.size() / MOST_LOOKS);
    for (int k = 0; k < looked.size(); k += step) {
      Hit h = looked.get(k);
      double next = Arrays.stream(struck).filter(t -> t > h.time() + NEAR).findFirst().orElse(1e9);
      double end = h.time() + Math.max(SHORTEST, Math.min(LONGEST, h.lengthMs() / 1000));
      meter.stroke(stem, h.time(), Math.min(end, next - NEAR), apart);
      probe.stroke(h.time(), lowest(lane), highest(lane), mixed);
    }
    double sounding =
        hits.stream()
            .mapToDouble(h -> Math.max(SHORTEST, Math.min(LONGEST, h.lengthMs() / 1000 / DECAY)))
            .sum();
    // How loud strokes are is told better by the mix, where they stand by what was parted from it,
    // unless the separator took most of them for something else.
    double mean = mixed.loudness() * sounding / seconds(active);
    boolean found = apart.loudness() * hits.size() / seconds(active) > FOUND * mean;
    return Optional.of(
        layer(
            name,
            lane.family(),
            active,
            new Measures(found ? apart : mixed, mean),
            Jobs.of(lane, played.hits()),
            moves.ofAll(active),
            Optional.empty(),
            Optional.empty()));
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

  /** Times of all strokes of a group, in order. */
  private double[] struck(Stem stem) {
    return played.hits().stream()
        .filter(h -> Stem.of(h.lane()) == stem)
        .mapToDouble(Hit::time)
        .sorted()
        .toArray();
  }

  private static double last(Hit h) {
    return Math.max(LAST, Math.min(1.5, h.lengthMs() / 1000));
  }

  private boolean isAlone(Hit h, Stem stem) {
    return played.hits().stream()
        .noneMatch(
            o ->
                o.lane() != h.lane()
                    && Stem.of(o.lane()) == stem
                    && Math.abs(o.time() - h.time()) < NEAR);
  }

  private Optional<HeardLayer> line(String family, Stem stem, List<Note> all) {
    if (all.size() < FEWEST) {
      return Optional.empty();
    }
    List<Span> sounding =
        all.stream()
            .map(n -> new Span(n.start(), n.end()))
            .sorted(Comparator.comparingDouble(Span::start))
            .toList();
    List<Span> active = meter.heard(stem, bar, spans(sounding));
    if (active.isEmpty()) {
      return Optional.empty();
    }
    boolean[] plays = slots(sounding);
    BandPowers powers = meter.over(stem, n -> plays[n]);
    boolean[] on = slots(active);
    double mean = meter.over(stem, n -> on[n]).loudness();
    double held = sounding.stream().mapToDouble(n -> n.end() - n.start()).sum() / sounding.size();
    String job = Jobs.of(family, powers, held / bar);
    Optional<HeardLayer.Duck> duck =
        new DuckFinder(meter.loudness(stem)).find(all, struck(Stem.KICK), struck(Stem.SNARE));
    return Optional.of(
        layer(
            family,
            family,
            active,
            new Measures(powers, mean),
            job,
            moves.find(stem, active),
            duck,
            stem == Stem.BASS ? Optional.empty() : repeats.find(all)));
  }

  /** True for the slots in which one of the stretches lies. */
  private boolean[] slots(List<Span> spans) {
    boolean[] out = new boolean[meter.slots()];
    for (Span s : spans) {
      Arrays.fill(out, meter.slot(s.start()), meter.slot(s.end()) + 1, true);
    }
    return out;
  }

  private static double seconds(List<Span> spans) {
    return Math.max(0.1, spans.stream().mapToDouble(s -> s.end() - s.start()).sum());
  }

  /** Where a layer stands, and its mean loudness. */
  private record Measures(BandPowers powers, double mean) {}

  private HeardLayer layer(
      String name,
      String family,
      List<Span> active,
      Measures measures,
      String job,
      List<HeardLayer.Move> moves,
      Optional<HeardLayer.Duck> duck,
      Optional<HeardLayer.Repeats> repeated) {
    BandPowers powers = measures.powers();
    boolean[] on = slots(active);
    double level = 10 * Math.log10((measures.mean() + 1e-15) / (meter.whole(n -> on[n]) + 1e-15));
    double[] edges = powers.edges();
    double inside = Math.max(-40, Math.min(0, level));
    return new HeardLayer(
        name,
        family,
        active,
        inside,
        edges[0],
        edges[1],
        powers.image(),
        job,
        moves,
        duck,
        repeated);
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
