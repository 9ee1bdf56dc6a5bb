package looseecho.notes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import looseecho.dsp.ToneSpectra;
import looseecho.reading.Progress;

/**
 * Transcribes the bass: one pitch at a time by harmonic salience, smoothed by a hidden Markov
 * model, cut at attacks.
 *
 * <p>Source: harmonic summation after Salamon and Gomez, "Melody extraction from polyphonic music
 * signals using pitch contour characteristics", IEEE TASLP 2012, held to low pitches; energy
 * half-way between the harmonics counts against a pitch, which keeps it from sinking an octave.
 * Input: mono at {@link #RATE}. Times have a resolution of 10 ms.
 */
public final class BassFinder {
  /** Rate of the input in hertz: the bass needs no more. */
  public static final int RATE = 5000;

  private static final int LOWEST = 24;
  private static final int HIGHEST = 60;
  private static final int PITCHES = HIGHEST - LOWEST + 1;
  private static final int LONG_HOP = 100; // 20 ms
  private static final int SHORT_HOP = 50; // 10 ms
  private static final double[] WEIGHTS = {1, 0.9, 0.7, 0.5, 0.35, 0.25};
  private static final double LOW_BIAS =
      0.012; // per semitone above the lowest: the bass is the lowest voice
  private static final double SWITCH = 5.0;
  private static final double REST =
      0.42; // share of the song's usual salience below which nobody plays
  private static final double ATTACK = 0.55; // natural-log rise within 40 ms that makes a new note
  private static final double MIN_SECONDS = 0.06;
  private static final int APART = 7; // frames of 10 ms between two attacks
  private static final int HARMONICS = 5;
  private static final double FLOOR = 3e-4;

  /** The bass line in order of time; {@code tuningCents} as measured for the recording. */
  public List<Note> find(float[] mono, double tuningCents, Progress progress) {
    ToneSpectra longer = ToneSpectra.of(mono, RATE, 4096, 1280, LONG_HOP, progress);
    ToneSpectra shorter = ToneSpectra.of(mono, RATE, 1024, 400, SHORT_HOP, progress);
    progress.step("Following the bass", 0);
    double[][] salience = salience(longer, tuningCents);
    double usual = usual(salience);
    if (usual <= 0) {
      return List.of();
    }
    int[] path = viterbi(salience, usual);
    return notes(path, shorter, tuningCents, usual, salience);
  }

  private static double hertz(double pitch, double tuningCents) {
    return 440 * Math.pow(2, (pitch - 69 + tuningCents / 100) / 12);
  }

  private static double[][] salience(ToneSpectra s, double tuning) {
    double[][] out = new double[s.frames()][PITCHES];
    for (int n = 0; n < out.length; n++) {
      for (int p = 0; p < PITCHES; p++) {
        double f = hertz(LOWEST + p, tuning);
        double sum = 0;
        for (int h = 1; h <= WEIGHTS.length; h++) {
          double between = Math.min(s.atHz(n, (h - 0.5) * f), s.atHz(n, (h + 0.5) * f));
          sum += WEIGHTS[h - 1] * (Math.sqrt(s.atHz(n, h * f)) - 0.8 * Math.sqrt(between));
        }
        double alone = Math.sqrt(s.atHz(n, f)) + 0.6 * Math.sqrt(s.atHz(n, 2 * f));
        out[n][p] = Math.max(0, Math.min(sum, 2.2 * alone)) * (1 - LOW_BIAS * p);
      }
    }
    return out;
  }

  /** The 70th percentile of the frames' best salience. */
  private static double usual(double[][] salience) {
    double[] best =
        Arrays.stream(salience)
            .mapToDouble(r -> Arrays.stream(r).max().orElse(0))
            .sorted()
            .toArray();
    return best[(int) (best.length * 0.7)];
  }

  /** Best pitch index per frame, -1 for rest. */
  private static int[] viterbi(double[][] salience, double usual) {
    int n = salience.length;
    int states = PITCHES + 1;
    double[] score = new double[states];
    int[][] from = new int[n][states];
    for (int t = 0; t < n; t++) {
      int best = 0;
      for (int s = 1; s < states; s++) {
        best = score[s] > score[best] ? s : best;
      }
      double[] next = new double[states];
      for (int s = 0; s < states; s++) {
        boolean stay = score[s] >= score[best] - SWITCH;
        from[t][s] = stay ? s : best;
        double fit = s == PITCHES ? REST : Math.min(1.5, salience[t][s] / usual);
        next[s] = (stay ? score[s] : score[best] - SWITCH) + 2.5 * fit;
      }
      score = next;
    }
    int state = 0;
    for (int s = 1; s < states; s++) {
      state = score[s] > score[state] ? s : state;
    }
    int[] path = new int[n];
    for (int t = n - 1; t >= 0; t--) {
      path[t] = state == PITCHES ? -1 : state;
      state = from[t][state];
    }
    return path;
  }

  private static List<Note> notes(
      int[] path, ToneSpectra shorter, double tuning, double usual, double[][] salience) {
    List<Note> out = new ArrayList<>();
    int start = 0;
    for (int t = 1; t <= path.length; t++) {
      if (t == path.length || path[t] != path[start]) {
        if (path[start] >= 0) {
          split(out, path[start], start * 2, t * 2, shorter, tuning, usual, salience);
        }
        start = t;
      }
    }
    return out;
  }

  /** Cuts a run of one pitch, in frames of 10 ms, at its attacks and adds the notes. */
  private static void split(
      List<Note> out,
      int pitch,
      int from,
      int to,
      ToneSpectra s,
      double tuning,
      double usual,
      double[][] salience) {
    double[] rises = rises(s, hertz(LOWEST + pitch, tuning), from - 8, to + 8);
    List<Integer> attacks = new ArrayList<>();
    for (int i = 4; i < rises.length - 4; i++) {
      boolean top = rises[i] > ATTACK;
      for (int j = 1; j <= APART && top; j++) {
        top =
            rises[i] > rises[Math.max(0, i - j)]
                && rises[i] >= rises[Math.min(rises.length - 1, i + j)];
      }
      if (top) {
        attacks.add(from - 8 + i);
      }
    }
    if (attacks.isEmpty() || attacks.get(0) > from + 8) {
      attacks.add(0, from);
    }
    double hop = s.hopSeconds();
    for (int k = 0; k < attacks.size(); k++) {
      double start = Math.max(0, attacks.get(k) * hop);
      double end = Math.min(to, k + 1 < attacks.size() ? attacks.get(k + 1) : to) * hop;
      if (end - start >= MIN_SECONDS) {
        double strength = strength(salience, pitch, start, end) / usual;
        int velocity = (int) Math.max(1, Math.min(127, Math.round(80 * strength)));
        out.add(
            new Note(
                start,
                end,
                LOWEST + pitch,
                velocity,
                Math.max(0, Math.min(1, strength - REST / 2))));
      }
    }
  }

  /**
   * How much the pitch's harmonics rise within 40 ms around each frame of [from, to): the median
   * over five harmonics, so that a kick, which lifts one or two of them, is no attack of the bass.
   */
  private static double[] rises(ToneSpectra s, double f, int from, int to) {
    double[] out = new double[Math.max(0, to - from)];
    double[] each = new double[HARMONICS];
    for (int i = 0; i < out.length; i++) {
      for (int h = 1; h <= HARMONICS; h++) {
        each[h - 1] = level(s, from + i + 2, h * f) - level(s, from + i - 2, h * f);
      }
      Arrays.sort(each);
      out[i] = each[HARMONICS / 2];
    }
    return out;
  }

  private static double level(ToneSpectra s, int frame, double hz) {
    int n = Math.max(0, Math.min(s.frames() - 1, frame));
    return Math.log(s.atHz(n, hz) + FLOOR);
  }

  private static double strength(double[][] salience, int pitch, double start, double end) {
    double sum = 0;
    int a = (int) (start * RATE / LONG_HOP);
    int b = Math.max(a + 1, (int) (end * RATE / LONG_HOP));
    for (int n = a; n < b; n++) {
      sum += salience[Math.min(n, salience.length - 1)][pitch] / (b - a);
    }
    return sum;
  }
}
