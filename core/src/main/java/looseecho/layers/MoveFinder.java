package looseecho.layers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.dsp.LineFit;
import looseecho.dsp.ThirdOctaves;
import looseecho.form.Event;
import looseecho.separate.Stem;

/**
 * Finds what moves while a layer plays: its level, the upper edge of its band, its width, in a
 * straight line over four bars and more of its group; and what moves all that plays. Least squares
 * with the coefficient of determination, by half bars.
 */
final class MoveFinder {
  private static final int PER_BAR = 2;
  private static final int LEAST_BARS = 4;
  private static final int MOST_BARS = 16;
  private static final double STRAIGHT = 0.8; // least r squared
  private static final double LEVEL_DB = 8;
  private static final double OCTAVES = 1.2;
  private static final double BASS_OCTAVES = 2; // its notes alone move its edge by more than one
  private static final double WIDE = 0.1; // least width that can be drawn in
  private static final double WIDTH = 0.25;
  private static final double INSIDE = 0.75; // of a move of all, that a layer plays through
  private static final double EDGE_DB = 14; // below the strongest third octave

  private final StemMeter meter;
  private final double bar;
  private final List<Event> events;

  MoveFinder(StemMeter meter, double bar, List<Event> events) {
    this.meter = meter;
    this.bar = bar;
    this.events = events;
  }

  /**
   * Of a layer of its own in a group.
   *
   * @param alone when nothing else of the group plays
   * @param ofAll what moves it with all others
   */
  List<HeardLayer.Move> find(Stem stem, List<HeardLayer.Span> alone, List<HeardLayer.Move> ofAll) {
    List<HeardLayer.Move> out = new ArrayList<>(ofAll);
    for (HeardLayer.Span s : alone) {
      int n = (int) Math.floor((s.end() - s.start()) / bar * PER_BAR);
      if (n < LEAST_BARS * PER_BAR) {
        continue;
      }
      double[] level = new double[n];
      double[] edge = new double[n];
      double[] width = new double[n];
      for (int k = 0; k < n; k++) {
        int a = meter.slot(s.start() + k * bar / PER_BAR);
        int b = Math.max(a + 1, meter.slot(s.start() + (k + 1) * bar / PER_BAR));
        BandPowers p = meter.over(stem, a, b);
        level[k] = 10 * Math.log10(p.loudness() + 1e-12);
        edge[k] = Math.log(p.upper(EDGE_DB)) / Math.log(2);
        width[k] = p.image().width();
      }
      add(HeardLayer.Move.LOW_PASS, s, edge, stem == Stem.BASS ? BASS_OCTAVES : OCTAVES, out);
      add(HeardLayer.Move.LEVEL, s, level, LEVEL_DB, out);
      add(HeardLayer.Move.WIDTH, s, width, WIDTH, out);
    }
    return out;
  }

  /**
   * What moves the whole mix moves each layer that plays on.
   *
   * @param ownWidth share of the sides; a narrow one is not drawn in
   */
  List<HeardLayer.Move> ofAll(List<HeardLayer.Span> active, double ownWidth) {
    List<HeardLayer.Move> out = new ArrayList<>();
    for (Event e : events) {
      double inside =
          active.stream()
              .mapToDouble(s -> Math.min(s.end(), e.end()) - Math.max(s.start(), e.start()))
              .filter(v -> v > 0)
              .sum();
      String what =
          switch (e.kind()) {
            case LOW_CUT -> e.to() > 0 ? HeardLayer.Move.HIGH_PASS : "";
            case NARROWING -> ownWidth < WIDE ? "" : HeardLayer.Move.WIDTH;
            case DIP -> HeardLayer.Move.LEVEL;
            default -> "";
          };
      if (!what.isEmpty() && inside >= INSIDE * (e.end() - e.start())) {
        out.add(new HeardLayer.Move(what, e.from(), e.to(), e.start(), e.end()));
      }
    }
    return out;
  }

  /** A line through some of the values. */
  private record Line(int from, int to, LineFit through) {
    double change() {
      return Math.abs(through.change());
    }

    double fit() {
      return through.fit();
    }
  }

  private void add(
      String what, HeardLayer.Span s, double[] y, double least, List<HeardLayer.Move> out) {
    List<Line> lines = new ArrayList<>();
    for (int a = 0; a < y.length; a++) {
      int most = Math.min(y.length, a + MOST_BARS * PER_BAR);
      for (int b = a + LEAST_BARS * PER_BAR; b <= most; b++) {
        Line line = new Line(a, b, LineFit.of(y, a, b));
        if (line.change() >= least && line.fit() >= STRAIGHT) {
          lines.add(line);
        }
      }
    }
    lines.sort(
        Comparator.comparingDouble(l -> -l.change() * Math.pow(l.fit(), 6))); // straight before far
    List<Line> taken = new ArrayList<>();
    for (Line l : lines) {
      if (taken.stream().noneMatch(t -> t.from() < l.to() && l.from() < t.to())) {
        taken.add(l);
        double start = s.start() + l.from() * bar / PER_BAR;
        double end = s.start() + l.to() * bar / PER_BAR;
        if (out.stream().noneMatch(m -> hides(m, what) && overlap(m, start, end))) {
          out.add(move(what, l, start, end));
        }
      }
    }
  }

  /** What opens gets louder too. */
  private static boolean hides(HeardLayer.Move m, String what) {
    boolean louder = what.equals(HeardLayer.Move.LEVEL);
    return m.what().equals(what) || louder && m.what().equals(HeardLayer.Move.LOW_PASS);
  }

  private static boolean overlap(HeardLayer.Move m, double start, double end) {
    return m.start() < end && start < m.end();
  }

  private static HeardLayer.Move move(String what, Line l, double start, double end) {
    return switch (what) {
      case HeardLayer.Move.LOW_PASS ->
          new HeardLayer.Move(
              what, hertz(l.through().first()), hertz(l.through().last()), start, end);
      case HeardLayer.Move.LEVEL -> {
        double top = Math.max(l.through().first(), l.through().last());
        yield new HeardLayer.Move(
            what, l.through().first() - top, l.through().last() - top, start, end);
      }
      default ->
          new HeardLayer.Move(
              what,
              Math.max(0, l.through().first()),
              Math.min(1, Math.max(0, l.through().last())),
              start,
              end);
    };
  }

  private static double hertz(double octaves) {
    double hz = Math.pow(2, octaves);
    return Math.max(ThirdOctaves.centre(0), Math.min(20_000, hz));
  }
}
