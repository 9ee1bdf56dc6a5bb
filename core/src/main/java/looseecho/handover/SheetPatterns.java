package looseecho.handover;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;

/** Patterns of a section in black and white: strokes as steps, notes by degree and name. */
final class SheetPatterns {
  private static final int MOST_BARS = 4;
  private static final int STRONG = 96;
  private static final int SOFT = 56;
  private static final double ON_TIME = 3; // ms

  private final Template t;

  SheetPatterns(Template t) {
    this.t = t;
  }

  /** The drums of a section: its first bars, those that are alike once. */
  void drums(Html page, int section) {
    TemplateSection s = t.sections().get(section);
    if (s.drums().isEmpty()) {
      return;
    }
    page.heading(3, title(s));
    Map<String, String> tables = new LinkedHashMap<>(); // by what is struck, lateness aside
    Map<String, String> names = new LinkedHashMap<>();
    List<BarGrid.Bar> bars = t.grid(section).bars();
    for (int k = 0; k < bars.size() && tables.size() < MOST_BARS; k++) {
      String table = bar(s, bars.get(k));
      String struck = table.replaceAll("<small>[^<]*</small>", "");
      tables.putIfAbsent(struck, table);
      names.merge(struck, "bar " + (k + 1), (a, b) -> a + ", " + b.replace("bar ", ""));
    }
    tables.forEach(
        (struck, table) ->
            page.raw("<p class=\"small\">" + names.get(struck) + "</p>\n").raw(table));
  }

  private static String title(TemplateSection s) {
    return (s.label() + " " + s.role()).strip();
  }

  private String bar(TemplateSection s, BarGrid.Bar bar) {
    StringBuilder out = new StringBuilder("<table class=\"steps\"><tbody>\n");
    int steps = bar.ticks() / Meter.STEP;
    for (Map.Entry<DrumPart, List<Stroke>> d : s.drums().entrySet()) {
      out.append("<tr><td class=\"part\">").append(Html.safe(t.name(d.getKey()))).append("</td>");
      for (int k = 0; k < steps; k++) {
        boolean beat = k % t.meter().stepsPerBeat() == 0;
        out.append(beat ? "<td class=\"beat\">" : "<td>");
        int from = bar.from() + k * Meter.STEP - Meter.STEP / 2;
        d.getValue().stream()
            .filter(h -> h.tick() >= from && h.tick() < from + Meter.STEP)
            .findFirst()
            .ifPresent(h -> out.append(stroke(h)));
        out.append("</td>");
      }
      out.append("</tr>\n");
    }
    return out.append("</tbody></table>\n").toString();
  }

  private static String stroke(Stroke h) {
    String mark = h.velocity() >= STRONG ? "X" : h.velocity() >= SOFT ? "x" : "o";
    return Math.abs(h.offsetMs()) < ON_TIME
        ? mark
        : mark + String.format(Locale.ROOT, "<small>%+.0f</small>", h.offsetMs());
  }

  /** The lines of a section, bar by bar. */
  void lines(Html page, int section) {
    TemplateSection s = t.sections().get(section);
    if (s.lines().isEmpty()) {
      return;
    }
    page.heading(3, title(s));
    List<BarGrid.Bar> bars = t.grid(section).bars();
    List<List<String>> rows = new ArrayList<>();
    for (Map.Entry<LinePart, List<Tone>> line : s.lines().entrySet()) {
      for (int k = 0; k < Math.min(MOST_BARS, bars.size()); k++) {
        BarGrid.Bar bar = bars.get(k);
        String notes = notes(line.getValue(), bar);
        if (!notes.isEmpty()) {
          rows.add(List.of(k == 0 ? t.name(line.getKey()) : "", "bar " + (k + 1), notes));
        }
      }
    }
    page.table(List.of("", "", "beat: degree (note)"), rows);
  }

  private String notes(List<Tone> all, BarGrid.Bar bar) {
    Map<Integer, List<String>> at = new java.util.TreeMap<>();
    for (Tone n : all) {
      if (n.tick() >= bar.from() && n.tick() < bar.end()) {
        String words = t.key().degree(n.pitch()) + " (" + t.key().noteName(n.pitch()) + ")";
        at.computeIfAbsent(n.tick() - bar.from(), k -> new ArrayList<>()).add(words);
      }
    }
    List<String> out = new ArrayList<>();
    at.forEach(
        (tick, words) -> {
          double beat = 1 + (double) tick / t.meter().ticksPerBeat();
          String place = String.format(Locale.ROOT, "%.2f", beat).replaceAll("\\.?0+$", "");
          out.add(place + ": " + String.join(" ", words));
        });
    return String.join(", ", out);
  }
}
