package looseecho.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import looseecho.compare.Finding.Kind;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.layers.HeardLayer;

/**
 * Holds the layers of two mixes against each other: how loud, how wide, how far ducked. Where the
 * echo's own sound of a line is known, its level is told only as far as that bears out what was
 * parted from the mixes: a long kick passes for a bass there.
 */
final class LayerCompare {
  private static final double STEP_DB = 1;
  private static final double STEP_WIDTH = 0.05;
  private static final double STEP_DUCK = 2;
  private static final double LEAST = 0.15; // steps that are rounding
  private static final double LEAST_LEVEL = 0.7; // to which what is parted is known
  private static final double FULL = 0.5; // share of the sides of what is as wide as can be

  private final Side side;
  private final Template echo;

  LayerCompare(Side echo) {
    this.side = echo;
    this.echo = echo.template();
  }

  /** Layers of one name; what only one side has is told by its strokes. */
  List<Finding> find(List<HeardLayer> reference, List<HeardLayer> own) {
    List<Finding> out = new ArrayList<>();
    for (HeardLayer want : reference) {
      own.stream()
          .filter(l -> l.name().equals(want.name()))
          .findFirst()
          .ifPresent(have -> pair(want, have, out));
    }
    return out;
  }

  private void pair(HeardLayer want, HeardLayer have, List<Finding> out) {
    Optional<Part> part = Part.of(echo).stream().filter(p -> called(p, want.name())).findFirst();
    String name = part.map(echo::name).orElse(want.name());
    double parted = have.levelDb() - want.levelDb();
    double db = bornOut(parted, side.levelDb(have).orElse(have.levelDb()) - want.levelDb());
    String louder =
        String.format(
            Locale.ROOT,
            "The %s %.1f dB too %s against the rest.",
            is(name),
            Math.abs(db),
            db > 0 ? "loud" : "soft");
    out.add(
        finding(
            Kind.LEVEL,
            name,
            Math.abs(db) / STEP_DB,
            louder,
            part.map(p -> new Mend(Mend.What.LEVEL, p, -db))));
    double wide = have.image().width() - want.image().width();
    String width =
        String.format(
            Locale.ROOT,
            "The %s %s: %.0f %% wide, %.0f %% in the track.",
            is(name),
            wide > 0 ? "wider" : "narrower",
            percent(have),
            percent(want));
    out.add(
        finding(
            Kind.WIDTH,
            name,
            Math.abs(wide) / STEP_WIDTH,
            width,
            part.map(p -> new Mend(Mend.What.WIDTH, p, percent(want) / 100))));
    if (have.duck().isPresent() && want.duck().isPresent()) { // what is not told may be hidden
      out.add(ducking(name, have.duck().get().depthDb(), want.duck().get().depthDb()));
    }
  }

  private static Finding ducking(String name, double have, double want) {
    String words =
        String.format(
            Locale.ROOT, "The %s ducked %.0f dB, %.0f dB in the track.", is(name), have, want);
    return finding(Kind.DUCKING, name, Math.abs(have - want) / STEP_DUCK, words, Optional.empty());
  }

  /** The smaller of two differences; none where they contradict each other. */
  static double bornOut(double a, double b) {
    return a * b <= 0 ? 0 : Math.abs(a) < Math.abs(b) ? a : b;
  }

  private boolean called(Part p, String name) {
    return echo.name(p).equals(name) || p.words().equals(name) && !echo.names().containsKey(p);
  }

  private static String is(String name) {
    return name + (name.matches(".*[^s]s") ? " are" : " is");
  }

  private static double percent(HeardLayer l) {
    return 100 * Math.min(1, l.image().width() / FULL);
  }

  private static Finding finding(
      Kind kind, String name, double steps, String words, Optional<Mend> mend) {
    double noticed = steps < (kind == Kind.LEVEL ? LEAST_LEVEL : LEAST) ? 0 : steps;
    return new Finding(
        kind, name, noticed, words, OptionalDouble.empty(), noticed == 0 ? Optional.empty() : mend);
  }
}
