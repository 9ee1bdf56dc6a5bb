package looseecho.compare;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How near an echo is to its reference.
 *
 * @param findings the most noticed first; those that agree are in it, too, with nothing noticed
 */
public record Comparison(List<Finding> findings) {
  private static final double WHOLE = 0.3; // what the mix counts beside the parts

  public Comparison {
    findings = findings.stream().sorted(Comparator.comparingDouble(f -> -f.noticed())).toList();
  }

  /** What differs, the most noticed first. */
  public List<Finding> differences() {
    return findings.stream().filter(f -> f.noticed() > 0).toList();
  }

  /** The same in which some parts shall differ: what they do is shown, but is no fault. */
  public Comparison without(Set<String> wanted) {
    return new Comparison(findings.stream().filter(f -> !wanted.contains(f.of())).toList());
  }

  /** Scores by part, each the mean of its readings, and of the mix; in no order. */
  public Map<String, Double> scores() {
    return findings.stream()
        .collect(
            Collectors.groupingBy(
                Finding::of, LinkedHashMap::new, Collectors.averagingDouble(Finding::score)));
  }

  /** 100 for an echo that can't be told from its reference. */
  public double score() {
    Map<String, Double> all = scores();
    Double whole = all.remove(Finding.MIX);
    double parts = all.values().stream().mapToDouble(v -> v).average().orElse(100);
    return whole == null ? parts : (1 - WHOLE) * parts + WHOLE * whole;
  }
}
