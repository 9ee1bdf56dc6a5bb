package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.layers.HeardLayer.Span;
import looseecho.reading.Together;

/**
 * Hears a bed of noise: hiss, rain, air. Between the strokes it stands still and its spectrum is
 * even, where strokes and rooms die away and held notes have partials. What wanders from level to
 * level is none. The bounds are our own; that noise shows in the minima of its bands' power is from
 * Martin, "Noise power spectral density estimation based on optimal smoothing and minimum
 * statistics" (IEEE Transactions on Speech and Audio Processing 9, 2001).
 */
final class BedFinder {
  private static final int LEAST_RATE = 24_000; // nothing above 11 kHz below it
  private static final int FEWEST = 4; // looks in which it stands still
  private static final double SAME = 0.7; // of the looks have one level
  private static final double FAINT_DB = -40; // against the whole
  private static final double GONE_DB = 4;
  private static final double AROUND = 0.5; // seconds that are looked at for one moment
  private static final double FALLEN = 0.15; // of them may be below
  private static final double SHORTEST = 2; // seconds
  private static final int SMOOTH = 2; // frames on both sides
  private static final int MOMENTS = 60;
  private static final double GROWS_DB = 0.5; // from one look to the next
  private static final double ENTRY_DB = 7; // it comes in at once
  private static final double SWELL_DB = 6;

  private final Audio audio;
  private final int perLook;
  private final double hop; // seconds
  private final List<StillLook> all; // over the sound

  BedFinder(Audio audio) {
    this.audio = audio;
    this.perLook = StillLook.frames(audio);
    int half = StillLook.window(audio) / 2;
    this.hop = (double) half / audio.sampleRate();
    int looks = Math.max(0, audio.length() / half - 1) / perLook;
    this.all =
        Together.map(IntStream.range(0, looks).boxed().toList(), k -> StillLook.of(audio, k));
  }

  /** No stretch where none was heard, and for sound with nothing above 11 kHz. */
  NoiseFinder.Noise find() {
    if (all.size() < FEWEST || audio.sampleRate() < LEAST_RATE) {
      return new NoiseFinder.Noise(List.of(), new BandPowers());
    }
    List<StillLook> still = all.stream().filter(l -> l.still() >= StillLook.SURE).toList();
    double[] floor = floor(still);
    List<StillLook> own = still.stream().filter(l -> l.isAt(floor)).toList();
    double whole = all.stream().mapToDouble(StillLook::whole).average().orElse(0);
    boolean loud = StillLook.decibels(Arrays.stream(floor).sum(), whole) > FAINT_DB;
    boolean steady = own.size() >= Math.max(FEWEST, SAME * still.size());
    return steady && loud
        ? new NoiseFinder.Noise(spans(own, floor), powers(own))
        : new NoiseFinder.Noise(List.of(), new BandPowers());
  }

  /** One that each stroke of a drum pushes down. */
  Optional<PushedBed.Found> pushed(DuckMeter.Drum one, DuckMeter.Drum other) {
    return all.size() < FEWEST || audio.sampleRate() < LEAST_RATE
        ? Optional.empty()
        : new PushedBed(audio, all).find(one, other);
  }

  /**
   * The way in which a bed grows until it stands still: looks before it, each a little softer than
   * the next. What begins at once, or dies away before it, is none.
   */
  Optional<HeardLayer.Move> swell(NoiseFinder.Noise bed) {
    if (bed.active().isEmpty()) {
      return Optional.empty();
    }
    int first = Math.min(all.size() - 1, (int) (bed.active().get(0).start() / (perLook * hop)));
    int end = first;
    while (end + 1 < all.size() && step(end) > GROWS_DB) {
      end++;
    }
    int from = end;
    while (from > 0 && step(from - 1) > GROWS_DB && step(from - 1) < ENTRY_DB) {
      from--;
    }
    double grown = all.get(from).decibels() - all.get(end).decibels();
    return grown > -SWELL_DB
        ? Optional.empty()
        : Optional.of(
            new HeardLayer.Move(
                HeardLayer.Move.LEVEL,
                grown,
                0,
                from * perLook * hop,
                (end + 0.5) * perLook * hop));
  }

  /** By how much the look after one is louder. */
  private double step(int look) {
    return all.get(look + 1).decibels() - all.get(look).decibels();
  }

  /** Median of the looks' floors in each band. */
  private static double[] floor(List<StillLook> still) {
    return IntStream.range(0, StillLook.BANDS)
        .mapToDouble(
            b ->
                still.stream()
                    .mapToDouble(l -> l.floor()[b])
                    .sorted()
                    .skip(still.size() / 2)
                    .findFirst()
                    .orElse(0))
        .toArray();
  }

  /** Where it is not fallen below, at most a look away from where it stands still. */
  private List<Span> spans(List<StillLook> own, double[] floor) {
    int frames = all.size() * perLook;
    boolean[] near = new boolean[frames];
    for (StillLook l : own) {
      int from = Math.max(0, l.first() - perLook);
      Arrays.fill(near, from, Math.min(frames, l.first() + 2 * perLook), true);
    }
    int[] fallen = new int[frames + 1]; // frames up to here that fall below
    for (int n = 0; n < frames; n++) {
      fallen[n + 1] = fallen[n] + (isBelow(n, floor) ? 1 : 0);
    }
    int half = (int) (AROUND / hop / 2);
    List<Span> out = new ArrayList<>();
    for (int n = 0; n < frames; n++) {
      int from = n;
      while (n < frames && near[n] && isThere(fallen, n, half)) {
        n++;
      }
      if (n > from) {
        out.add(grown(from, n - 1, fallen));
      }
    }
    return out.stream().filter(s -> s.end() - s.start() > SHORTEST).toList();
  }

  /** Strokes stick out of what is not there, so that few frames may fall below. */
  private static boolean isThere(int[] fallen, int n, int half) {
    int from = Math.max(0, n - half);
    int to = Math.min(fallen.length - 1, n + half);
    return fallen[to] - fallen[from] <= FALLEN * (to - from);
  }

  /** To the first and last frame that do not fall below. */
  private Span grown(int from, int last, int[] fallen) {
    int first = from;
    while (first > 0 && fallen[first] == fallen[first - 1]) {
      first--;
    }
    int end = last;
    while (end < fallen.length - 2 && fallen[end + 2] == fallen[end + 1]) {
      end++;
    }
    return new Span(first * hop, Math.min(audio.duration(), (end + 2) * hop));
  }

  /** Where most bands fall below its level. */
  private boolean isBelow(int frame, double[] floor) {
    int from = Math.max(0, frame - SMOOTH);
    int to = Math.min(all.size() * perLook - 1, frame + SMOOTH);
    int below = 0;
    for (int b = 0; b < StillLook.BANDS; b++) {
      double sum = 0;
      for (int n = from; n <= to; n++) {
        sum += all.get(n / perLook).power()[b][n % perLook];
      }
      below += StillLook.decibels(sum / (to - from + 1), floor[b]) < -GONE_DB ? 1 : 0;
    }
    return below >= StillLook.SURE;
  }

  /** Mean of its quietest moments. */
  private BandPowers powers(List<StillLook> own) {
    double[] quiet =
        own.stream()
            .flatMap(
                l ->
                    IntStream.range(0, perLook)
                        .boxed()
                        .sorted(Comparator.comparingDouble(n -> l.power()[0][n] + l.power()[1][n]))
                        .limit(Math.max(1, MOMENTS / own.size()))
                        .map(n -> (l.first() + n) * hop))
            .mapToDouble(t -> t)
            .toArray();
    return new QuietMeter(audio).at(quiet);
  }
}
