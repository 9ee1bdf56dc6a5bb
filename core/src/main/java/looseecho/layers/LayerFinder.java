package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.echo.HeardDrums;
import looseecho.hits.Hit;
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
  private static final int FEWEST = 4; // strokes or notes of a layer
  private static final double LAST = 0.2; // seconds that the last stroke counts for

  private final Audio audio;
  private final Played played;
  private final double bar;
  private final StemMeter meter;
  private final LevelCourse whole;
  private final MoveFinder moves;
  private final RepeatFinder repeats;
  private final StrokeMeter strokes;
  private final DuckFinder ducks;
  private final RoomMeter rooms;

  /** Parts the sound, which takes a while. */
  public LayerFinder(Audio audio, Analysis a, Progress progress) {
    this(audio, StemPowers.of(audio, a.hits(), progress), Played.of(a));
  }

  /** The same for sound that has been parted before. */
  public LayerFinder(Audio audio, StemPowers parted, Played played) {
    this.audio = audio;
    this.played = played;
    this.bar = played.bar();
    this.repeats = new RepeatFinder(audio, played.beat());
    this.meter = new StemMeter(parted);
    this.whole = meter.course(Stem.values());
    this.strokes = new StrokeMeter(audio, meter, played.hits());
    this.rooms = new RoomMeter(audio, played.hits());
    this.ducks = new DuckFinder(audio, meter, played, barLine());
    this.moves = new MoveFinder(meter, bar, played.events());
  }

  /** All layers in the order of the families, drums first. */
  public List<HeardLayer> find() {
    HeardDrums drums = HeardDrums.of(played.hits());
    List<Supplier<Stream<HeardLayer>>> all = new ArrayList<>();
    drums
        .hits()
        .forEach(
            (part, hits) -> {
              String name = drums.names().getOrDefault(part, part.words());
              new HatSides(meter)
                  .part(name, part.lane(), hits)
                  .forEach((own, struck) -> all.add(() -> drum(own, part.lane(), struck).stream()));
            });
    all.add(this::joined);
    all.add(() -> line("bass", Stem.BASS, played.bass()));
    all.add(() -> line("chords", Stem.CHORDS, played.chords()));
    all.add(() -> line("riff", Stem.RIFF, played.riff()));
    all.add(this::noises);
    return Together.map(all, s -> s.get().toList()).stream()
        .flatMap(List::stream)
        .sorted(Comparator.comparingInt(l -> LayerEdits.FAMILIES.indexOf(l.family())))
        .toList();
  }

  private Optional<HeardLayer> drum(String name, Lane lane, List<Hit> hits) {
    if (hits.size() < (lane.base() == Lane.CYMBAL ? 1 : FEWEST)) {
      return Optional.empty();
    }
    List<Span> active = struck(hits);
    return active.isEmpty()
        ? Optional.empty()
        : Optional.of(drum(name, lane, hits, strokes.measure(lane, hits, active)));
  }

  private HeardLayer drum(String name, Lane lane, List<Hit> hits, Measures own) {
    List<Span> active = struck(hits);
    return layer(
            name,
            lane.family(),
            active,
            own,
            Jobs.of(lane, hits, played.hits()),
            moves.ofAll(active, own.powers().image().width()),
            Optional.empty(),
            Optional.empty())
        .withRoom(rooms.find(lane, hits));
  }

  /** A clap that is told by the snare that it joins, where none is told by itself. */
  private Stream<HeardLayer> joined() {
    Map<Lane, List<Hit>> own =
        played.hits().stream().collect(Collectors.groupingBy(h -> h.lane().base()));
    return own.containsKey(Lane.CLAP)
        ? Stream.empty()
        : new JoinedStrokes(audio)
            .find(own.getOrDefault(Lane.SNARE, List.of())).stream()
                .map(
                    j -> {
                      List<Span> active = struck(j.hits());
                      return drum(
                          "clap", Lane.CLAP, j.hits(), j.measures(audio.duration(), active));
                    });
  }

  private List<Span> struck(List<Hit> hits) {
    return spans(hits.stream().map(h -> new Span(h.time(), h.time() + last(h))).toList());
  }

  private Stream<HeardLayer> noises() {
    NoiseFinder.Found found =
        new NoiseFinder(audio, played.events()).find(ducks.kick(), ducks.snare());
    Optional<HeardLayer.Move> none = Optional.empty();
    return Stream.of(
            noise("noise bed", "noise", found.bed(), "bed", found.swell(), found.duck()),
            noise("rise", "noise", found.rises(), "texture", none, Optional.empty()),
            noise("reversed cymbal", "cymbals", found.turned(), "tail", none, Optional.empty()))
        .flatMap(Optional::stream);
  }

  private Optional<HeardLayer> noise(
      String name,
      String family,
      NoiseFinder.Noise heard,
      String job,
      Optional<HeardLayer.Move> swell,
      Optional<HeardLayer.Duck> duck) {
    double width = heard.powers().image().width();
    List<Span> active = spans(heard.active());
    return active.isEmpty()
        ? Optional.empty()
        : Optional.of(
            layer(
                name,
                family,
                active,
                new Measures(heard.powers(), heard.powers().loudness()),
                job,
                Stream.concat(moves.ofAll(active, width).stream(), swell.stream()).toList(),
                duck,
                Optional.empty()));
  }

  private static double last(Hit h) {
    return Math.max(LAST, Math.min(1.5, h.lengthMs() / 1000));
  }

  private Stream<HeardLayer> line(String family, Stem stem, List<Note> all) {
    if (all.size() < FEWEST) {
      return Stream.empty();
    }
    List<Span> sounding =
        all.stream()
            .map(n -> new Span(n.start(), n.end()))
            .sorted(Comparator.comparingDouble(Span::start))
            .toList();
    List<Span> noted = spans(sounding);
    List<Span> clear = meter.heard(stem, bar, noted, StemMeter.SILENT);
    List<Span> active = stem == Stem.RIFF ? meter.heard(stem, bar, noted, StemMeter.FAINT) : clear;
    if (active.isEmpty()) {
      return Stream.empty();
    }
    if (stem == Stem.CHORDS) {
      List<WidthSplit.Layer> two = new WidthSplit(meter, stem, barLine(), bar, active).find();
      if (!two.isEmpty()) {
        return Stream.of(
            line(family, family, stem, within(all, two.get(0)), two.get(0)),
            line("wide " + family, family, stem, within(all, two.get(1)), two.get(1)));
      }
    }
    List<Span> measured = clear.isEmpty() ? active : clear;
    return Stream.of(line(family, family, stem, all, new WidthSplit.Layer(active, measured)));
  }

  private static List<Note> within(List<Note> all, WidthSplit.Layer own) {
    return all.stream()
        .filter(n -> own.alone().stream().anyMatch(s -> s.has((n.start() + n.end()) / 2)))
        .toList();
  }

  /** Seconds of a bar line. */
  private double barLine() {
    return Stream.concat(
            played.hits().stream().filter(h -> h.tick() == 0).map(Hit::time),
            played.chords().stream().map(Note::start))
        .findFirst()
        .orElse(0.0);
  }

  /** One that is measured while it plays alone. */
  private HeardLayer line(
      String name, String family, Stem stem, List<Note> all, WidthSplit.Layer own) {
    List<Span> sounding = all.stream().map(n -> new Span(n.start(), n.end())).toList();
    boolean[] plays = slots(sounding);
    BandPowers powers = meter.over(stem, n -> plays[n]);
    double mean = meter.course(stem).gated(own.alone());
    Optional<HeardLayer.Duck> duck = ducks.find(stem, all, own.active(), powers.image().mid());
    boolean struck = duck.isEmpty() && meter.diesAway(stem, own.alone());
    return layer(
        name,
        family,
        own.active(),
        new Measures(powers, mean),
        Jobs.of(family, powers, struck),
        moves.find(stem, own.alone(), moves.ofAll(own.active(), powers.image().width())),
        duck,
        stem == Stem.BASS ? Optional.empty() : repeats.find(all));
  }

  /** True for the slots in which one of the stretches lies. */
  private boolean[] slots(List<Span> spans) {
    boolean[] out = new boolean[meter.slots()];
    for (Span s : spans) {
      Arrays.fill(out, meter.slot(s.start()), meter.slot(s.end()) + 1, true);
    }
    return out;
  }

  /**
   * Where a layer stands, and its mean loudness while it plays.
   *
   * @param powers of it, in any measure
   * @param mean K-weighted power while it plays, gated as BS.1770-4 says
   */
  record Measures(BandPowers powers, double mean) {}

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
    double level = 10 * Math.log10((measures.mean() + 1e-15) / (whole.gated(active) + 1e-15));
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
        repeated,
        Optional.empty());
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
