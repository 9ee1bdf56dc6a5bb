package looseecho.demo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import looseecho.activity.Lane;
import looseecho.demo.Tune.DrumHit;
import looseecho.demo.Tune.Part;
import looseecho.demo.Tune.Tone;
import looseecho.notes.Key;

/**
 * Writes the theme tune of the tide tables down: a mid-tempo boogie in D minor with hand
 * percussion, 108 beats per minute, sixteenths a little swung, a late snare, hats that breathe, one
 * section of five bars, a fill, a rise and a stop.
 */
public final class HarbourTune {
  private static final double BPM = 108;
  private static final double BEAT = 60 / BPM;
  private static final double SWING = 0.56; // where the second sixteenth of each pair falls
  private static final double START = 0.35;
  private static final int[] PROGRESSION = {2, 2, 10, 0}; // roots: D D A# C
  private static final boolean[] MINOR = {true, true, false, false};
  private static final int[] BOOGIE = {0, 12, 0, 7, 10, 12, 7, 12}; // eighths over the root
  private static final int[][] RIFF = {
    {0, 74}, {3, 77}, {6, 76}, {8, 74}, {11, 72}, {14, 69}, {16, 74}, {19, 77}, {22, 79}, {24, 81},
    {30, 77}
  };
  private static final double SNARE_LATE = 0.011;
  private static final double SHAKER_LATE = 0.007;

  private final SplittableRandom random = new SplittableRandom(1908);
  private final List<DrumHit> hits = new ArrayList<>();
  private final List<Tone> bass = new ArrayList<>();
  private final List<Tone> chords = new ArrayList<>();
  private final List<Tone> riff = new ArrayList<>();
  private final List<Part> parts = new ArrayList<>();
  private int bar;

  private HarbourTune() {}

  /** The tune; always the same. */
  public static Tune write() {
    return new HarbourTune().compose();
  }

  private Tune compose() {
    section("intro", 4, false, false, true, false);
    section("verse", 8, true, true, true, false);
    section("lift", 4, true, true, true, true);
    double riseEnd = time(bar, 0);
    double riseStart = time(bar - 2, 0);
    section("hook", 8, true, true, true, true);
    section("break", 5, false, false, true, true);
    double stopEnd = time(bar, 0);
    double stopStart = time(bar - 1, 12);
    section("hook", 8, true, true, true, true);
    section("outro", 2, false, true, true, false);
    double end = time(bar, 0);
    hits.removeIf(h -> h.time() > stopStart - 0.01 && h.time() < stopEnd - 0.03);
    List<Double> beats = new ArrayList<>();
    for (int k = 0; k < bar * 4; k++) {
      beats.add(START + k * BEAT);
    }
    hits.sort(Comparator.comparingDouble(DrumHit::time));
    return new Tune(
        BPM,
        new Key(2, true),
        beats,
        parts,
        hits,
        cut(bass, stopStart, stopEnd),
        cut(chords, stopStart, stopEnd),
        cut(riff, stopStart, stopEnd),
        stopStart,
        stopEnd,
        riseStart,
        riseEnd,
        end + 1.2);
  }

  /** Notes end at the stop, and none begins in it. */
  private static List<Tone> cut(List<Tone> tones, double from, double to) {
    List<Tone> out = new ArrayList<>();
    for (Tone t : tones) {
      if (t.start() < from - 0.01 && t.end() > from) {
        out.add(new Tone(t.start(), from, t.pitch(), t.velocity()));
      } else if (t.start() < from - 0.01 || t.start() > to - 0.03) {
        out.add(t);
      }
    }
    return out;
  }

  private double time(int atBar, double step) {
    int pair = (int) Math.floor(step / 2);
    double within = step - 2 * pair;
    double swung = within <= 1 ? within * SWING : SWING + (within - 1) * (1 - SWING);
    return START + (atBar * 4 + (pair + swung) / 2) * BEAT;
  }

  private void section(
      String name, int bars, boolean drums, boolean low, boolean harmony, boolean lead) {
    parts.add(new Part(name, time(bar, 0), time(bar + bars, 0), bars));
    boolean hook = name.equals("hook");
    for (int b = 0; b < bars; b++, bar++) {
      boolean last = b == bars - 1;
      hands(name, b);
      if (drums) {
        kit(hook, b % 4 == 3, last && !name.equals("hook"));
      }
      if (drums && b == 0 || name.equals("outro") && last) {
        hit(Lane.CYMBAL, 0, bar, 0, 96, 0);
      }
      int root = PROGRESSION[b % 4];
      if (low) {
        bassBar(root, hook, name.equals("outro"));
      }
      if (harmony) {
        chordBar(root, MINOR[b % 4], hook);
      }
      if (lead && b % 2 == 0 && !(name.equals("break") && b == 4)) {
        for (int[] n : RIFF) {
          riff.add(new Tone(time(bar, n[0]), time(bar, n[0] + 1.7), n[1], 70 + random.nextInt(25)));
        }
      }
    }
  }

  private void hit(Lane lane, int colour, int atBar, double step, int velocity, double late) {
    double loose = (random.nextDouble() - 0.5) * (lane == Lane.KICK ? 0.003 : 0.007);
    int v = Math.max(20, Math.min(124, velocity + random.nextInt(9) - 4));
    hits.add(new DrumHit(lane, colour, time(atBar, step) + late + loose, v));
  }

  private void kit(boolean hook, boolean fourth, boolean fill) {
    int[] kicks = hook ? new int[] {0, 4, 7, 8, 12} : new int[] {0, 6, 8, 11};
    for (int s : kicks) {
      hit(Lane.KICK, 0, bar, s, s % 4 == 0 ? 112 : 84, 0);
    }
    if (fourth) {
      hit(Lane.KICK, 0, bar, 14, 90, 0);
    }
    hit(Lane.SNARE, 0, bar, 4, 104, SNARE_LATE);
    if (fill) {
      int[] rolls = {8, 9, 10, 11, 12, 13, 14, 15};
      for (int s : rolls) {
        hit(
            s < 12 ? Lane.SNARE : Lane.TOM,
            0,
            bar,
            s,
            62 + 5 * (s - 8),
            s < 12 ? SNARE_LATE / 2 : 0);
      }
    } else {
      hit(Lane.SNARE, 0, bar, 12, 108, SNARE_LATE);
      if (fourth) {
        hit(Lane.SNARE, 0, bar, 9, 44, SNARE_LATE);
      }
    }
    if (hook) {
      hit(Lane.CLAP, 0, bar, 12, 92, SNARE_LATE);
    }
    for (int s = 0; s < 16; s += hook ? 1 : 2) {
      boolean open = s == 14 || hook && s == 6;
      int velocity = s % 4 == 0 ? 92 : s % 2 == 0 ? 70 : 44;
      hit(open ? Lane.HAT_OPEN : Lane.HAT_CLOSED, 0, bar, s, open ? 84 : velocity, -0.002);
    }
  }

  /**
   * Shaker and hand drum. The second sixteenth of the shaker is left out, which makes it hesitate.
   */
  private void hands(String name, int b) {
    if (name.equals("outro") && b == 1) {
      return;
    }
    boolean shaker = !name.equals("hook");
    for (int s = 0; shaker && s < 16; s++) {
      if (s % 4 != 1) {
        hit(Lane.PERCUSSION, 1, bar, s, s % 4 == 2 ? 82 : 55, SHAKER_LATE);
      }
    }
    int[] drum = b % 2 == 0 ? new int[] {3, 6, 10} : new int[] {3, 6, 10, 13, 14};
    if (!name.equals("verse") || b >= 4) {
      for (int s : drum) {
        hit(Lane.PERCUSSION, s == 6 || s == 14 ? 2 : 3, bar, s, 66 + 3 * (s % 5), 0.003);
      }
    }
  }

  private void bassBar(int root, boolean hook, boolean held) {
    int low = 24 + root + (root < 4 ? 12 : 0);
    if (held) {
      bass.add(new Tone(time(bar, 0), time(bar, 15), low, 92));
      return;
    }
    for (int k = 0; k < 8; k++) {
      int up = hook ? BOOGIE[k] : k == 3 || k == 6 ? 12 : 0;
      if (hook || k == 0 || k == 2 || k == 3 || k == 6 || k == 7) {
        double start = time(bar, 2 * k) + 0.003 * random.nextDouble();
        bass.add(
            new Tone(
                start, time(bar, 2 * k + (hook ? 1.6 : 1.8)), low + up, k % 4 == 0 ? 104 : 86));
      }
    }
  }

  private void chordBar(int root, boolean minor, boolean hook) {
    int third = minor ? 3 : 4;
    int base = 48 + root + (root < 5 ? 12 : 0);
    int[] tones = {base, base + third, base + 7};
    double[][] strokes =
        hook ? new double[][] {{2, 1.5}, {5, 1}, {10, 1.5}, {13, 1}} : new double[][] {{0, 15.5}};
    for (double[] s : strokes) {
      for (int t : tones) {
        chords.add(new Tone(time(bar, s[0]), time(bar, s[0] + s[1]), t, hook ? 84 : 66));
      }
    }
  }
}
