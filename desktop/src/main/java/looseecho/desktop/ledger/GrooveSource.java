package looseecho.desktop.ledger;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.echo.Elsewhere;
import looseecho.echo.GrooveLift;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.exchange.MidiGroove;
import looseecho.exchange.MidiParts;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;

/**
 * What a section or a file has to give.
 *
 * @param name as it is offered
 */
record GrooveSource(String name, GrooveLift groove, Elsewhere parts) {
  /** A section of a template, from 0. */
  static GrooveSource of(Template t, int section, String before) {
    String name = section + 1 + "  " + t.sections().get(section).label() + " " + role(t, section);
    return new GrooveSource(before + name, GrooveLift.of(t, section), Elsewhere.of(t, section));
  }

  private static String role(Template t, int section) {
    return t.sections().get(section).role();
  }

  /** A MIDI file, or every section of a project or of another track, which is heard first. */
  static List<GrooveSource> read(Path of, Progress progress) throws IOException {
    String name = String.valueOf(of.getFileName());
    String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    return switch (ending) {
      case "mid", "midi" ->
          List.of(new GrooveSource(name, MidiGroove.read(of), MidiParts.read(of)));
      case "looseecho" -> sections(new ProjectFile().read(of).template(), name);
      default -> {
        Audio audio = new AudioReader().read(of, progress).audio();
        Template heard =
            new TemplateBuilder()
                .build(new Analyzer().analyse(audio, Corrections.NONE, progress))
                .orElseThrow(() -> new IOException("No beat was heard in " + name + "."));
        yield sections(heard, name);
      }
    };
  }

  private static List<GrooveSource> sections(Template t, String name) {
    return IntStream.range(0, t.sections().size()).mapToObj(s -> of(t, s, name + ": ")).toList();
  }
}
