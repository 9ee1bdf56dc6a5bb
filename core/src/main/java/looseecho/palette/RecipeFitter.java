package looseecho.palette;

import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sound;
import looseecho.mix.Strip;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import looseecho.synth.Source;
import looseecho.synth.ToneSound;

/**
 * Turns the dials of an echo's recipe until it sounds most like a heard sound: analysis by
 * synthesis, each dial in turn up and down in ever smaller steps (coordinate search; R. Hooke and
 * T. A. Jeeves, "Direct search solution of numerical and statistical problems", JACM 8, 1961).
 * Deterministic; the sound stays as loud as it was.
 */
public final class RecipeFitter {
  private static final double[] OCTAVES = {1, 0.5, 0.25};
  private static final double[] SHARES = {0.3, 0.15, 0.07};
  private static final double WORTH = 0.03; // decibels that a turn has to bring

  private final EchoRenderer renderer;

  public RecipeFitter(EchoRenderer renderer) {
    this.renderer = renderer;
  }

  /**
   * What came of it.
   *
   * @param sound the echo's, with its recipe turned
   * @param before decibels that it was apart
   * @param after decibels that it is apart now
   * @param steps what was turned, in the order of the advice; empty where there was no recipe
   */
  public record Fitted(Sound sound, double before, double after, List<String> steps) {}

  /** Fits the sound's first layer, where it is a recipe. */
  public Fitted fit(HeardSound heard, Sound from, Progress progress) {
    if (from.source() instanceof DrumSound drum) {
      return fit(heard, from, drum, RecipeDial.DRUM, progress);
    }
    if (from.source() instanceof ToneSound tone) {
      return fit(heard, from, tone, RecipeDial.TONE, progress);
    }
    double apart = heard.apart(heard.inEcho(renderer, from));
    return new Fitted(from, apart, apart, List.of());
  }

  private record Tried<S>(S recipe, double apart) {}

  private <S extends Source> Fitted fit(
      HeardSound heard, Sound from, S recipe, List<RecipeDial<S>> dials, Progress progress) {
    Picture own = heard.cutOut();
    Function<S, Tried<S>> listen =
        r -> new Tried<>(r, HeardSound.apart(own, heard.inEcho(renderer, from.with(r))));
    Tried<S> first = listen.apply(recipe);
    Tried<S> best = first;
    for (int round = 0; round < OCTAVES.length; round++) {
      for (RecipeDial<S> dial : dials) {
        progress.step("Turning the dials", (double) round / OCTAVES.length);
        double by = dial.octaves() ? OCTAVES[round] : SHARES[round];
        S now = best.recipe();
        Tried<S> turned =
            DoubleStream.of(by, -by)
                .parallel()
                .mapToObj(b -> dial.turned(now, b))
                .filter(r -> !r.equals(now))
                .map(listen)
                .min(Comparator.comparingDouble(Tried::apart))
                .orElse(best);
        best = turned.apart() < best.apart() - WORTH ? turned : best;
      }
    }
    S fitted = best.recipe();
    List<String> steps =
        dials.stream().map(d -> d.step(recipe, fitted)).filter(s -> !s.isEmpty()).toList();
    return new Fitted(asLoud(heard, from, from.with(fitted)), first.apart(), best.apart(), steps);
  }

  private Sound asLoud(HeardSound heard, Sound before, Sound after) {
    double had = StrokeEnergy.of(heard.inEcho(renderer, before));
    double has = StrokeEnergy.of(heard.inEcho(renderer, after));
    Strip strip = after.strip();
    double level = strip.levelDb() + 10 * Math.log10((had + 1e-12) / (has + 1e-12));
    return after.with(strip.level(Math.max(-80, Math.min(24, level))));
  }
}
