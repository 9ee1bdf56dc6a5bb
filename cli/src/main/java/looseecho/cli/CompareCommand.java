package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.compare.Comparer;
import looseecho.compare.Comparison;
import looseecho.compare.Finding;
import looseecho.compare.Side;
import looseecho.exchange.ComparisonJson;
import looseecho.mix.EchoRenderer;
import looseecho.project.CorrectionStore;
import looseecho.project.OtherSide;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code compare}: how near an echo is to a recording. */
@Command(
    name = "compare",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description =
        "Renders the echo of X.looseecho and says how near it is to FILE, and what to do.",
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed", "2:wrong usage"})
final class CompareCommand implements Callable<Integer> {
  private static final int SHOWN = 12;

  @Parameters(
      paramLabel = "FILE",
      index = "0",
      description = "the track, any other recording or project")
  private String file;

  @Parameters(paramLabel = "X.looseecho", index = "1", description = "the project")
  private String projectFile;

  @Option(names = "--json", description = "all readings as JSON")
  private boolean json;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    PrintWriter errors = spec.commandLine().getErr();
    Optional<Path> track = Careful.path(file, errors);
    Optional<Path> project = Careful.path(projectFile, errors);
    if (track.isEmpty() || project.isEmpty()) {
      return 1;
    }
    boolean done = Careful.run(file, errors, () -> compare(track.get(), project.get()));
    return done ? 0 : 1;
  }

  private boolean compare(Path track, Path path) throws IOException {
    PrintWriter errors = spec.commandLine().getErr();
    Progress progress = new Reporter(String.valueOf(track.getFileName()), errors);
    ProjectFile.Opened opened = new ProjectFile().open(path);
    if (!opened.note().isEmpty()) {
      Reporter.say(errors, opened.note());
    }
    Project p = opened.project();
    EchoRenderer renderer = new EchoRenderer(p.sounds());
    Side echo = Side.echo(String.valueOf(path.getFileName()), p.template(), renderer, progress);
    String name = String.valueOf(track.getFileName());
    renderer.missing().forEach(m -> Reporter.say(errors, m));
    if (name.endsWith(".looseecho")) {
      Side former = OtherSide.echo(track, p.reference().fingerprint(), progress);
      boolean alike = former.template().sections().size() > 1;
      say(former, alike ? echo : echo.whole(), progress);
      return true;
    }
    Audio read = new AudioReader().read(track, progress).audio();
    Audio audio = new Resampler().resample(read, EchoRenderer.RATE);
    Side reference;
    if (CorrectionStore.fingerprint(track).equals(p.reference().fingerprint())) {
      reference = new Side(name, p.exact(), audio);
    } else if (Side.same(audio, echo.audio())) {
      reference = new Side(name, p.template(), audio); // the echo's own rendering
    } else {
      reference = OtherSide.heard(name, read, progress);
      echo = echo.whole();
    }
    say(reference, echo, progress);
    return true;
  }

  private void say(Side reference, Side echo, Progress progress) {
    Comparison c = Comparer.compare(reference, echo, progress);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      Reporter.say(out, ComparisonJson.write(reference.name(), echo.name(), c));
      return;
    }
    Reporter.say(out, String.format(Locale.ROOT, "%s: %.0f of 100", echo.name(), c.score()));
    c.scores()
        .forEach((part, s) -> Reporter.say(out, String.format(Locale.ROOT, "  %s %.0f", part, s)));
    List<Finding> all = c.differences();
    all.subList(0, Math.min(SHOWN, all.size())).forEach(f -> Reporter.say(out, f.words()));
  }
}
