package looseecho.desktop.ledger;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.echo.Words;
import looseecho.hits.Groove;
import looseecho.hits.Hit;
import looseecho.hits.Swing;
import looseecho.hits.Variants;
import looseecho.pulse.Pulse;

/** How each drum plays in the bars {@code first} to before {@code end}, in words. */
record DrumWords(
    List<Hit> hits, Pulse pulse, Map<Lane, Groove.LaneFeel> lanes, int first, int end) {

  /** One drum's feel, place beside the kick and swing. */
  String of(Lane lane) {
    Groove.LaneFeel feel = lanes.get(lane);
    StringBuilder out = new StringBuilder(feel.words());
    if (lane != Lane.KICK && lanes.containsKey(Lane.KICK)) {
      out.append(beside(feel.offsetMs() - lanes.get(Lane.KICK).offsetMs()));
    }
    if (!pulse.meter().value().compound()) {
      Swing.of(here(lane), pulse).ifPresent(s -> out.append(text("; swing %.0f %%", s.percent())));
    }
    return out.toString();
  }

  /** Its density, syncopation, loudness and pattern, a line each. */
  String more(Lane lane) {
    Groove.LaneFeel feel = lanes.get(lane);
    String gaps =
        Double.isNaN(feel.variability())
            ? ""
            : text("\nGaps between strokes change by %.0f %% (nPVI)", feel.variability());
    String loudness = text("\nLoudest and softest step: %.0f apart", feel.accent());
    String pattern = cycle(Variants.of(hits, EnumSet.of(lane), first, end));
    String syncopation =
        feel.syncopation() > 0 ? "\nSyncopation " + feel.syncopation() : "\nNo syncopation";
    return text("%.1f hits a bar", feel.perBar()) + syncopation + loudness + gaps + "\n" + pattern;
  }

  private List<Hit> here(Lane lane) {
    return hits.stream()
        .filter(h -> h.lane() == lane && h.bar() >= first && h.bar() < end)
        .toList();
  }

  private static String beside(double ms) {
    long by = Math.round(Math.abs(ms));
    return by == 0
        ? ", with the kick"
        : text(", %d ms %s the kick", by, ms > 0 ? "behind" : "before");
  }

  /** After how many bars a pattern comes round, and how many variants it has. */
  static String cycle(Variants v) {
    String round =
        v.cycle() == 0
            ? "No pattern comes round regularly"
            : "The pattern comes round every " + Words.bars(v.cycle());
    int count = v.patterns().size();
    return round + ", " + count + (count == 1 ? " variant" : " variants");
  }

  private static String text(String format, Object... values) {
    return String.format(Locale.ROOT, format, values);
  }
}
