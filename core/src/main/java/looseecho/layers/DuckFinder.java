package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.notes.Note;
import looseecho.separate.SpectrumBands;

/**
 * Hears how far each kick or snare pushes held notes down, and how long until they are back: the
 * level of the notes' group, parted from the mix so that the drum does not fill the gap that it
 * makes, around the strokes that fall into a held note, averaged in decibels.
 */
final class DuckFinder {
  private static final double HOP = (double) SpectrumBands.HOP / SpectrumBands.RATE;
  private static final double BEFORE = 0.08; // seconds before the stroke
  private static final double AFTER = 0.5;
  private static final double NEAR = 0.06;
  private static final int FEWEST = 6; // kicks inside held notes
  private static final int MOST = 32;
  private static final double LEAST_DB = 2;
  private static final double MOST_DB = 24; // what falls further is no longer there
  private static final double BACK = 0.9; // of the way, in decibels

  private final float[] loudness;

  /** With a group's loudness in every frame of {@link SpectrumBands#HOP} samples. */
  DuckFinder(float[] loudness) {
    this.loudness = loudness.clone();
  }

  /**
   * By kicks or by snares, whichever pushes further; those that fall together count for neither.
   */
  Optional<HeardLayer.Duck> find(List<Note> notes, double[] kicks, double[] snares) {
    Optional<HeardLayer.Duck> kick = find("kick", notes, apart(kicks, snares));
    Optional<HeardLayer.Duck> snare = find("snare", notes, apart(snares, kicks));
    boolean further =
        snare.isPresent() && (kick.isEmpty() || snare.get().depthDb() > kick.get().depthDb() + 2);
    return further ? snare : kick;
  }

  private static double[] apart(double[] some, double[] others) {
    return Arrays.stream(some)
        .filter(t -> Arrays.stream(others).noneMatch(o -> Math.abs(o - t) < NEAR))
        .toArray();
  }

  /** Empty where nothing pushes the notes down, or it can't be told. */
  private Optional<HeardLayer.Duck> find(String by, List<Note> notes, double[] kicks) {
    int count = (int) ((BEFORE + AFTER) / HOP);
    List<double[]> curves = new ArrayList<>();
    List<HeardLayer.Span> held = joined(notes);
    for (double kick : kicks) {
      double next = nextOf(kicks, kick);
      for (HeardLayer.Span n : held) {
        boolean over = n.start() < kick - BEFORE && n.end() > kick + 0.2;
        if (over && curves.size() < MOST) {
          curves.add(curve(kick, Math.min(n.end(), next), count));
        }
      }
    }
    return curves.size() < FEWEST ? Optional.empty() : of(by, curves, count);
  }

  /** One pitch without a gap is one tone: what comes back from a dip looks like a new note. */
  private static List<HeardLayer.Span> joined(List<Note> notes) {
    List<HeardLayer.Span> out = new ArrayList<>();
    Map<Integer, HeardLayer.Span> open = new HashMap<>();
    for (Note n : notes.stream().sorted(Comparator.comparingDouble(Note::start)).toList()) {
      HeardLayer.Span before = open.get(n.pitch());
      boolean on = before != null && n.start() - before.end() < NEAR;
      open.put(n.pitch(), new HeardLayer.Span(on ? before.start() : n.start(), n.end()));
      if (before != null && !on) {
        out.add(before);
      }
    }
    out.addAll(open.values());
    out.sort(Comparator.comparingDouble(HeardLayer.Span::start));
    return out;
  }

  private static double nextOf(double[] kicks, double kick) {
    return Arrays.stream(kicks).filter(k -> k > kick + 0.05).min().orElse(Double.MAX_VALUE);
  }

  /** Decibels over time; not a number once the note or the gap between kicks is over. */
  private double[] curve(double kick, double end, int count) {
    double[] out = new double[count];
    for (int k = 0; k < count; k++) {
      double time = kick - BEFORE + k * HOP;
      out[k] = time > end ? Double.NaN : level(time);
    }
    double reference = out[0];
    for (int k = 0; k < count; k++) {
      out[k] -= reference;
    }
    return out;
  }

  private double level(double time) {
    int n = (int) Math.max(0, Math.min(loudness.length - 1, Math.round(time / HOP)));
    return 10 * Math.log10(loudness[n] + 1e-12);
  }

  private static Optional<HeardLayer.Duck> of(String by, List<double[]> curves, int count) {
    double[] middle = new double[count];
    int end = 0;
    for (int k = 0; k < count; k++) {
      int at = k;
      double[] values =
          curves.stream().mapToDouble(c -> c[at]).filter(v -> !Double.isNaN(v)).sorted().toArray();
      if (values.length < FEWEST / 2) {
        break;
      }
      middle[k] = values[values.length / 2];
      end = k + 1;
    }
    middle = smooth(middle, end);
    int kick = (int) (BEFORE / HOP);
    int low = kick;
    for (int k = kick; k < Math.min(end, kick + (int) (0.12 / HOP)); k++) {
      low = middle[k] < middle[low] ? k : low;
    }
    double depth = -middle[low];
    if (depth < LEAST_DB || depth > MOST_DB || low >= end - 1) {
      return Optional.empty();
    }
    int back = low;
    while (back < end && middle[back] < middle[low] + BACK * depth) {
      back++;
    }
    if (back == end) {
      return Optional.empty(); // what never comes back dies away
    }
    return Optional.of(new HeardLayer.Duck(by, depth, 1000 * Math.max(HOP, back * HOP - BEFORE)));
  }

  /** Means of three: a dip of one frame is the separator's. */
  private static double[] smooth(double[] x, int count) {
    double[] out = x.clone();
    for (int k = 1; k < count - 1; k++) {
      out[k] = (x[k - 1] + x[k] + x[k + 1]) / 3;
    }
    return out;
  }
}
