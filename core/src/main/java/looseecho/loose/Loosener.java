package looseecho.loose;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import looseecho.echo.Edits.Edited;
import looseecho.echo.Template;

/**
 * Loosens a template step by step. Deterministic: the same template, amounts and seed give the same
 * beat.
 *
 * <p>The sounds have a {@link SoundLoosener} of their own. Per aspect and label one operation is
 * drawn for every {@value #PER_OPERATION} of the amount; sections with the same label get the same
 * change, so that what was alike stays alike. An operation never comes twice in a section, and
 * strong ones come only from some amount on.
 */
public final class Loosener {
  private static final int PER_OPERATION = 25;
  private static final List<Operation> ALL =
      Stream.of(
              TimingOperations.ALL,
              PatternOperations.ALL,
              NoteOperations.ALL,
              ArrangementOperations.ALL)
          .flatMap(List::stream)
          .toList();

  /** One thing that was done; the words say what, where, and what it kept. */
  public record Step(Template template, String words) {
    public Edited edit() {
      return new Edited(template, words);
    }
  }

  /**
   * The steps from the template to the loosened one, each with the whole template after it.
   *
   * @param amounts 0 leaves the aspect as it is, 100 is loosest; missing aspects are left
   */
  public List<Step> loosen(Template t, Map<Aspect, Integer> amounts, long seed) {
    List<Step> out = new ArrayList<>();
    SplittableRandom random = new SplittableRandom(seed);
    Template now = t;
    for (Aspect aspect : Aspect.values()) {
      int amount = Math.max(0, Math.min(100, amounts.getOrDefault(aspect, 0)));
      int count = (amount + PER_OPERATION - 1) / PER_OPERATION;
      for (String label : labels(now)) {
        List<Operation> left = new ArrayList<>(ALL);
        left.removeIf(o -> o.aspect() != aspect || o.least() > amount);
        SplittableRandom own = random.split();
        for (int done = 0; done < count && !left.isEmpty(); ) {
          Operation op = left.remove(own.nextInt(left.size()));
          Optional<Template> next = everywhere(now, label, op, own.nextLong());
          if (next.isPresent()) {
            now = next.get();
            out.add(new Step(now, words(op, label)));
            done++;
          }
        }
      }
    }
    return out;
  }

  private static List<String> labels(Template t) {
    return t.sections().stream().map(s -> s.label()).distinct().toList();
  }

  /** Does the same to all sections of a label, from the last to the first. */
  private static Optional<Template> everywhere(Template t, String label, Operation op, long seed) {
    Template now = t;
    boolean any = false;
    for (int s = t.sections().size() - 1; s >= 0; s--) {
      if (now.sections().get(s).label().equals(label)) {
        Optional<Template> next = op.work().apply(now, s, new SplittableRandom(seed));
        any |= next.isPresent();
        now = next.orElse(now);
      }
    }
    return any ? Optional.of(now) : Optional.empty();
  }

  private static String words(Operation op, String label) {
    String name = op.name().substring(0, 1).toUpperCase(Locale.ROOT) + op.name().substring(1);
    return name + " in " + label + ". Kept: " + op.kept();
  }

  /** What can be done, by aspect, in words. */
  public static Map<Aspect, List<String>> operations() {
    Map<Aspect, List<String>> out = new LinkedHashMap<>();
    out.put(Aspect.SOUNDS, SoundLoosener.operations());
    for (Operation o : ALL) {
      out.computeIfAbsent(o.aspect(), a -> new ArrayList<>()).add(o.name());
    }
    return out;
  }
}
