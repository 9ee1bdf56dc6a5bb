package looseecho.notes;

import java.util.List;
import java.util.Locale;

/**
 * How bass and kick fit into each other: which notes fall with a kick, which into its gaps.
 *
 * @param with for every note, whether a kick falls with it
 * @param kicksFollowed share of the kicks that a note falls with, 0..1
 */
public record Interlock(List<Boolean> with, double kicksFollowed) {
  private static final double TOGETHER = 0.035; // seconds: heard as one attack (common practice)
  private static final double MOSTLY = 0.8;

  public Interlock {
    with = List.copyOf(with);
  }

  /** Of notes and kicks, both in order of time. */
  public static Interlock of(List<Note> bass, List<Double> kicks) {
    List<Double> attacks = bass.stream().map(Note::start).toList();
    long followed = together(kicks, attacks).stream().filter(w -> w).count();
    return new Interlock(
        together(attacks, kicks), kicks.isEmpty() ? 0 : (double) followed / kicks.size());
  }

  /** For every attack in seconds, whether one of the others falls with it. */
  public static List<Boolean> together(List<Double> attacks, List<Double> others) {
    return attacks.stream()
        .map(a -> others.stream().anyMatch(o -> Math.abs(o - a) <= TOGETHER))
        .toList();
  }

  /** Share of the notes that fall with a kick. */
  public double share() {
    return with.isEmpty() ? 0 : (double) with.stream().filter(w -> w).count() / with.size();
  }

  /** In words. */
  public String words() {
    if (with.isEmpty()) {
      return "no bass here";
    }
    String figure =
        String.format(
            Locale.ROOT,
            "%.0f %% of the notes fall with the kick, %.0f %% into its gaps",
            100 * share(),
            100 * (1 - share()));
    if (share() >= MOSTLY) {
      return figure + ": it follows the kick";
    }
    return figure
        + (share() <= 1 - MOSTLY ? ": it answers the kick" : ": both together make the bounce");
  }
}
