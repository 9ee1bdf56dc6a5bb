package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.AudioReader;
import looseecho.disk.Outputs;
import looseecho.exchange.JamsWriter;
import looseecho.exchange.MidiSong;
import looseecho.exchange.MidiWriter;
import looseecho.layers.HeardLayer;
import looseecho.layers.LayerFinder;
import looseecho.reading.Progress;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code analyze}: writes NAME.jams and NAME.mid for every file. */
@Command(
    name = "analyze",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description = "Hears each FILE and writes NAME.jams and NAME.mid.",
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {
      "0:all files were analysed",
      "1:some files failed, the others are done",
      "2:wrong usage"
    })
final class AnalyzeCommand implements Callable<Integer> {
  @Option(
      names = "--out",
      paramLabel = "DIR",
      description = "folder for the results (default: here)")
  private String out = ".";

  @Option(
      names = "--jobs",
      paramLabel = "N",
      description = "files heard at the same time (default: ${DEFAULT-VALUE})")
  private int jobs = 1;

  @Option(names = "--force", description = Main.FORCE)
  private boolean force;

  @Parameters(
      paramLabel = "FILE",
      arity = "1..*",
      description = "WAV, AIFF, FLAC, MP3, M4A, Ogg Vorbis or Opus")
  private List<String> files = new ArrayList<>();

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    if (jobs < 1 || jobs > 64) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--jobs must be 1 to 64 (was: " + jobs + ")");
    }
    PrintWriter errors = spec.commandLine().getErr();
    Optional<Path> folder = Careful.path(out, errors);
    if (folder.isEmpty()) {
      return 2;
    }
    try {
      Files.createDirectories(folder.get());
    } catch (IOException e) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "The folder " + out + " can't be made.");
    }
    List<Path> inputs = new ArrayList<>();
    List<String> failed = new ArrayList<>();
    for (String file : files) {
      Careful.path(file, errors).ifPresentOrElse(inputs::add, () -> failed.add(file));
    }
    failed.addAll(hear(inputs, folder.get()));
    if (!failed.isEmpty() && files.size() > 1) {
      Reporter.say(
          errors,
          (files.size() - failed.size())
              + " of "
              + files.size()
              + " files are done. These failed: "
              + String.join(", ", failed));
    }
    return failed.isEmpty() ? 0 : 1;
  }

  /** Hears all files; returns those that failed. */
  private List<String> hear(List<Path> inputs, Path folder) throws Exception {
    Analyzer analyzer = new Analyzer();
    Outputs allowed = new Outputs(inputs, force);
    ExecutorService pool = Executors.newFixedThreadPool(jobs);
    try {
      Map<Path, Future<Boolean>> running = new LinkedHashMap<>();
      names(inputs)
          .forEach(
              (file, name) ->
                  running.put(
                      file,
                      pool.submit(
                          () ->
                              Careful.run(
                                  name,
                                  spec.commandLine().getErr(),
                                  () -> one(analyzer, file, name, folder, allowed)))));
      List<String> failed = new ArrayList<>();
      for (Map.Entry<Path, Future<Boolean>> f : running.entrySet()) {
        if (!f.getValue().get()) {
          failed.add(f.getKey().toString());
        }
      }
      return failed;
    } finally {
      pool.shutdownNow();
    }
  }

  /** Names of the results: the file's name without its ending, with it where two would collide. */
  private static Map<Path, String> names(List<Path> files) {
    Map<Path, String> out = new LinkedHashMap<>();
    for (Path f : files) {
      String full = String.valueOf(f.getFileName());
      String stem = Careful.stem(f);
      String name = out.containsValue(stem) ? full : stem;
      for (int n = 2; out.containsValue(name); n++) {
        name = full + "-" + n;
      }
      out.putIfAbsent(f, name);
    }
    return out;
  }

  private boolean one(Analyzer analyzer, Path file, String name, Path folder, Outputs allowed)
      throws IOException {
    PrintWriter errors = spec.commandLine().getErr();
    Path jams = folder.resolve(name + ".jams");
    Path midi = folder.resolve(name + ".mid");
    allowed.check(List.of(jams, midi));
    Progress progress = new Reporter(name, errors);
    AudioReader.Recording recording = new AudioReader().read(file, progress);
    Analysis analysis = analyzer.analyse(recording.audio(), Corrections.NONE, progress);
    List<HeardLayer> layers = new LayerFinder(recording.audio(), analysis, progress).find();
    new JamsWriter().write(analysis, layers, name, jams);
    new MidiWriter().write(MidiSong.heard(analysis), midi);
    List<String> notes = new ArrayList<>(recording.notes());
    notes.addAll(analysis.notes());
    notes.forEach(n -> Reporter.say(errors, name + ": " + n));
    Reporter.say(spec.commandLine().getOut(), summary(name, analysis));
    return true;
  }

  private static String summary(String name, Analysis a) {
    String pulse =
        a.pulse()
            .map(
                p ->
                    String.format(
                        Locale.ROOT,
                        "%.2f BPM %s, %d bars of %s",
                        p.tempo().value(),
                        p.steady() ? "steady" : "drifting",
                        p.bars().size(),
                        p.meter().value().words()))
            .orElse("no beat");
    return String.format(
        Locale.ROOT,
        "%s: %s, %s, %d sections, %d hits, %d bass notes",
        name,
        pulse,
        a.tonality().keyWords(),
        a.form().sections().size(),
        a.hits().size(),
        a.tonality().bass().size());
  }
}
