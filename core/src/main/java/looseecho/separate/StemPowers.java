package looseecho.separate;

import java.util.List;
import looseecho.audio.Audio;
import looseecho.dsp.ThirdOctaves;
import looseecho.hits.Hit;
import looseecho.reading.Progress;

/**
 * Powers of every group over time in third octaves, on the left, on the right, in the middle and at
 * the sides; a full-scale sine has a power of about 1 on each side. Immutable.
 */
public final class StemPowers {
  private static final int VIEWS = 4;
  private static final int ROW = VIEWS * ThirdOctaves.COUNT;
  private static final int FINEST = 4; // frames in a slot: 46 ms
  private static final int MOST_SLOTS = 24_000;

  /** Where a sound stands. */
  public enum View {
    LEFT,
    RIGHT,
    MIDDLE,
    SIDE
  }

  private static final float[] WEIGHTS = weights();

  private final float[][] power; // [stem][(slot * VIEWS + view) * bands + band]
  private final float[][] loudness; // [stem][frame]
  private final int perSlot;
  private final int slots;
  private final boolean kickKnown;

  private StemPowers(
      float[][] power, float[][] loudness, int perSlot, int slots, boolean kickKnown) {
    this.power = power;
    this.loudness = loudness;
    this.perSlot = perSlot;
    this.slots = slots;
    this.kickKnown = kickKnown;
  }

  /**
   * Parts a sound and measures its groups.
   *
   * @param hits of its drums, in order of time; may be empty
   */
  public static StemPowers of(Audio sound, List<Hit> hits, Progress progress) {
    return of(new Separator(sound, hits), progress);
  }

  static StemPowers of(Separator separator, Progress progress) {
    int per = FINEST;
    while (separator.frames() / per > MOST_SLOTS) {
      per *= 2;
    }
    int perSlot = per;
    int slots = (separator.frames() + perSlot - 1) / perSlot;
    float[][] power = new float[Stem.values().length][slots * ROW];
    Mapping[] bands = Mapping.all();
    float[][] loudness = new float[Stem.values().length][separator.frames()];
    LowEnd low = new LowEnd(separator);
    separator.run(
        block -> {
          add(block, bands, power, loudness, perSlot);
          low.add(
              block,
              perSlot,
              (stem, slot, view, band, p) -> {
                power[stem][slot * ROW + view * ThirdOctaves.COUNT + band] = p;
              });
        },
        progress);
    return new StemPowers(power, loudness, perSlot, slots, separator.kick() != KickWave.NONE);
  }

  /** The third octaves that a band reaches into, and how much of it each gets. */
  private record Mapping(int[] to, float[] share) {
    static Mapping[] all() {
      Mapping[] out = new Mapping[SpectrumBands.COUNT];
      for (int b = 0; b < out.length; b++) {
        double low = SpectrumBands.lowHz(b);
        double high = SpectrumBands.highHz(b);
        int[] to = new int[ThirdOctaves.COUNT];
        float[] share = new float[ThirdOctaves.COUNT];
        int n = 0;
        for (int k = 0; k < ThirdOctaves.COUNT; k++) {
          double part = Math.min(high, ThirdOctaves.high(k)) - Math.max(low, ThirdOctaves.low(k));
          if (part > 0) {
            to[n] = k;
            share[n++] = (float) (part / (high - low));
          }
        }
        out[b] = new Mapping(java.util.Arrays.copyOf(to, n), share);
      }
      return out;
    }
  }

  private static void add(
      Separator.Block block, Mapping[] bands, float[][] power, float[][] loudness, int perSlot) {
    float weight = 1f / perSlot;
    for (int n = 0; n < block.count(); n++) {
      float[] m = block.middle()[n];
      float[] s = block.side()[n];
      float[] kick = block.kick()[n];
      int row = (block.first() + n) / perSlot * ROW;
      for (int b = 0; b < bands.length; b++) {
        float mm = product(m, m, b);
        float ss = product(s, s, b);
        float ms = product(m, s, b);
        for (Stem stem : Stem.values()) {
          float a = block.middle(stem, b, n);
          float c = block.side(stem, b, n);
          float middle = a * a * mm;
          float side = c * c * ss;
          float both = 2 * a * c * ms;
          if (stem == Stem.KICK && kick != null) { // its share of the rest, and its wave
            middle += 2 * a * product(m, kick, b) + product(kick, kick, b);
            both += 2 * c * product(s, kick, b);
          }
          loudness[stem.ordinal()][block.first() + n] += WEIGHTS[b] * 2 * (middle + side);
          Mapping to = bands[b];
          for (int k = 0; k < to.to().length; k++) {
            float[] p = power[stem.ordinal()];
            int at = row + to.to()[k];
            float w = to.share()[k] * weight;
            p[at] += w * Math.max(0, middle + side + both);
            p[at + ThirdOctaves.COUNT] += w * Math.max(0, middle + side - both);
            p[at + 2 * ThirdOctaves.COUNT] += w * middle;
            p[at + 3 * ThirdOctaves.COUNT] += w * side;
          }
        }
      }
    }
  }

  /** Sum over a band of what two spectra have in common. */
  private static float product(float[] x, float[] y, int band) {
    float sum = 0;
    for (int k = Math.max(1, SpectrumBands.from(band)); k < SpectrumBands.to(band); k++) {
      if (2 * k + 1 < x.length) {
        sum += x[2 * k] * y[2 * k] + x[2 * k + 1] * y[2 * k + 1];
      }
    }
    return sum;
  }

  /** What each band's power counts for the loudness. */
  private static float[] weights() {
    float[] out = new float[SpectrumBands.COUNT];
    for (int b = 0; b < out.length; b++) {
      double hz = (SpectrumBands.lowHz(b) + SpectrumBands.highHz(b)) / 2;
      out[b] = (float) ThirdOctaves.loudness(Math.max(1, hz));
    }
    return out;
  }

  /** A group's loudness in every frame of {@link SpectrumBands#HOP} samples, as a mean power. */
  public float[] loudness(Stem stem) {
    return loudness[stem.ordinal()].clone();
  }

  /** True where the kick was told from the bass by its own wave, not by shares alone. */
  public boolean kickKnown() {
    return kickKnown;
  }

  /** Number of slots. */
  public int slots() {
    return slots;
  }

  /** Seconds between two slots. */
  public double seconds() {
    return (double) perSlot * SpectrumBands.HOP / SpectrumBands.RATE;
  }

  /** The slot that an instant lies in, inside the sound. */
  public int slot(double time) {
    return (int) Math.max(0, Math.min(slots - 1, Math.floor(time / seconds())));
  }

  /** Mean power in a slot. */
  public float power(Stem stem, View view, int slot, int band) {
    return power[stem.ordinal()][slot * ROW + view.ordinal() * ThirdOctaves.COUNT + band];
  }
}
