package looseecho.handover;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import looseecho.disk.Outputs;
import looseecho.disk.WholeFile;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.exchange.JamsWriter;
import looseecho.exchange.MidiWriter;
import looseecho.exchange.MusicXmlWriter;
import looseecho.exchange.SectionExport;
import looseecho.exchange.SfzWriter;
import looseecho.exchange.TemplateExport;
import looseecho.mix.EchoRenderer;
import looseecho.project.Notebook;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;

/** All kinds of files that a pack can hold. */
public enum Exporters implements Exporter {
  PROJECT("the project itself, to go on with") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      Path file = folder.resolve(h.name() + ".looseecho");
      new ProjectFile().write(h.project(), java.util.Optional.empty(), h.heard(), file);
      return List.of(file);
    }
  },
  SHEET("what the beat is made of, to read and to print, and the logbook") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      progress.step("Writing the sheet", 0);
      String html = new Sheet(h).html();
      Path page = text(folder, "sheet.html", html);
      return List.of(
          page,
          text(folder, "logbook.md", logbook(h)),
          SheetPdf.write(html, SheetPdf.Paper.A4, folder.resolve("sheet.pdf")),
          SheetPdf.write(html, SheetPdf.Paper.LETTER, folder.resolve("sheet letter.pdf")));
    }
  },
  MIDI("template.mid with a track per part, groove.mid, the drums alone") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      progress.step("Writing the notes", 0);
      Path all = folder.resolve("template.mid");
      new MidiWriter().write(TemplateExport.song(h.template()), all);
      List<TemplateSection> drums = new ArrayList<>();
      for (TemplateSection s : h.template().sections()) {
        TemplateSection out = s;
        for (LinePart line : s.lines().keySet()) {
          out = out.without(line);
        }
        drums.add(out);
      }
      Path groove = folder.resolve("groove.mid");
      new MidiWriter().write(TemplateExport.song(h.template().with(drums)), groove);
      return List.of(all, groove);
    }
  },
  SCORE("score.musicxml, drums, bass, chords and riff as notes") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      progress.step("Writing the score", 0);
      Path file = folder.resolve("score.musicxml");
      MusicXmlWriter.write(h.template(), h.name(), file);
      return List.of(file);
    }
  },
  TABLES("every stroke and note as tables, the sections as labels") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      progress.step("Writing the tables", 0);
      return List.of(
          text(folder, "strokes.csv", strokes(h.template())),
          text(folder, "notes.csv", notes(h.template())),
          text(folder, "sections.txt", labels(h.template())));
    }
  },
  JAMS("heard.jams, all that was heard of the track") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      if (h.heard().isEmpty()) {
        return List.of();
      }
      Path file = folder.resolve("heard.jams");
      new JamsWriter().write(h.heard().get(), h.layers(), h.name(), file);
      return List.of(file);
    }
  },
  STEMS("stems/, the mix and 24-bit stems that add up to it") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      Path stems = Files.createDirectory(folder.resolve("stems"));
      EchoRenderer renderer = new EchoRenderer(h.project().sounds());
      TemplateExport.Sound all = TemplateExport.Sound.STEMS;
      return new TemplateExport()
          .writeSound(h.template(), renderer, stems, h.stems(), all, progress);
    }
  },
  SECTIONS("sections/, the same section by section") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      Path sections = Files.createDirectory(folder.resolve("sections"));
      return new SectionExport()
          .write(
              h.template(),
              new EchoRenderer(h.project().sounds()),
              sections,
              h.stems(),
              true,
              new Outputs(Set.of(), false),
              progress);
    }
  },
  KIT("kit/, the sounds as samples with SFZ files to play them from") {
    @Override
    public List<Path> write(Handover h, Path folder, Progress progress) throws IOException {
      Path kit = Files.createDirectory(folder.resolve("kit"));
      EchoRenderer renderer = new EchoRenderer(h.project().sounds());
      return new SfzWriter(h.template(), renderer, kit, progress).write();
    }
  };

  private final String about;

  Exporters(String about) {
    this.about = about;
  }

  @Override
  public String about() {
    return about;
  }

  static Path text(Path folder, String name, String words) throws IOException {
    Path file = folder.resolve(name);
    WholeFile.write(file, part -> Files.write(part, words.getBytes(StandardCharsets.UTF_8)));
    return file;
  }

  private static String logbook(Handover h) {
    StringBuilder out = new StringBuilder("# " + h.name() + "\n\n");
    for (LogLine l : h.project().log()) {
      String at = l.when().isEmpty() ? "" : l.when() + " ";
      out.append("1. ").append(at).append(l.told()).append('\n');
    }
    Notebook n = h.project().notebook();
    n.verdicts().entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            e -> out.append("\n**").append(e.getKey()).append("**: ").append(e.getValue().words()));
    for (Notebook.Note note : n.notes()) {
      out.append(note.question() ? "\n- [ ] " : "\n- ").append(note.told(h.template()));
    }
    return out.append('\n').toString();
  }

  private static String strokes(Template t) {
    StringBuilder out = new StringBuilder("section,part,bar,step,seconds,late_ms,velocity\n");
    for (int k = 0; k < t.sections().size(); k++) {
      TemplateSection s = t.sections().get(k);
      for (DrumPart d : s.drums().keySet()) {
        for (Stroke h : s.hits(d)) {
          row(out, t, k, d, h.tick(), h.offsetMs());
          out.append(h.velocity()).append('\n');
        }
      }
    }
    return out.toString();
  }

  private static String notes(Template t) {
    StringBuilder out =
        new StringBuilder(
            "section,part,bar,step,seconds,late_ms,velocity,pitch,note,degree,length_steps\n");
    for (int k = 0; k < t.sections().size(); k++) {
      TemplateSection s = t.sections().get(k);
      for (LinePart l : s.lines().keySet()) {
        for (Tone n : s.notes(l)) {
          row(out, t, k, l, n.tick(), n.offsetMs());
          out.append(
              String.format(
                  Locale.ROOT,
                  "%d,%d,%s,%s,%.2f%n",
                  n.velocity(),
                  n.pitch(),
                  t.key().noteName(n.pitch()),
                  t.key().degree(n.pitch()),
                  n.lengthTicks() / (double) looseecho.pulse.Meter.STEP));
        }
      }
    }
    return out.toString();
  }

  private static void row(
      StringBuilder out, Template t, int section, Part part, int tick, double late) {
    int beats = t.firstBeat(section);
    long ticks = (long) beats * t.meter().ticksPerBeat() + tick;
    var spot = t.grid(section).spot(tick);
    out.append(
        String.format(
            Locale.ROOT,
            "%s,%s,%d,%.2f,%.4f,%.1f,",
            quoted(t.sections().get(section).label()),
            quoted(t.name(part)),
            1 + ticks / t.ticksPerBar(),
            1 + spot.inBar() / (double) looseecho.pulse.Meter.STEP,
            Math.max(0, t.time(section, tick, late)),
            late));
  }

  private static String quoted(String words) {
    return words.matches("[\\p{L}\\p{N} .-]*") ? words : '"' + words.replace("\"", "\"\"") + '"';
  }

  /** Start, end and name, parted by tabs. */
  private static String labels(Template t) {
    StringBuilder out = new StringBuilder();
    for (int k = 0; k < t.sections().size(); k++) {
      TemplateSection s = t.sections().get(k);
      double start = Math.max(0, t.time(k, 0, 0)); // a first beat can lie a hair before
      double end = t.time(k, t.ticks(k), 0);
      String name = (s.label() + " " + s.role()).strip().replace('\t', ' ');
      out.append(String.format(Locale.ROOT, "%.6f\t%.6f\t%s%n", start, end, name));
    }
    return out.toString();
  }
}
