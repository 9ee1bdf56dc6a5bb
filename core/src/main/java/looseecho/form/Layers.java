package looseecho.form;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.dsp.Chroma;
import looseecho.hits.Hit;
import looseecho.notes.Note;

/** Which layers play in which bar. Package-private work object. */
record Layers(Map<String, boolean[]> playing) {
  private static final double BASS_SHARE = 0.12; // of the bar's time
  private static final double TONES_SHARE = 0.35; // of what the loud bars have
  private static final double THERE = 0.5; // of the bars looked at
  private static final double GONE = 0.26;
  private static final int LOOK = 4; // bars to each side of an edge

  static Layers of(BarFeatures bars, List<Hit> hits, List<Note> bass, Chroma chroma) {
    int n = bars.starts().length;
    Map<String, boolean[]> out = new LinkedHashMap<>();
    for (Lane lane : Lane.values()) {
      boolean[] plays = new boolean[n];
      for (Hit h : hits) {
        int b = bars.at(h.time());
        if (h.lane() == lane && b >= 0) {
          plays[b] = true;
        }
      }
      merge(out, lane.family(), plays);
    }
    double[] low = new double[n];
    for (Note note : bass) {
      for (int b = Math.max(0, bars.at(note.start())); b < n; b++) {
        double from = Math.max(note.start(), bars.starts()[b]);
        double to = Math.min(note.end(), bars.ends()[b]);
        if (to <= from) {
          break;
        }
        low[b] += (to - from) / (bars.ends()[b] - bars.starts()[b]);
      }
    }
    boolean[] plays = new boolean[n];
    for (int b = 0; b < n; b++) {
      plays[b] = low[b] > BASS_SHARE;
    }
    merge(out, "bass", plays);
    merge(out, "chords", tones(bars, chroma));
    return new Layers(out);
  }

  private static boolean[] tones(BarFeatures bars, Chroma chroma) {
    int n = bars.starts().length;
    double[] strength = new double[n];
    for (int b = 0; b < n; b++) {
      double[] sum = chroma.sum(bars.starts()[b], bars.ends()[b]);
      for (int c = 0; c < 12; c++) {
        strength[b] += sum[c] / (bars.ends()[b] - bars.starts()[b]);
      }
    }
    double[] sorted = strength.clone();
    java.util.Arrays.sort(sorted);
    double usual = sorted[(int) (0.8 * (n - 1))];
    boolean[] plays = new boolean[n];
    for (int b = 0; b < n; b++) {
      plays[b] = usual > 1e-6 && strength[b] > TONES_SHARE * usual;
    }
    return plays;
  }

  private static void merge(Map<String, boolean[]> out, String name, boolean[] plays) {
    boolean[] before = out.putIfAbsent(name, plays);
    for (int b = 0; before != null && b < plays.length; b++) {
      before[b] |= plays[b];
    }
  }

  /** How many layers play in a bar. */
  int count(int bar) {
    return (int) playing.values().stream().filter(p -> p[bar]).count();
  }

  /** What comes and goes where bars {@code before..edge} end and {@code edge..after} begin. */
  Change change(int before, int edge, int after, double[] levels) {
    int from = Math.max(before, edge - LOOK);
    int to = Math.min(after, edge + LOOK);
    List<String> enters = new ArrayList<>();
    List<String> leaves = new ArrayList<>();
    playing.forEach(
        (name, plays) -> {
          double was = share(plays, from, edge);
          double is = share(plays, edge, to);
          if (was <= GONE && is >= THERE) {
            enters.add(name);
          } else if (was >= THERE && is <= GONE) {
            leaves.add(name);
          }
        });
    return new Change(enters, leaves, mean(levels, edge, to) - mean(levels, from, edge));
  }

  /** In which share of some bars a layer plays, 0..1. */
  double share(String name, int from, int to) {
    return share(playing.getOrDefault(name, new boolean[to]), from, to);
  }

  private static double share(boolean[] plays, int from, int to) {
    int sum = 0;
    for (int b = from; b < to; b++) {
      sum += plays[b] ? 1 : 0;
    }
    return (double) sum / Math.max(1, to - from);
  }

  private static double mean(double[] x, int from, int to) {
    double sum = 0;
    for (int b = from; b < to; b++) {
      sum += x[b];
    }
    return sum / Math.max(1, to - from);
  }
}
