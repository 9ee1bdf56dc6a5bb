package looseecho.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import looseecho.exchange.TemplateExport;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.sound.EchoRenderer;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code render}: writes the mix and the MIDI of a project. */
@Command(
    name = "render",
    mixinStandardHelpOptions = true,
    version = "Loose Echo 0.1.0",
    description = "Writes the echo of a project: its mix as WAV, its MIDI, and its stems.",
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed", "2:wrong usage"})
final class RenderCommand implements Callable<Integer> {
  @Parameters(paramLabel = "X.looseecho", description = "the project")
  private Path file;

  @Option(
      names = "--out",
      paramLabel = "DIR",
      description = "folder for the results (default: here)")
  private Path out = Path.of(".");

  @Option(names = "--stems", description = "a WAV per part, too")
  private boolean stems;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    String name = String.valueOf(file.getFileName());
    try {
      Project project = new ProjectFile().read(file);
      new TemplateExport()
          .write(
              project.template(),
              new EchoRenderer(project.sounds()),
              out,
              name.replaceFirst("(?<=.)\\.[^.]+$", ""),
              stems,
              new Reporter(name, spec.commandLine().getErr()))
          .forEach(p -> Reporter.say(spec.commandLine().getOut(), p.toString()));
      return 0;
    } catch (java.nio.file.NoSuchFileException e) {
      Reporter.say(spec.commandLine().getErr(), "There is no file " + e.getMessage() + ".");
    } catch (IOException e) {
      Reporter.say(spec.commandLine().getErr(), e.getMessage());
    }
    return 1;
  }
}
