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
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.AudioReader;
import looseecho.exchange.JamsWriter;
import looseecho.exchange.MidiSong;
import looseecho.exchange.MidiWriter;
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
    version = "Loose Echo 0.1.0",
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
  private Path out = Path.of(".");

  @Option(
      names = "--jobs",
      paramLabel = "N",
      description = "files heard at the same time (default: ${DEFAULT-VALUE})")
  private int jobs = 1;

  @Parameters(
      paramLabel = "FILE",
      arity = "1..*",
      description = "WAV, AIFF, FLAC, MP3 or Ogg Vorbis")
  private List<Path> files = new ArrayList<>();

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    if (jobs < 1 || jobs > 64) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--jobs must be 1 to 64 (was: " + jobs + ")");
    }
    try {
      Files.createDirectories(out);
    } catch (IOException e) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "The folder " + out + " can't be made.");
    }
    Analyzer analyzer = new Analyzer();
    ExecutorService pool = Executors.newFixedThreadPool(jobs);
    try {
      List<Future<Boolean>> running = new ArrayList<>();
      names(files)
          .forEach((file, name) -> running.add(pool.submit(() -> one(analyzer, file, name))));
      boolean all = true;
      for (Future<Boolean> f : running) {
        all &= f.get();
      }
      return all ? 0 : 1;
    } finally {
      pool.shutdownNow();
    }
  }

  /** Names of the results: the file's name without its ending, with it where two would collide. */
  private static Map<Path, String> names(List<Path> files) {
    Map<Path, String> out = new LinkedHashMap<>();
    for (Path f : files) {
      String full = String.valueOf(f.getFileName());
      String stem = full.replaceFirst("(?<=.)\\.[^.]+$", "");
      String name = out.containsValue(stem) ? full : stem;
      for (int n = 2; out.containsValue(name); n++) {
        name = full + "-" + n;
      }
      out.putIfAbsent(f, name);
    }
    return out;
  }

  private boolean one(Analyzer analyzer, Path file, String name) {
    PrintWriter errors = spec.commandLine().getErr();
    try {
      Progress progress = new Reporter(name, errors);
      AudioReader.Recording recording = new AudioReader().read(file, progress);
      Analysis analysis = analyzer.analyse(recording.audio(), Corrections.NONE, progress);
      new JamsWriter().write(analysis, name, out.resolve(name + ".jams"));
      new MidiWriter().write(MidiSong.heard(analysis), out.resolve(name + ".mid"));
      List<String> notes = new ArrayList<>(recording.notes());
      notes.addAll(analysis.notes());
      notes.forEach(n -> Reporter.say(errors, name + ": " + n));
      Reporter.say(spec.commandLine().getOut(), summary(name, analysis));
      return true;
    } catch (IOException e) {
      Reporter.say(errors, e.getMessage());
    } catch (OutOfMemoryError e) {
      Reporter.say(errors, name + ": There is not enough memory for a file of this length.");
    } catch (RuntimeException e) {
      Reporter.say(errors, name + ": Something went wrong inside the program (" + e + ").");
    }
    return false;
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
        a.tonality().key().value().words(),
        a.form().sections().size(),
        a.hits().size(),
        a.tonality().bass().size());
  }
}
