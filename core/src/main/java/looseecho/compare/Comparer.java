package looseecho.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import looseecho.layers.HeardLayer;
import looseecho.layers.LayerFinder;
import looseecho.reading.Progress;
import looseecho.separate.StemPowers;

/** Measures how near an echo is to its reference. Everything is measured in one way on both. */
public final class Comparer {
  private Comparer() {}

  /** Compares; takes a while, since both are parted. */
  public static Comparison compare(Side reference, Side echo, Progress progress) {
    return compare(reference, p -> reference.parted(p), echo, progress);
  }

  /**
   * The same for a reference that may have been parted before.
   *
   * @param parted gives its groups, and tells how far it is
   */
  public static Comparison compare(
      Side reference, Function<Progress, StemPowers> parted, Side echo, Progress progress) {
    List<Finding> all =
        new ArrayList<>(new PatternCompare(reference.template(), echo.template()).find());
    progress.step("Comparing the mixes", 0.05);
    all.addAll(MixCompare.find(reference.audio(), echo.audio()));
    progress.step("Comparing the sounds", 0.2);
    all.addAll(SoundCompare.find(reference, echo));
    List<HeardLayer> want = layers(reference, parted.apply(part(progress, 0.4)));
    List<HeardLayer> have = layers(echo, echo.parted(part(progress, 0.7)));
    all.addAll(new LayerCompare(echo).find(want, have));
    return new Comparison(all);
  }

  private static List<HeardLayer> layers(Side side, StemPowers parted) {
    return new LayerFinder(side.audio(), parted, side.played()).find();
  }

  /** The next three tenths of a progress. */
  private static Progress part(Progress all, double from) {
    return (stage, share) -> all.step("Comparing the layers", from + 0.3 * share);
  }
}
