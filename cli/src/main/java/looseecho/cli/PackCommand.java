package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.exchange.StemNames;
import looseecho.handover.Exporters;
import looseecho.handover.Handover;
import looseecho.handover.Pack;
import looseecho.mix.EchoRenderer;
import looseecho.project.ProjectFile;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code pack}: all that is handed on, in one folder or zip. */
@Command(
    name = "pack",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description =
        "Writes a folder with the sheet, notes as MIDI and as a score, stems, the kit and tables.",
    footer = {
      "",
      "A pattern learnt from a recording may be free to use; a recording, a melody or words usually",
      "are not. Laws differ: where money is made, ask someone who knows them where you are."
    },
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed", "2:wrong usage"})
final class PackCommand implements Callable<Integer> {
  @Parameters(paramLabel = "X.looseecho", description = "the project")
  private String file;

  @Option(names = "--out", paramLabel = "DIR", description = "folder (default: here)")
  private String out = ".";

  @Option(names = "--name", paramLabel = "NAME", description = "of the pack (default: X pack)")
  private String name;

  @Option(
      names = "--parts",
      split = ",",
      paramLabel = "PART",
      description = "these parts only, as they are called")
  private List<String> parts = List.of();

  @Option(
      names = "--without",
      split = ",",
      paramLabel = "KIND",
      description =
          "leaves out: project, sheet, midi, score, tables, jams, stems, sections, kit (sections"
              + " are left out unless asked for)")
  private List<String> without = List.of();

  @Option(
      names = "--only",
      split = ",",
      paramLabel = "SECTION",
      description = "these sections only, by letter (A: all of them) or number (1 is the first)")
  private List<String> only = List.of();

  @Option(
      names = "--names",
      paramLabel = "PATTERN",
      description =
          "how stems are called, from {name}, {section}, {part}, {tempo} and {key} (default:"
              + " ${DEFAULT-VALUE})")
  private String names = StemNames.USUAL;

  @Option(names = "--sections", description = "the stems section by section, too")
  private boolean sections;

  @Option(names = "--zip", description = "one zip in place of a folder")
  private boolean zip;

  @Option(names = "--force", description = "writes over an earlier pack of that name")
  private boolean force;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    Set<Exporters> kinds = kinds();
    return Careful.make(
        file, out, spec.commandLine().getErr(), (path, folder) -> write(path, folder, kinds));
  }

  private Set<Exporters> kinds() {
    Set<Exporters> kinds = EnumSet.allOf(Exporters.class);
    if (!sections) {
      kinds.remove(Exporters.SECTIONS);
    }
    for (String w : without) {
      try {
        kinds.remove(Exporters.valueOf(w.strip().toUpperCase(Locale.ROOT)));
      } catch (IllegalArgumentException unknown) {
        throw new CommandLine.ParameterException(
            spec.commandLine(), "--without knows no " + w + ".");
      }
    }
    return kinds;
  }

  private boolean write(Path path, Path folder, Set<Exporters> kinds) throws IOException {
    PrintWriter errors = spec.commandLine().getErr();
    ProjectFile.Opened opened = new ProjectFile().open(path);
    if (!opened.note().isEmpty()) {
      Reporter.say(errors, opened.note());
    }
    String called = name == null ? Careful.stem(path) + " pack" : name;
    if (!called.equals(String.valueOf(Path.of(called).getFileName()))) {
      throw new IOException("--name is a plain name, without folders.");
    }
    StemNames stems = stems(called);
    new EchoRenderer(opened.project().sounds()).missing().forEach(m -> Reporter.say(errors, m));
    Handover h =
        new Handover(called, stems, opened.project(), opened.heard(), List.of(), Optional.empty());
    h = h.sections(numbers(h.template()));
    if (!parts.isEmpty()) {
      h = h.only(named(h));
    }
    try {
      Path pack =
          Pack.write(
              h,
              kinds,
              folder,
              zip,
              force,
              new Reporter(String.valueOf(path.getFileName()), errors));
      Reporter.say(spec.commandLine().getOut(), pack.toString());
      return true;
    } catch (FileAlreadyExistsException e) {
      Reporter.say(errors, e.getMessage() + " (--force)");
      return false;
    }
  }

  private StemNames stems(String called) throws IOException {
    try {
      return new StemNames(called, names);
    } catch (IllegalArgumentException e) {
      throw new IOException("--names: " + e.getMessage(), e);
    }
  }

  private Set<Integer> numbers(Template t) throws IOException {
    Set<Integer> out = new LinkedHashSet<>();
    for (String wanted : only) {
      int before = out.size();
      for (int k = 0; k < t.sections().size(); k++) {
        String label = t.sections().get(k).label();
        if (label.equalsIgnoreCase(wanted.strip()) || wanted.strip().equals("" + (k + 1))) {
          out.add(k);
        }
      }
      if (out.size() == before) {
        throw new IOException("There is no section " + wanted + ".");
      }
    }
    return out;
  }

  private Set<Part> named(Handover h) throws IOException {
    Set<Part> out = new LinkedHashSet<>();
    for (String wanted : parts) {
      Part part =
          Part.of(h.template()).stream()
              .filter(p -> h.template().name(p).equalsIgnoreCase(wanted.strip()))
              .findFirst()
              .orElseThrow(() -> new IOException("There is no part called " + wanted + "."));
      out.add(part);
    }
    return out;
  }
}
