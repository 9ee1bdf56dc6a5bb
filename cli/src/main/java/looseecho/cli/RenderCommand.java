package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import looseecho.disk.Outputs;
import looseecho.exchange.SectionExport;
import looseecho.exchange.StemNames;
import looseecho.exchange.TemplateExport;
import looseecho.mix.EchoRenderer;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.synth.SampleSound;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code render}: writes the mix and the MIDI of a project. */
@Command(
    name = "render",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description = "Writes the echo of a project: its mix as WAV, its MIDI, and its stems.",
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed, or samples were missing", "2:wrong usage"})
final class RenderCommand implements Callable<Integer> {
  @Parameters(paramLabel = "X.looseecho", description = "the project")
  private String file;

  @Option(
      names = "--out",
      paramLabel = "DIR",
      description = "folder for the results (default: here)")
  private String out = ".";

  @Option(names = "--stems", description = "a WAV per part, too")
  private boolean stems;

  @Option(
      names = "--unlimited",
      description = "with --stems: all before the limiter, as 32-bit float; the stems add up to it")
  private boolean unlimited;

  @Option(
      names = "--sections",
      description = "a WAV per section as well; with --stems a WAV per section and part")
  private boolean sections;

  @Option(names = "--force", description = Main.FORCE)
  private boolean force;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    sound();
    return Careful.make(file, out, spec.commandLine().getErr(), this::render);
  }

  private TemplateExport.Sound sound() {
    if (unlimited && !stems) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--unlimited goes with --stems.");
    }
    return unlimited
        ? TemplateExport.Sound.UNLIMITED_STEMS
        : stems ? TemplateExport.Sound.STEMS : TemplateExport.Sound.MIX;
  }

  private boolean render(Path path, Path folder) throws IOException {
    PrintWriter errors = spec.commandLine().getErr();
    ProjectFile.Opened opened = new ProjectFile().open(path);
    if (!opened.note().isEmpty()) {
      Reporter.say(errors, opened.note());
    }
    Project project = opened.project();
    List<Path> inputs = new ArrayList<>(List.of(path));
    Careful.path(project.reference().path(), errors).ifPresent(inputs::add);
    for (SampleSound s : project.sounds().samples()) {
      Careful.path(s.path(), errors).ifPresent(inputs::add);
    }
    for (String recording : project.template().recordings()) {
      Careful.path(recording, errors).ifPresent(inputs::add);
    }
    EchoRenderer renderer = new EchoRenderer(project.sounds());
    List<String> told = renderer.missing();
    told.forEach(m -> Reporter.say(errors, m));
    new TemplateExport()
        .write(
            project.template(),
            renderer,
            folder,
            StemNames.of(Careful.stem(path) + " echo"),
            sound(),
            new Outputs(inputs, force),
            new Reporter(String.valueOf(path.getFileName()), errors))
        .forEach(p -> Reporter.say(spec.commandLine().getOut(), p.toString()));
    if (sections) {
      new SectionExport()
          .write(
              project.template(),
              renderer,
              folder,
              StemNames.of(Careful.stem(path) + " echo"),
              stems,
              new Outputs(inputs, force),
              new Reporter(String.valueOf(path.getFileName()), errors))
          .forEach(p -> Reporter.say(spec.commandLine().getOut(), p.toString()));
    }
    List<String> later =
        new ArrayList<>(renderer.missing()); // what leads in is read when it is due
    later.removeAll(told);
    later.forEach(m -> Reporter.say(errors, m));
    return renderer.missing().isEmpty();
  }
}
