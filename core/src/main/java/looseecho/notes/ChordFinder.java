package looseecho.notes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import looseecho.dsp.Chroma;
import looseecho.pulse.Pulse;
import looseecho.reading.Ordered;

/**
 * One chord per beat from the kinds of {@link ChordKind} on every root and "no chord", smoothed by
 * a hidden Markov model.
 *
 * <p>Source: binary chord templates and a self-transition-heavy HMM as in Bello and Pickens, "A
 * robust mid-level representation for harmonic content in music signals", ISMIR 2005; labels after
 * Harte and others 2005. The bass's pitch class speaks for the root; chords prefer to change on the
 * first or third beat. Where far less sounds above the bass than the song has elsewhere, as where
 * drums and bass play alone, no chord is claimed.
 */
public final class ChordFinder {
  private static final ChordKind[] KINDS = ChordKind.values();
  private static final double[] HANDICAP = {
    0, 0, 0.09, 0.1, 0.1, 0.12, 0.14, 0.13, 0.14
  }; // rarer chords must earn their label
  private static final double CHANGE = 1.1; // cost of a change on a strong beat
  private static final double WEAK_CHANGE = 1.9; // and on a weak one
  private static final double SHARPNESS = 6;
  private static final double NO_CHORD = 0.45; // similarity below which nothing is claimed
  private static final double BASS_ROOT = 0.35;

  /** The bass's fifth partial is a major third that nobody plays: so much of its low strength. */
  private static final double FIFTH_PARTIAL = 0.25;

  /** Notes above the bass fainter than this share of the song's usual ones are no chord. */
  private static final double FAINT = 0.26;

  private static final double USUAL = 0.7; // quantile over the beats
  private static final double CERTAIN = 1.5; // more than any chord can fit

  /** Chords in order; neighbours with one label are joined. The bass line speaks for the roots. */
  public List<Chord> find(Chroma chroma, List<Note> bass, Pulse pulse) {
    int beats = pulse.beats().size() - 1;
    int states = 12 * KINDS.length + 1;
    double[][] fit = new double[beats][];
    double[] strength = new double[beats];
    List<Note> line = bass.stream().sorted(Comparator.comparingDouble(Note::start)).toList();
    double longest = line.stream().mapToDouble(n -> n.end() - n.start()).max().orElse(0);
    for (int k = 0; k < beats; k++) {
      double from = pulse.beats().get(k).time();
      double to = pulse.beats().get(k + 1).time();
      double[] tones = chroma.sum(from, to);
      fit[k] = fits(tones, rests(line, longest, from, to), states);
      strength[k] = Arrays.stream(tones, 0, 12).sum() / Math.max(1e-3, to - from);
    }
    double[] sorted = strength.clone();
    Arrays.sort(sorted);
    double least = beats == 0 ? 0 : FAINT * sorted[(int) (USUAL * (beats - 1))];
    for (int k = 0; k < beats; k++) {
      fit[k][states - 1] = strength[k] < least ? CERTAIN : NO_CHORD;
    }
    int[] path = viterbi(fit, pulse, states);
    List<Chord> out = new ArrayList<>();
    int start = 0;
    for (int k = 1; k <= beats; k++) {
      if (k == beats || path[k] != path[start]) {
        double sure = 0;
        for (int j = start; j < k; j++) {
          sure += fit[j][path[j]] / (k - start);
        }
        int root = path[start] / KINDS.length;
        out.add(
            new Chord(
                pulse.beats().get(start).time(),
                pulse.beats().get(k).time(),
                root == 12 ? Chord.NONE : root,
                KINDS[path[start] % KINDS.length],
                Math.max(0, Math.min(1, sure))));
        start = k;
      }
    }
    return out;
  }

  /** Cosine similarity of the beat's pitch classes with every chord, the bass's root counted in. */
  private static double[] fits(double[] c, double[] rests, int states) {
    double[] out = new double[states];
    double norm = 1e-9;
    double[] all = new double[12];
    for (int p = 0; p < 12; p++) {
      all[p] = c[p] + 0.5 * c[12 + p];
    }
    for (int p = 0; p < 12; p++) {
      int third = (p + 4) % 12;
      all[third] = Math.max(0, all[third] - FIFTH_PARTIAL * rests[p] * c[12 + p]);
    }
    for (int p = 0; p < 12; p++) {
      norm += all[p] * all[p];
    }
    for (int root = 0; root < 12; root++) {
      for (int k = 0; k < KINDS.length; k++) {
        double dot = 0;
        int[] tones = KINDS[k].tones();
        for (int tone : tones) {
          dot += all[(root + tone) % 12];
        }
        double cosine = dot / Math.sqrt(norm * tones.length);
        out[root * KINDS.length + k] = cosine - HANDICAP[k] + BASS_ROOT * rests[root];
      }
    }
    return out;
  }

  /**
   * Share of the span for which the bass rests on each pitch class, 0..1.
   *
   * @param bass in order
   * @param longest of its notes in seconds
   */
  private static double[] rests(List<Note> bass, double longest, double from, double to) {
    double[] out = new double[12];
    for (int i = Ordered.first(bass, Note::start, from - longest);
        i < bass.size() && bass.get(i).start() < to;
        i++) {
      Note n = bass.get(i);
      double overlap = Math.min(to, n.end()) - Math.max(from, n.start());
      if (overlap > 0) {
        out[n.pitch() % 12] += overlap / (to - from);
      }
    }
    return out;
  }

  private static int[] viterbi(double[][] fit, Pulse pulse, int states) {
    int n = fit.length;
    double[] score = new double[states];
    int[][] from = new int[n][states];
    for (int k = 0; k < n; k++) {
      int best = 0;
      for (int s = 1; s < states; s++) {
        best = score[s] > score[best] ? s : best;
      }
      int place = pulse.beats().get(k).position();
      double cost = place % 2 == 1 ? CHANGE : WEAK_CHANGE;
      double[] next = new double[states];
      for (int s = 0; s < states; s++) {
        boolean stay = k == 0 || score[s] >= score[best] - cost;
        from[k][s] = stay ? s : best;
        next[s] = (stay ? score[s] : score[best] - cost) + SHARPNESS * fit[k][s];
      }
      score = next;
    }
    int[] path = new int[n];
    int state = 0;
    for (int s = 1; s < states; s++) {
      state = score[s] > score[state] ? s : state;
    }
    for (int k = n - 1; k >= 0; k--) {
      path[k] = state;
      state = from[k][state];
    }
    return path;
  }
}
