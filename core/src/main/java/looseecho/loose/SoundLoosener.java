package looseecho.loose;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import looseecho.echo.Template;
import looseecho.mix.Sounds;

/**
 * Loosens the sounds of a template step by step, two for every {@value #PER_PAIR} of the amount.
 * Deterministic: the same sounds, template, amount and seed give the same sounds.
 */
public final class SoundLoosener {
  private static final int PER_PAIR = 25;

  /** One thing that was done; the words say what, and what it kept. */
  public record Step(Sounds sounds, String words) {}

  /**
   * The steps from the sounds to the loosened ones, each with all sounds after it.
   *
   * @param amount 0 leaves them as they are, 100 is loosest
   */
  public List<Step> loosen(Sounds sounds, Template t, int amount, long seed) {
    int count = 2 * ((Math.max(0, Math.min(100, amount)) + PER_PAIR - 1) / PER_PAIR);
    SplittableRandom random = new SplittableRandom(seed);
    List<SoundOperations.Op> left = new ArrayList<>(SoundOperations.ALL);
    left.removeIf(o -> o.least() > amount);
    List<Step> out = new ArrayList<>();
    Sounds now = sounds;
    while (out.size() < count && !left.isEmpty()) {
      SoundOperations.Op op = left.remove(random.nextInt(left.size()));
      Optional<Sounds> next = op.apply(now, t, random.split());
      if (next.isPresent()) {
        now = next.get();
        String name = op.name().substring(0, 1).toUpperCase(Locale.ROOT) + op.name().substring(1);
        out.add(new Step(now, name + ". Kept: " + op.kept()));
      }
    }
    return out;
  }

  /** What can be done, in words. */
  public static List<String> operations() {
    return SoundOperations.ALL.stream().map(SoundOperations.Op::name).toList();
  }
}
