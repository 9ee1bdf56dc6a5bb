package looseecho.layers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import looseecho.form.LayerMark;
import looseecho.layers.HeardLayer.Image;
import looseecho.layers.HeardLayer.Span;

/** Brings the person's decisions to the layers that were heard. */
public final class LayerEdits {
  /** What a layer can belong to. */
  public static final List<String> FAMILIES =
      List.of(
          "kick",
          "snare",
          "clap",
          "hats",
          "toms",
          "cymbals",
          "percussion",
          "bass",
          "chords",
          "riff",
          "voice",
          "noise");

  /** What a layer can be there for. */
  public static final List<String> JOBS =
      List.of("body", "attack", "tail", "texture", "width", "sub", "air", "lead", "bed");

  private static final double SHORTEST = 0.05; // seconds of a stretch that is left

  private LayerEdits() {}

  /** The layers under all decisions; those about layers that are no longer heard are left out. */
  public static List<HeardLayer> apply(List<HeardLayer> heard, List<LayerMark> marks) {
    List<HeardLayer> out = new ArrayList<>(heard);
    for (LayerMark m : marks) {
      Optional<HeardLayer> layer = named(out, m.name());
      if (layer.isPresent()) {
        one(out, layer.get(), m);
      }
    }
    return List.copyOf(out);
  }

  /** The edge nearest to a time, or none where the layer never plays. */
  public static Optional<Double> edge(HeardLayer l, double time) {
    return l.active().stream()
        .flatMap(s -> Stream.of(s.start(), s.end()))
        .min(Comparator.comparingDouble(t -> Math.abs(t - time)));
  }

  private static void one(List<HeardLayer> all, HeardLayer l, LayerMark m) {
    int at = all.indexOf(l);
    switch (m.kind()) {
      case RENAME -> all.set(at, l.withName(free(all, l, m.to())));
      case FAMILY -> all.set(at, l.withFamily(m.to()));
      case JOB -> all.set(at, l.withJob(m.to()));
      case JOIN ->
          named(all, m.to())
              .filter(o -> !o.equals(l))
              .ifPresent(
                  o -> {
                    all.set(at, joined(l, o));
                    all.remove(o);
                  });
      case SPLIT -> {
        List<Span> before = within(l.active(), 0, m.at());
        List<Span> after = within(l.active(), m.at(), Double.MAX_VALUE);
        if (!before.isEmpty() && !after.isEmpty()) {
          all.set(at, l.withActive(before));
          all.add(at + 1, l.withName(free(all, l, l.name() + " 2")).withActive(after));
        }
      }
      case EDGE -> {
        List<Span> moved = moved(l, m);
        if (!moved.isEmpty()) {
          all.set(at, l.withActive(moved));
        }
      }
      default -> all.remove(at);
    }
  }

  private static Optional<HeardLayer> named(List<HeardLayer> all, String name) {
    return all.stream().filter(l -> l.name().equals(name)).findFirst();
  }

  /** A name that no other layer has: decisions go by names. */
  private static String free(List<HeardLayer> all, HeardLayer own, String wanted) {
    String name = wanted;
    for (int n = 2; named(all, name).filter(o -> !o.equals(own)).isPresent(); n++) {
      name = wanted + " " + n;
    }
    return name;
  }

  private static List<Span> within(List<Span> spans, double from, double to) {
    return spans.stream()
        .map(s -> new Span(Math.max(from, s.start()), Math.min(to, s.end())))
        .filter(s -> s.end() - s.start() > SHORTEST)
        .toList();
  }

  /** With the edge that is meant at its new place; stretches that then touch are one. */
  private static List<Span> moved(HeardLayer l, LayerMark m) {
    double edge = edge(l, m.from()).orElse(m.from());
    List<Span> spans = new ArrayList<>();
    for (Span s : l.active()) {
      double start = s.start() == edge ? m.at() : s.start();
      double end = s.end() == edge ? m.at() : s.end();
      if (end - start > SHORTEST) {
        spans.add(new Span(start, end));
      }
    }
    return union(spans);
  }

  private static List<Span> union(List<Span> spans) {
    List<Span> out = new ArrayList<>();
    for (Span s : spans.stream().sorted(Comparator.comparingDouble(Span::start)).toList()) {
      Span last = out.isEmpty() ? null : out.get(out.size() - 1);
      if (last != null && s.start() <= last.end()) {
        out.set(out.size() - 1, new Span(last.start(), Math.max(last.end(), s.end())));
      } else {
        out.add(s);
      }
    }
    return out;
  }

  /** One layer of two: their powers add up, over the time in which either sounds. */
  private static HeardLayer joined(HeardLayer a, HeardLayer b) {
    List<Span> active = union(Stream.concat(a.active().stream(), b.active().stream()).toList());
    double all = active.stream().mapToDouble(s -> s.end() - s.start()).sum();
    double first = energy(a) / all;
    double second = energy(b) / all;
    double share = second / (first + second);
    return new HeardLayer(
        a.name(),
        a.family(),
        active,
        10 * Math.log10(first + second),
        Math.min(a.lowHz(), b.lowHz()),
        Math.max(a.highHz(), b.highHz()),
        between(a.image(), b.image(), share),
        a.job(),
        Stream.concat(a.moves().stream(), b.moves().stream()).toList(),
        a.duck().or(b::duck),
        a.repeats().or(b::repeats),
        a.room().or(b::room));
  }

  private static double energy(HeardLayer l) {
    return Math.pow(10, l.levelDb() / 10) * l.seconds();
  }

  private static Image between(Image a, Image b, double share) {
    return new Image(
        a.pan() + share * (b.pan() - a.pan()),
        a.width() + share * (b.width() - a.width()),
        a.low() + share * (b.low() - a.low()),
        a.mid() + share * (b.mid() - a.mid()),
        a.high() + share * (b.high() - a.high()));
  }
}
