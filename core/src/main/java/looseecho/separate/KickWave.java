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
import looseecho.hits.LowStrokes;
import looseecho.hits.StrokeMean;
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
  private static final int MOST = 96; // that are averaged
  private static final int FINER = RATE / StrokeMean.RATE;
  private static final int LONGEST = StrokeMean.LENGTH * FINER;
  private static final float FADE = 220; // samples: 5 ms

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
   * @param audio at any rate
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
    LowStrokes strokes = new LowStrokes(audio);
    List<Struck> out = new ArrayList<>();
    sounds.values().stream()
        .filter(own -> own.size() >= FEWEST)
        .forEach(own -> out.addAll(struck(strokes, own, kicks)));
    out.sort(Comparator.comparingInt(Struck::from));
    return out.isEmpty() ? NONE : new KickWave(List.copyOf(out), 0);
  }

  private static List<Struck> struck(LowStrokes strokes, List<Hit> own, List<Hit> kicks) {
    StrokeMean.Recorded[] some = new StrokeMean.Recorded[Math.min(MOST, own.size())];
    Together.each(
        some.length,
        i ->
            some[i] =
                recorded(strokes, own.get((int) ((long) i * own.size() / some.length)), kicks));
    StrokeMean mean = StrokeMean.of(some);
    if (!mean.diesAway()) {
      return List.of();
    }
    float[] wave = new Resampler().resample(mean.wave(), StrokeMean.RATE, RATE);
    return Together.map(
        own,
        h -> {
          StrokeMean.Recorded r = recorded(strokes, h, kicks);
          StrokeMean.Fitted fit = mean.fit(r);
          int from = (LowStrokes.begins(h.time()) + fit.shift()) * FINER;
          return new Struck(from, r.sounds() * FINER, fit.gain(), wave);
        });
  }

  private static StrokeMean.Recorded recorded(LowStrokes strokes, Hit h, List<Hit> kicks) {
    int next = Ordered.first(kicks, Hit::time, Math.nextUp(h.time()));
    double until = next < kicks.size() ? kicks.get(next).time() : Double.MAX_VALUE;
    return strokes.at(h.time(), until);
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
