package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.disk.Outputs;
import looseecho.echo.Edits.Edited;
import looseecho.echo.LogLine;
import looseecho.echo.Retune;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.echo.Tighten;
import looseecho.loose.Aspect;
import looseecho.loose.Loosener;
import looseecho.loose.Originality;
import looseecho.loose.SoundLoosener;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.palette.NearSounds;
import looseecho.project.CorrectionStore;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.pulse.Grid;
import looseecho.reading.Progress;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code template}: makes a project from a reference. */
@Command(
    name = "template",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description = "Hears FILE and writes a project with its template.",
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed", "2:wrong usage"})
final class TemplateCommand implements Callable<Integer> {
  private static final Map<String, Grid> GRIDS =
      Map.of(
          "8", Grid.EIGHTH,
          "8t", Grid.EIGHTH_TRIPLET,
          "16", Grid.SIXTEENTH,
          "16t", Grid.SIXTEENTH_TRIPLET,
          "32", Grid.THIRTY_SECOND);

  @Parameters(paramLabel = "FILE", description = "WAV, AIFF, FLAC, MP3, M4A, Ogg Vorbis or Opus")
  private String name;

  @Option(
      names = "-o",
      paramLabel = "X.looseecho",
      description = "the project (default: FILE's name, here)")
  private String out;

  @Option(
      names = "--looseness",
      paramLabel = "N",
      description = "0 rebuilds exactly .. 100 keeps only the style (default: ${DEFAULT-VALUE})")
  private int looseness;

  @Option(names = "--tempo", paramLabel = "BPM", description = "another tempo for the new beat")
  private Double tempo;

  @Option(
      names = "--key",
      paramLabel = "KEY",
      description = "another key, such as C#:minor or D:dorian")
  private String key;

  @Option(
      names = "--seed",
      paramLabel = "N",
      description = "the same seed gives the same beat (default: ${DEFAULT-VALUE})")
  private long seed = 1;

  @Option(
      names = "--grid",
      paramLabel = "G",
      description = "puts all drums on these lines: 8, 8t, 16, 16t or 32 (default: each its own)")
  private String grid;

  @Option(
      names = "--tighten",
      paramLabel = "N",
      description = "pulls all drums to their lines, 0 to 100 (default: ${DEFAULT-VALUE})")
  private int tighten;

  @Option(names = "--json", description = "says what was made as JSON")
  private boolean json;

  @Option(names = "--force", description = Main.FORCE)
  private boolean force;

  @Option(
      names = "--plain",
      description = "the built-in sounds as they are, not brought near the track's")
  private boolean plain;

  @Option(names = "--pack", description = "puts the reference itself into the project")
  private boolean pack;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    Optional<Key> wanted = check();
    PrintWriter errors = spec.commandLine().getErr();
    Optional<Path> file = Careful.path(name, errors);
    Optional<Path> to =
        file.flatMap(f -> Careful.path(out == null ? Careful.stem(f) + ".looseecho" : out, errors));
    if (file.isEmpty() || to.isEmpty()) {
      return 1;
    }
    return Careful.run(name, errors, () -> make(file.get(), to.get(), wanted)) ? 0 : 1;
  }

  private boolean make(Path file, Path to, Optional<Key> wanted) throws IOException {
    PrintWriter errors = spec.commandLine().getErr();
    Outputs allowed = new Outputs(List.of(file), force);
    allowed.check(to);
    Reporter progress = new Reporter(name, errors);
    AudioReader.Recording recording = new AudioReader().read(file, progress);
    Analysis a = new Analyzer().analyse(recording.audio(), Corrections.NONE, progress);
    recording.notes().forEach(n -> Reporter.say(errors, name + ": " + n));
    a.notes().forEach(n -> Reporter.say(errors, name + ": " + n));
    Optional<Template> exact = new TemplateBuilder().build(a);
    if (exact.isEmpty()) {
      Reporter.say(errors, name + ": No beat was found, so there is nothing to build on.");
      return false;
    }
    Sounds sounds = plain ? Sounds.plain() : near(recording.audio(), exact.get(), a, progress);
    Project project = project(file, exact.get(), sounds, wanted);
    if (!a.tonality().tonal() && wanted.isEmpty()) {
      String words = "No key was heard: " + exact.get().key().words() + " stands in for one";
      project = project.noting(words);
    }
    allowed.check(to);
    new ProjectFile().writeSealed(project, pack ? Optional.of(file) : Optional.empty(), to);
    PrintWriter said = spec.commandLine().getOut();
    Map<Aspect, Double> news =
        Originality.of(exact.get(), project.template(), project.near(), project.sounds());
    if (json) {
      Reporter.say(said, Summary.json(project, news, to));
      return true;
    }
    project.log().forEach(line -> Reporter.say(said, line.words()));
    news.forEach((x, v) -> Reporter.say(said, "New " + x.words() + ": " + Math.round(v) + " %"));
    Reporter.say(said, to.toString());
    return true;
  }

  private static Sounds near(Audio audio, Template exact, Analysis a, Progress progress) {
    NearSounds near = new NearSounds(audio, exact);
    return near.turned(near.matched(progress), a, progress).sounds();
  }

  private Optional<Key> check() {
    boolean bad =
        looseness < 0 || looseness > 100 || tempo != null && !(tempo >= 20 && tempo <= 400);
    if (bad || tighten < 0 || tighten > 100) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--looseness and --tighten must be 0 to 100 and --tempo 20 to 400.");
    }
    if (grid != null && !GRIDS.containsKey(grid)) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--grid must be 8, 8t, 16, 16t or 32 (was: " + grid + ")");
    }
    try {
      return Optional.ofNullable(key).map(Key::parse);
    } catch (IllegalArgumentException e) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--key must be a key such as C#:minor (was: " + key + ")");
    }
  }

  private Project project(Path file, Template exact, Sounds matched, Optional<Key> wanted)
      throws IOException {
    List<String> log = new java.util.ArrayList<>(List.of("Template made from what was heard"));
    Template t = exact;
    Map<Aspect, Integer> amounts = new EnumMap<>(Aspect.class);
    for (Aspect aspect : Aspect.values()) {
      amounts.put(aspect, looseness);
    }
    for (Loosener.Step step : new Loosener().loosen(t, amounts, seed)) {
      t = step.template();
      log.add(step.words());
    }
    Sounds sounds = matched;
    for (SoundLoosener.Step step : new SoundLoosener().loosen(sounds, t, looseness, seed)) {
      sounds = step.sounds();
      log.add(step.words());
    }
    if (tempo != null) {
      Edited e = Retune.tempo(t, tempo, true);
      t = e.template();
      log.add(e.words());
    }
    if (wanted.isPresent()) {
      Edited e = Retune.key(t, wanted.get());
      t = e.template();
      log.add(e.words());
    }
    if (grid != null) {
      Edited e = Tighten.onto(t, GRIDS.get(grid));
      t = e.template();
      log.add(e.words());
    }
    if (tighten > 0) {
      Edited e = Tighten.all(t, tighten / 100.0);
      t = e.template();
      log.add(e.words());
    }
    Project.Link link =
        new Project.Link(
            String.valueOf(file.getFileName()),
            file.toAbsolutePath().toString(),
            CorrectionStore.fingerprint(file),
            pack);
    return new Project(
        link, Corrections.NONE, exact, t, sounds, matched, log.stream().map(LogLine::of).toList());
  }
}
