package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.disk.UserFolder;
import looseecho.drawer.Drawer;
import looseecho.drawer.Entry;
import looseecho.drawer.Indexer;
import looseecho.drawer.Match;
import looseecho.drawer.Matcher;
import looseecho.palette.Descriptors;
import looseecho.palette.HeardSound;
import looseecho.palette.HeardSounds;
import looseecho.reading.Progress;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code drawer}: a person's own samples, and the nearest of them for what is heard. */
@Command(
    name = "drawer",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description = "Keeps your own samples in order and finds those that are near a heard sound.",
    subcommands = {DrawerCommand.Add.class, DrawerCommand.All.class, DrawerCommand.Near.class})
final class DrawerCommand implements Callable<Integer> {
  private static final int BEST = 5;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    throw new CommandLine.ParameterException(spec.commandLine(), "Say add, list or match.");
  }

  /** Where the drawer lies. */
  static final class Place {
    @Option(
        names = "--drawer",
        paramLabel = "FOLDER",
        description = "where the drawer is kept (default: with your settings)")
    private Path folder;

    Drawer open() throws IOException {
      return Drawer.open(folder == null ? UserFolder.path().resolve("drawer") : folder);
    }
  }

  /** {@code drawer add DIR...}. */
  @Command(
      name = "add",
      mixinStandardHelpOptions = true,
      description = "Measures the samples in folders; what is known already is passed over.")
  static final class Add implements Callable<Integer> {
    @CommandLine.Mixin private Place place;

    @Parameters(paramLabel = "DIR", arity = "1..*", description = "folders of samples")
    private List<String> folders;

    @Spec private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() {
      PrintWriter errors = spec.commandLine().getErr();
      List<Path> paths = new ArrayList<>();
      folders.forEach(f -> Careful.path(f, errors).ifPresent(paths::add));
      boolean fine =
          paths.size() == folders.size()
              && Careful.run("drawer", errors, () -> add(paths, new Reporter("drawer", errors)));
      return fine ? 0 : 1;
    }

    private boolean add(List<Path> paths, Progress progress) throws IOException {
      try (Drawer drawer = place.open()) {
        Indexer.Done done = new Indexer().add(drawer, paths, progress);
        done.notes().forEach(n -> Reporter.say(spec.commandLine().getErr(), n));
        Reporter.say(
            spec.commandLine().getOut(),
            done.added()
                + " samples measured, "
                + done.known()
                + " known already, "
                + done.gone()
                + " gone");
        return done.added() + done.known() > 0;
      }
    }
  }

  /** {@code drawer list}. */
  @Command(
      name = "list",
      mixinStandardHelpOptions = true,
      description = "Writes all samples with what they are like.")
  static final class All implements Callable<Integer> {
    @CommandLine.Mixin private Place place;

    @Option(names = "--csv", description = "as a table with commas")
    private boolean csv;

    @Option(names = "--words", paramLabel = "WORDS", description = "only those that these fit")
    private String words = "";

    @Spec private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() {
      return Careful.run("drawer", spec.commandLine().getErr(), this::list) ? 0 : 1;
    }

    private boolean list() throws IOException {
      PrintWriter out = spec.commandLine().getOut();
      try (Drawer drawer = place.open()) {
        if (csv) {
          Reporter.say(
              out,
              "file,class,pitch,confidence,attack_ms,decay_ms,length_ms,centroid_hz,noise,width,words");
        }
        for (Entry e : drawer.entries()) {
          if (e.fits(words.toLowerCase(Locale.ROOT))) {
            Reporter.say(out, csv ? row(e) : plain(e));
          }
        }
      }
      return true;
    }

    private static String row(Entry e) {
      Descriptors d = e.like();
      return Csv.row(
          e.file().toString(),
          e.what().words(),
          d.pitchHz() > 0 ? number(d.pitchHz()) : "",
          number(e.confidence()),
          number(d.attackMs()),
          number(d.decayMs()),
          number(d.lengthMs()),
          number(d.centroidHz()),
          number(d.noise()),
          number(d.width()),
          String.join(" ", d.words()));
    }

    private static String plain(Entry e) {
      return e.file() + ": " + e.what().words() + ", " + String.join(", ", e.like().words());
    }
  }

  static String number(double v) {
    return String.format(Locale.ROOT, "%.3f", v);
  }

  /** {@code drawer match FILE...}. */
  @Command(
      name = "match",
      mixinStandardHelpOptions = true,
      description = "Hears each FILE and names the five nearest samples for every drum in it.")
  static final class Near implements Callable<Integer> {
    @CommandLine.Mixin private Place place;

    @Option(names = "--csv", description = "as a table with commas")
    private boolean csv;

    @Parameters(paramLabel = "FILE", arity = "1..*", description = "WAV, AIFF, FLAC, MP3 or Ogg")
    private List<String> files;

    @Spec private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() throws Exception {
      PrintWriter errors = spec.commandLine().getErr();
      boolean fine = true;
      try (Drawer drawer = place.open()) {
        List<Entry> entries = drawer.entries();
        if (entries.isEmpty()) {
          Reporter.say(errors, "The drawer is empty: add a folder first (drawer add DIR).");
          return 1;
        }
        if (csv) {
          Reporter.say(
              spec.commandLine().getOut(), "file,part,rank,sample,distance,semitones,remedy");
        }
        for (String file : files) {
          Optional<Path> path = Careful.path(file, errors);
          fine &=
              path.isPresent() && Careful.run(file, errors, () -> match(path.get(), file, entries));
        }
      }
      return fine ? 0 : 1;
    }

    private boolean match(Path path, String name, List<Entry> entries) throws IOException {
      PrintWriter out = spec.commandLine().getOut();
      Progress progress = new Reporter(name, spec.commandLine().getErr());
      Audio audio = new AudioReader().read(path, progress).audio();
      Analysis a = new Analyzer().analyse(audio, Corrections.NONE, progress);
      for (HeardSound heard : HeardSounds.of(audio, a)) {
        int rank = 1;
        for (Match m : new Matcher().match(heard, entries, BEST, progress)) {
          String sample = m.entry().file().toString();
          Reporter.say(
              out,
              csv
                  ? Csv.row(
                      name,
                      heard.name(),
                      String.valueOf(rank),
                      sample,
                      number(m.distance()),
                      String.valueOf(m.semitones()),
                      m.remedy())
                  : heard.name() + " " + rank + ": " + sample + " (" + m.remedy() + ")");
          rank++;
        }
      }
      return true;
    }
  }
}
