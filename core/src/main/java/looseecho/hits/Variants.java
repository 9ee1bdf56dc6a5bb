package looseecho.hits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import looseecho.activity.Lane;

/**
 * Which bars of a stretch play the same pattern, and which differ.
 *
 * @param patterns the commonest first, named a, b, c, ...
 * @param cycle after how many bars the patterns come round: 1, 2 or 4; 0 when they do not
 */
public record Variants(List<Pattern> patterns, int cycle) {
  private static final double ALIKE = 0.8; // share of the hits of two bars that they have in common
  private static final double ROUND = 0.8; // share of the bars that must agree with a cycle

  /**
   * One pattern.
   *
   * @param name a letter
   * @param bars numbers of the bars that play it
   */
  public record Pattern(String name, List<Integer> bars) {}

  public Variants {
    patterns = List.copyOf(patterns);
  }

  /** Compares the bars {@code first} to before {@code end} in some lanes. */
  public static Variants of(List<Hit> hits, Set<Lane> lanes, int first, int end) {
    List<Set<Integer>> bars = new ArrayList<>();
    for (int b = first; b < end; b++) {
      bars.add(new HashSet<>());
    }
    for (Hit h : hits) {
      if (lanes.contains(h.lane()) && h.bar() >= first && h.bar() < end) {
        bars.get(h.bar() - first).add(h.lane().ordinal() * 100_000 + h.tick());
      }
    }
    List<List<Integer>> groups = new ArrayList<>();
    int[] group = new int[bars.size()];
    for (int b = 0; b < bars.size(); b++) {
      group[b] = -1;
      for (int g = 0; g < groups.size() && group[b] < 0; g++) {
        if (likeness(bars.get(b), bars.get(groups.get(g).get(0) - first)) >= ALIKE) {
          group[b] = g;
        }
      }
      if (group[b] < 0) {
        group[b] = groups.size();
        groups.add(new ArrayList<>());
      }
      groups.get(group[b]).add(first + b);
    }
    groups.sort(Comparator.comparingInt((List<Integer> g) -> -g.size()));
    List<Pattern> patterns = new ArrayList<>();
    for (int g = 0; g < groups.size(); g++) {
      patterns.add(new Pattern(name(g), List.copyOf(groups.get(g))));
    }
    return new Variants(patterns, cycle(group));
  }

  private static String name(int g) {
    return g < 26 ? String.valueOf((char) ('a' + g)) : "z" + (g - 25);
  }

  /** Share of hits in common (Dice 1945); two empty bars are alike. */
  private static double likeness(Set<Integer> a, Set<Integer> b) {
    long both = a.stream().filter(b::contains).count();
    return a.size() + b.size() == 0 ? 1 : 2.0 * both / (a.size() + b.size());
  }

  private static int cycle(int[] group) {
    for (int n : new int[] {1, 2, 4}) {
      int agree = 0;
      for (int b = 0; b + n < group.length; b++) {
        agree += group[b] == group[b + n] ? 1 : 0;
      }
      if (group.length > n && agree >= ROUND * (group.length - n)) {
        return n;
      }
    }
    return 0;
  }

  /** The name of a bar's pattern; empty outside the stretch. */
  public String of(int bar) {
    return patterns.stream()
        .filter(p -> p.bars().contains(bar))
        .map(Pattern::name)
        .findFirst()
        .orElse("");
  }
}
