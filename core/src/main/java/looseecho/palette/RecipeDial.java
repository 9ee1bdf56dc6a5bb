package looseecho.palette;

import java.util.List;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.Function;
import looseecho.synth.DrumSound;
import looseecho.synth.DrumSound.Dial;
import looseecho.synth.Source;
import looseecho.synth.ToneSound;

/**
 * A number of a recipe that can be turned, in the order in which it is advised: wave, filter,
 * drive, and then the rest.
 *
 * @param words how it is called
 * @param unit of its values; empty for a share
 * @param low its least value
 * @param high its largest
 * @param octaves true where its values count by their ratio
 */
record RecipeDial<S extends Source>(
    String words,
    String unit,
    double low,
    double high,
    boolean octaves,
    Function<S, Double> get,
    BiFunction<S, Double, S> with) {
  private static final double HEARD_OCTAVES = 0.1;
  private static final double HEARD_SHARE = 0.05;

  static final List<RecipeDial<ToneSound>> TONE =
      List.of(
          share("saw in the wave", 0, 1, ToneSound::saw, ToneSound::wave),
          share("octave below", 0, 1, ToneSound::sub, ToneSound::subbed),
          ratio("filter", "Hz", 60, 16_000, ToneSound::cutoffHz, ToneSound::filtered),
          ratio("filter's opening", "Hz", 50, 8_000, ToneSound::openHz, ToneSound::opening),
          share("drive", 0, 4, ToneSound::drive, ToneSound::driven),
          ratio("attack", "ms", 1, 300, ToneSound::attackMs, ToneSound::rising),
          ratio("decay", "ms", 20, 1_500, ToneSound::decayMs, ToneSound::decaying),
          share("held level", 0, 1, ToneSound::sustain, ToneSound::holding),
          ratio("release", "ms", 10, 800, ToneSound::releaseMs, ToneSound::releasing));

  static final List<RecipeDial<DrumSound>> DRUM =
      List.of(
          drum("pitch", "Hz", 30, 2_000, Dial.TONE),
          drum("sweep", "times", 1, 20, Dial.SWEEP),
          drum("sweep's time", "ms", 2, 200, Dial.SWEEP_MS),
          share("noise", 0, 1.5, s -> s.get(Dial.NOISE), (s, v) -> s.with(Dial.NOISE, v)),
          drum("noise up to", "Hz", 200, 18_000, Dial.HIGH),
          drum("noise from", "Hz", 30, 12_000, Dial.LOW),
          share("clang", 0, 1, s -> s.get(Dial.CLANG), (s, v) -> s.with(Dial.CLANG, v)),
          drum("tone's decay", "ms", 5, 900, Dial.TONE_MS),
          drum("noise's decay", "ms", 4, 900, Dial.NOISE_MS));

  private static <S extends Source> RecipeDial<S> share(
      String words,
      double low,
      double high,
      Function<S, Double> get,
      BiFunction<S, Double, S> with) {
    return new RecipeDial<>(words, "", low, high, false, get, with);
  }

  private static <S extends Source> RecipeDial<S> ratio(
      String words,
      String unit,
      double low,
      double high,
      Function<S, Double> get,
      BiFunction<S, Double, S> with) {
    return new RecipeDial<>(words, unit, low, high, true, get, with);
  }

  private static RecipeDial<DrumSound> drum(
      String words, String unit, double low, double high, Dial dial) {
    return ratio(words, unit, low, high, s -> s.get(dial), (s, v) -> s.with(dial, v));
  }

  /** The recipe with this turned by octaves, or by a share of its way; itself where it is off. */
  S turned(S recipe, double by) {
    double now = get.apply(recipe);
    if (octaves && now <= 0) {
      return recipe; // what is left out stays left out
    }
    double then = octaves ? now * Math.pow(2, by) : now + by * (high - low);
    return with.apply(recipe, Math.max(Math.min(low, now), Math.min(Math.max(high, now), then)));
  }

  /** What was turned between two recipes: "filter 320 to 640 Hz"; empty where nobody hears it. */
  String step(S before, S after) {
    double a = get.apply(before);
    double b = get.apply(after);
    boolean heard =
        octaves
            ? a > 0 && Math.abs(Math.log(b / a) / Math.log(2)) > HEARD_OCTAVES
            : Math.abs(b - a) > HEARD_SHARE * (high - low);
    if (!heard) {
      return "";
    }
    return octaves
        ? String.format(Locale.ROOT, "%s %.0f to %.0f %s", words, a, b, unit)
        : String.format(Locale.ROOT, "%s %.0f to %.0f %%", words, 100 * a, 100 * b);
  }
}
