package looseecho.handover;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import looseecho.compare.Finding;
import looseecho.dsp.ThirdOctaves;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Words;
import looseecho.layers.HeardLayer;
import looseecho.mix.Duck;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.project.Notebook;
import looseecho.project.Notebook.Note;

/**
 * What a beat is made of, as one page that needs nothing beside it, in the order of the job:
 * ground, sections, patterns, notes, layers, sounds, what leads where, how near it is, the logbook.
 */
public final class Sheet {
  /** What has to be said wherever something is handed on. */
  /** What holds for all that is handed on. */
  public static final String CAUTION =
      "A pattern learnt from a recording may be free to use; a recording, a melody or words usually"
          + " are not. What was cut out of the track is for study. Laws differ: where money is"
          + " made, ask someone who knows them where you are.";

  private static final String STYLE =
      """
      body { font-family: Helvetica, Arial, sans-serif; font-size: 10pt; color: #000;
        background: #fff; max-width: 190mm; margin: 8mm auto; line-height: 1.35; }
      h1 { font-size: 18pt; margin: 0 0 2mm 0; }
      h2 { font-size: 13pt; margin: 7mm 0 2mm 0; border-bottom: 1px solid #000;
        page-break-after: avoid; }
      h3 { font-size: 10.5pt; margin: 4mm 0 1mm 0; page-break-after: avoid; }
      table { border-collapse: collapse; width: 100%; page-break-inside: auto; }
      th { text-align: left; border-bottom: 1px solid #000; padding: 1mm 2mm 1mm 0; }
      td { vertical-align: top; padding: 0.7mm 2mm 0.7mm 0; border-bottom: 1px solid #bbb; }
      tr { page-break-inside: avoid; }
      table.steps { width: auto; margin-bottom: 2mm; }
      table.steps td { border: 1px solid #999; width: 5.4mm; height: 5mm; padding: 0;
        text-align: center; font-size: 8.5pt; }
      table.steps td.part { width: 30mm; text-align: left; padding-left: 1mm; border: none; }
      table.steps td.beat { border-left: 2px solid #000; }
      table.steps small { font-size: 5.5pt; display: block; line-height: 1; }
      table.steps { page-break-inside: avoid; }
      td.short { white-space: nowrap; }
      .small { font-size: 8.5pt; page-break-after: avoid; }
      @page { margin: 14mm 12mm; }
      """;

  private final Handover h;
  private final Template t;

  public Sheet(Handover h) {
    this.h = h;
    this.t = h.template();
  }

  /** The page. */
  public String html() {
    Html page = new Html();
    page.raw("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"/><title>")
        .raw(Html.safe(h.name()))
        .raw("</title><style>\n")
        .raw(STYLE)
        .raw("</style></head><body>\n");
    page.heading(1, h.name());
    page.paragraph("After " + h.project().reference().name());
    ground(page);
    sections(page);
    SheetPatterns patterns = new SheetPatterns(t);
    page.heading(2, "Patterns");
    page.raw(
        "<p class=\"small\">X strong, x usual, o soft. Below a stroke: how many ms late (+) or"
            + " early (-).</p>\n");
    firsts().forEach((letter, k) -> patterns.drums(page, k));
    page.heading(2, "Notes");
    firsts().forEach((letter, k) -> patterns.lines(page, k));
    layers(page);
    sounds(page);
    movement(page);
    nearness(page);
    notes(page);
    page.heading(2, "What is only near");
    page.list(Approximations.of(h));
    page.heading(2, "Logbook");
    page.table(
        List.of("When", "What", "Before and after", "Why"),
        h.project().log().stream()
            .map(l -> List.of(l.when(), l.words(), l.change(), l.why()))
            .toList());
    page.heading(2, "Before you use it");
    page.paragraph(CAUTION);
    page.raw("</body></html>\n");
    return page.toString();
  }

  /** The first section of each letter: the others are alike. */
  private Map<String, Integer> firsts() {
    Map<String, Integer> out = new LinkedHashMap<>();
    for (int k = 0; k < t.sections().size(); k++) {
      out.putIfAbsent(t.sections().get(k).label(), k);
    }
    return out;
  }

  private void ground(Html page) {
    page.heading(2, "Ground");
    List<List<String>> rows = new ArrayList<>();
    rows.add(List.of("Tempo", Words.bpm(t.bpm())));
    rows.add(List.of("Meter", t.meter().words()));
    rows.add(List.of("Key", t.key().words()));
    double bars = (double) (t.beats().size() - 1) / t.beatsPerBar();
    rows.add(List.of("Length", Words.bars(bars) + ", " + clock(t.end())));
    h.heard()
        .flatMap(a -> a.feel().swing())
        .ifPresent(s -> rows.add(List.of("Feel of the track", s.words())));
    page.table(List.of("", ""), rows);
  }

  private static String clock(double seconds) {
    long whole = Math.round(seconds);
    return String.format(Locale.ROOT, "%d:%02d", whole / 60, whole % 60);
  }

  private void sections(Html page) {
    page.heading(2, "Sections");
    List<List<String>> rows = new ArrayList<>();
    for (int k = 0; k < t.sections().size(); k++) {
      TemplateSection s = t.sections().get(k);
      List<String> parts = Part.of(s).stream().map(t::name).toList();
      rows.add(
          List.of(
              s.label(),
              s.role(),
              clock(t.time(k, 0, 0)),
              Words.bars((double) s.beats() / t.beatsPerBar()),
              String.join(", ", parts)));
    }
    page.table(List.of("", "Role", "From", "Length", "What plays"), rows);
  }

  private void layers(Html page) {
    if (h.layers().isEmpty()) {
      return;
    }
    page.heading(2, "Layers of the track");
    List<List<String>> rows = new ArrayList<>();
    for (HeardLayer l : h.layers()) {
      List<String> when =
          l.active().stream().map(s -> clock(s.start()) + " to " + clock(s.end())).toList();
      rows.add(
          List.of(
              l.name(),
              l.job(),
              ThirdOctaves.words(l.lowHz(), l.highHz()),
              place(l.image().pan()),
              String.format(Locale.ROOT, "%.0f %%", 100 * Math.min(1, 2 * l.image().width())),
              String.format(Locale.ROOT, "%+.0f dB", l.levelDb()),
              String.join(", ", when)));
    }
    page.table(List.of("", "Job", "Band", "Place", "Width", "Level", "Plays"), rows);
  }

  private static String place(double pan) {
    long share = Math.round(100 * Math.abs(pan));
    return share < 3 ? "middle" : (pan < 0 ? "left " : "right ") + share;
  }

  private void sounds(Html page) {
    page.heading(2, "Sounds");
    Sounds sounds = h.project().sounds();
    List<List<String>> rows = new ArrayList<>();
    for (Part part : Part.of(t)) {
      Strip s = sounds.strip(part);
      rows.add(
          List.of(
              t.name(part),
              SoundWords.of(sounds.sound(part)),
              String.format(Locale.ROOT, "%+.1f dB", s.levelDb()),
              place(s.pan()),
              String.format(Locale.ROOT, "%.0f %%", 100 * s.width()),
              s.duckDb() < 0.5
                  ? ""
                  : String.format(
                      Locale.ROOT,
                      "%.0f dB %s, back in %.0f ms",
                      s.duckDb(),
                      s.duck().first() == Duck.First.NONE
                          ? "in every bar"
                          : "by the " + s.duckBy().words(),
                      s.duckMs())));
    }
    page.table(List.of("", "Made of", "Level", "Place", "Width", "Ducked"), rows);
  }

  private void movement(Html page) {
    List<String> lines = new ArrayList<>();
    for (int k = 0; k < t.sections().size(); k++) {
      TemplateSection s = t.sections().get(k);
      String where = s.label() + " at " + clock(t.time(k, 0, 0)) + ": ";
      s.movement().transitions().forEach(x -> lines.add(where + x.kind().words()));
      s.movement().courses().forEach(c -> lines.add(where + scope(c.scope()) + ", " + c.words()));
    }
    if (!lines.isEmpty()) {
      page.heading(2, "What moves and what leads in");
      page.list(lines);
    }
  }

  private String scope(String scope) {
    return Part.of(t).stream()
        .filter(p -> p.toString().equals(scope))
        .map(t::name)
        .findFirst()
        .orElse(scope);
  }

  private void notes(Html page) {
    Notebook n = h.project().notebook();
    List<String> verdicts = new ArrayList<>();
    n.verdicts().forEach((part, v) -> verdicts.add(part + ": " + v.words()));
    verdicts.sort(null);
    if (!verdicts.isEmpty()) {
      page.heading(2, "Verdicts");
      page.list(verdicts);
    }
    List<String> open = n.notes().stream().filter(Note::question).map(x -> x.told(t)).toList();
    if (!open.isEmpty()) {
      page.heading(2, "Open questions");
      page.list(open);
    }
    List<String> rest = n.notes().stream().filter(x -> !x.question()).map(x -> x.told(t)).toList();
    if (!rest.isEmpty()) {
      page.heading(2, "Notes");
      page.list(rest);
    }
  }

  private void nearness(Html page) {
    h.comparison()
        .ifPresent(
            c -> {
              page.heading(2, "How near it is");
              page.paragraph(String.format(Locale.ROOT, "%.0f of 100 as a whole", c.score()));
              List<List<String>> rows = new ArrayList<>();
              c.scores()
                  .forEach(
                      (part, score) ->
                          rows.add(List.of(part, String.format(Locale.ROOT, "%.0f", score))));
              page.table(List.of("", "of 100"), rows);
              List<String> open = c.differences().stream().limit(10).map(Finding::words).toList();
              if (!open.isEmpty()) {
                page.heading(3, "What is noticed first");
                page.list(open);
              }
            });
  }
}
