package looseecho.layers;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import looseecho.dsp.ThirdOctaves;
import looseecho.separate.Stem;
import looseecho.separate.StemPowers;

/** Sums up what the separator heard of a group, over stretches of time or over strokes. */
final class StemMeter {
  private static final double TAKEN = 0.7; // of what sounded before; the rest may be the room's

  /** Share of its louder moments: 8 dB. Held chords stay within 7 dB, struck ones fall by 10. */
  private static final double SOFT = Math.pow(10, -0.8);

  /** Share of the whole in a bar below which a group rests. */
  static final double SILENT = Math.pow(10, -2.2);

  /** The same for a riff, whose notes are short. */
  static final double FAINT = Math.pow(10, -2.8);

  private final StemPowers powers;
  private final double[][] loudness; // [stem][slot], K-weighted mean power
  private final double[] whole; // [slot], of all

  StemMeter(StemPowers powers) {
    this.powers = powers;
    loudness = new double[Stem.values().length][powers.slots()];
    whole = new double[powers.slots()];
    double[] weights = BandPowers.weights();
    for (Stem stem : Stem.values()) {
      for (int n = 0; n < powers.slots(); n++) {
        double sum = 0;
        for (int b = 0; b < ThirdOctaves.COUNT; b++) {
          sum +=
              weights[b]
                  * (powers.power(stem, StemPowers.View.LEFT, n, b)
                      + powers.power(stem, StemPowers.View.RIGHT, n, b));
        }
        loudness[stem.ordinal()][n] = sum;
        whole[n] += sum;
      }
    }
  }

  int slots() {
    return powers.slots();
  }

  double seconds() {
    return powers.seconds();
  }

  int slot(double time) {
    return powers.slot(time);
  }

  /** True where the kick was told from the bass by its own wave. */
  boolean kickKnown() {
    return powers.kickKnown();
  }

  /** Loudness of a group in every frame. */
  float[] loudness(Stem stem) {
    return powers.loudness(stem);
  }

  /** Loudness of a group in a slot, as a mean power. */
  double loudness(Stem stem, int slot) {
    return loudness[stem.ordinal()][slot];
  }

  /** Loudness of all groups in a slot. */
  double whole(int slot) {
    return whole[slot];
  }

  /** How loud some groups are together. */
  LevelCourse course(Stem... stems) {
    LevelCourse out = new LevelCourse(slots() * seconds());
    for (Stem stem : stems) {
      for (int n = 0; n < slots(); n++) {
        out.even(n * seconds(), (n + 1) * seconds(), loudness(stem, n));
      }
    }
    return out;
  }

  /** True for a group that is soft for a fifth of its time, as struck chords are between them. */
  boolean diesAway(Stem stem, List<HeardLayer.Span> spans) {
    double[] sorted =
        IntStream.range(0, slots())
            .filter(n -> spans.stream().anyMatch(s -> s.has((n + 0.5) * seconds())))
            .mapToDouble(n -> loudness(stem, n))
            .sorted()
            .toArray();
    int fifth = sorted.length / 5;
    return sorted.length > 0 && sorted[fifth] < SOFT * sorted[sorted.length - 1 - fifth];
  }

  /** Mean powers of a group over some slots. */
  BandPowers over(Stem stem, IntPredicate slots) {
    BandPowers out = new BandPowers();
    for (int n = 0; n < powers.slots(); n++) {
      if (slots.test(n)) {
        add(stem, n, -1, 0, out);
        out.count(1);
      }
    }
    return out;
  }

  /** Mean powers of a group over the slots from one to before another. */
  BandPowers over(Stem stem, int from, int to) {
    BandPowers out = new BandPowers();
    for (int n = from; n < Math.min(powers.slots(), to); n++) {
      add(stem, n, -1, 0, out);
      out.count(1);
    }
    return out;
  }

  /**
   * Adds what a stroke brings to a group: power times seconds until it is over, less what sounded
   * before it.
   */
  void stroke(Stem stem, double start, double end, BandPowers to) {
    int from = slot(start);
    int last = Math.max(from, slot(end));
    for (int n = from; n <= last; n++) {
      add(stem, n, from - 2, TAKEN, to);
    }
    to.count(1 / seconds());
  }

  /** Where a stroke stands in its group: (R - L) / (R + L) of what it brings. */
  double pan(Stem stem, double time) {
    BandPowers own = new BandPowers();
    stroke(stem, time, time + seconds(), own);
    return own.image().pan();
  }

  /**
   * The stretches of a layer in which its group is heard at all: those where it is silent for a bar
   * are taken out, for notes are also heard where others play.
   *
   * @param least share of the whole with which it is not
   */
  List<HeardLayer.Span> heard(Stem stem, double bar, List<HeardLayer.Span> spans, double least) {
    List<HeardLayer.Span> out = new ArrayList<>();
    for (HeardLayer.Span s : spans) {
      int bars = (int) Math.max(1, Math.round((s.end() - s.start()) / bar));
      double step = (s.end() - s.start()) / bars;
      IntToDoubleFunction time = k -> s.start() + k * step;
      IntPredicate sounds =
          k -> share(stem, time.applyAsDouble(k), time.applyAsDouble(k) + step) > least;
      out.addAll(HeardLayer.Span.runs(bars, sounds, 1, time));
    }
    return out;
  }

  /** A group's share of the loudness of a stretch. */
  private double share(Stem stem, double start, double end) {
    double own = 0;
    double all = 1e-12;
    for (int n = slot(start); n <= slot(end - seconds()); n++) {
      own += loudness(stem, n);
      all += whole(n);
    }
    return own / all;
  }

  private void add(Stem stem, int slot, int before, double taken, BandPowers to) {
    for (StemPowers.View view : StemPowers.View.values()) {
      for (int b = 0; b < ThirdOctaves.COUNT; b++) {
        double now = powers.power(stem, view, slot, b);
        double less = before < 0 ? 0 : taken * powers.power(stem, view, before, b);
        to.add(view.ordinal(), b, Math.max(0, now - less));
      }
    }
  }
}
