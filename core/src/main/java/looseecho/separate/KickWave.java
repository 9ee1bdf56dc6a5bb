package looseecho.separate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import looseecho.hits.Hit;
import looseecho.hits.Voice;
import looseecho.reading.Ordered;
import looseecho.reading.Together;

/**
 * The low end of a song's kicks as a wave of its own, found from all of their strokes: where a bass
 * sounds below them, shares of power can't tell the two apart, but a kick sounds alike each time
 * and the bass does not. Not where a wave does not die away, as a bass is in it then that comes
 * with every kick. Stands in the middle. Immutable.
 */
public final class KickWave {
  /** Hertz at which it is found. */
  public static final int RATE = SpectrumBands.RATE;

  private static final int FEWEST = 8; // strokes of a sound
  private static final int MOST = 160; // that are averaged
  private static final int FINER = RATE / StrokeMean.RATE;
  private static final double AHEAD = 0.01; // seconds that a wave begins before its stroke
  private static final int CUT = 55; // samples of StrokeMean.RATE before the next stroke: 5 ms
  private static final int LONGEST = StrokeMean.LENGTH * FINER;
  private static final float FADE = 220; // samples: 5 ms
  private static final float[] TRIANGLE = {
    1 / 16f, 2 / 16f, 3 / 16f, 4 / 16f, 3 / 16f, 2 / 16f, 1 / 16f
  };

  /** Where no kick is known. */
  public static final KickWave NONE = new KickWave(List.of(), 0);

  /** A stroke: its first sample, its length in samples and its gain. */
  private record Struck(int from, int length, float gain, float[] wave) {
    float at(int i) {
      return gain * Math.min(1, (length - i) / FADE) * wave[i];
    }
  }

  private final List<Struck> strokes; // in order of time
  private final int offset;

  private KickWave(List<Struck> strokes, int offset) {
    this.strokes = strokes;
    this.offset = offset;
  }

  /**
   * Finds the kicks' wave.
   *
   * @param audio at 44.1 kHz
   * @param hits of all drums, in order of time
   */
  public static KickWave of(Audio audio, List<Hit> hits) {
    List<Hit> kicks =
        hits.stream()
            .filter(h -> h.lane().base() == Lane.KICK && h.time() < audio.duration())
            .toList();
    Map<Voice, List<Hit>> sounds =
        kicks.stream()
            .collect(Collectors.groupingBy(Hit::voice, TreeMap::new, Collectors.toList()));
    List<Struck> out = new ArrayList<>();
    sounds.values().stream()
        .filter(own -> own.size() >= FEWEST)
        .forEach(own -> out.addAll(struck(audio, own, kicks)));
    out.sort(Comparator.comparingInt(Struck::from));
    return out.isEmpty() ? NONE : new KickWave(List.copyOf(out), 0);
  }

  private static List<Struck> struck(Audio audio, List<Hit> own, List<Hit> kicks) {
    StrokeMean.Recorded[] some = new StrokeMean.Recorded[Math.min(MOST, own.size())];
    Together.each(
        some.length,
        i ->
            some[i] = recorded(audio, own.get((int) ((long) i * own.size() / some.length)), kicks));
    StrokeMean mean = StrokeMean.of(some);
    if (!mean.diesAway()) {
      return List.of();
    }
    float[] wave = new Resampler().resample(mean.wave(), StrokeMean.RATE, RATE);
    return Together.map(
        own,
        h -> {
          StrokeMean.Recorded r = recorded(audio, h, kicks);
          StrokeMean.Fitted fit = mean.fit(r);
          int from = (begins(h) + fit.shift()) * FINER;
          return new Struck(from, r.sounds() * FINER, fit.gain(), wave);
        });
  }

  /** The sample, at {@link StrokeMean#RATE}, at which a stroke's wave should begin. */
  private static int begins(Hit h) {
    return (int) Math.round((h.time() - AHEAD) * StrokeMean.RATE);
  }

  private static StrokeMean.Recorded recorded(Audio audio, Hit h, List<Hit> kicks) {
    double next = kicks.stream().mapToDouble(Hit::time).filter(t -> t > h.time()).min().orElse(1e9);
    int sounds = (int) Math.min(StrokeMean.LENGTH, (next - h.time()) * StrokeMean.RATE - CUT);
    int from = (begins(h) - StrokeMean.BEFORE) * FINER - TRIANGLE.length / 2;
    float[] x = new float[StrokeMean.NEEDED * FINER + TRIANGLE.length];
    for (int i = Math.max(0, -from); i < x.length && from + i < audio.length(); i++) {
      x[i] = (audio.left(from + i) + audio.right(from + i)) / 2;
    }
    return new StrokeMean.Recorded(coarse(x), Math.max(0, sounds));
  }

  /**
   * Every fourth sample of the low end, by two running means one after the other, whose zeros lie
   * at the frequencies that would fold onto it (Hogenauer, "An economical class of digital filters
   * for decimation and interpolation", 1981): 58 dB less of them at 400 Hz and below.
   */
  private static float[] coarse(float[] x) {
    float[] out = new float[StrokeMean.NEEDED];
    for (int i = 0; i < out.length; i++) {
      for (int k = 0; k < TRIANGLE.length; k++) {
        out[i] += TRIANGLE[k] * x[i * FINER + k];
      }
    }
    return out;
  }

  /** The same for a sound that begins some samples later. */
  KickWave from(int sample) {
    return this == NONE ? NONE : new KickWave(strokes, offset + sample);
  }

  /**
   * Adds the wave to a stretch of one side.
   *
   * @param from sample at which the stretch begins
   * @param factor -1 takes it away
   * @return whether any of it sounds there
   */
  boolean add(int from, float[] x, float factor) {
    int first = from + offset;
    int at = Ordered.first(strokes, Struck::from, first - LONGEST);
    boolean any = false;
    for (; at < strokes.size() && strokes.get(at).from() < first + x.length; at++) {
      Struck s = strokes.get(at);
      int start = Math.max(0, first - s.from());
      int end = Math.min(s.length(), first + x.length - s.from());
      for (int i = start; i < end; i++) {
        x[s.from() + i - first] += factor * s.at(i);
      }
      any |= start < end;
    }
    return any;
  }

  /** Takes the wave out of a whole song's middle that has another sampling rate, in hertz. */
  public float[] without(float[] whole, int rate) {
    float[] out = whole.clone();
    double step = (double) RATE / rate;
    for (Struck s : strokes) {
      int first = Math.max(0, (int) Math.ceil(s.from() / step));
      int end = (int) Math.min(out.length, Math.ceil((s.from() + s.length() - 1) / step));
      for (int i = first; i < end; i++) {
        double at = i * step - s.from();
        int k = (int) at; // the wave hardly moves from one sample to the next
        out[i] -= (float) (s.at(k) + (at - k) * (s.at(k + 1) - s.at(k)));
      }
    }
    return out;
  }
}
