package looseecho.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.WavWriter;
import looseecho.disk.Outputs;
import looseecho.hits.Hit;
import looseecho.reading.Progress;
import looseecho.separate.Separator;
import looseecho.separate.Stem;
import looseecho.separate.StemSound;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code separate}: writes groups of layers of a recording, for study. */
@Command(
    name = "separate",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description = "Parts FILE into groups of layers, as well as can be, and writes NAME/GROUP.wav.",
    footer = {
      "",
      "For study. What is cut from a recording stays its makers': using it elsewhere needs",
      "their leave in most countries. Ask someone who knows the law where you are."
    },
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed", "2:wrong usage"})
final class SeparateCommand implements Callable<Integer> {
  private static final String DRUMS = "drums";
  private static final String OTHER = "other";

  @Parameters(paramLabel = "FILE", description = "WAV, AIFF, FLAC, MP3, M4A, Ogg Vorbis or Opus")
  private String file;

  @Option(names = "--out", paramLabel = "DIR", description = "folder (default: here)")
  private String out = ".";

  @Option(
      names = "--groups",
      split = ",",
      paramLabel = "GROUP",
      description =
          "drums, bass, other (default), kick, snare, hats, toms, chords, riff, voice, noise")
  private List<String> groups = List.of(DRUMS, "bass", OTHER);

  @Option(names = "--force", description = Main.FORCE)
  private boolean force;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    Map<String, Set<Stem>> wanted = wanted();
    return Careful.make(
        file, out, spec.commandLine().getErr(), (from, to) -> separate(from, to, wanted));
  }

  /** The stems of each group; what no other group has is in "other". */
  private Map<String, Set<Stem>> wanted() {
    Map<String, Set<Stem>> sets = new LinkedHashMap<>();
    Set<Stem> taken = EnumSet.noneOf(Stem.class);
    for (String g : groups) {
      Set<Stem> own = EnumSet.noneOf(Stem.class);
      for (Stem s : Stem.values()) {
        boolean drums = g.equals(DRUMS) && s.isDrum();
        if (drums || s.name().toLowerCase(Locale.ROOT).equals(g)) {
          own.add(s);
        }
      }
      if (own.isEmpty() && !g.equals(OTHER)) {
        throw new CommandLine.ParameterException(
            spec.commandLine(), "There is no group called " + g + ".");
      }
      taken.addAll(own);
      sets.put(g, own);
    }
    if (sets.containsKey(OTHER)) {
      sets.put(OTHER, EnumSet.complementOf(EnumSet.copyOf(taken)));
    }
    return sets;
  }

  private boolean separate(Path input, Path folder, Map<String, Set<Stem>> wanted)
      throws IOException {
    String name = Careful.stem(input);
    Path own = folder.resolve(name);
    List<Path> results = wanted.keySet().stream().map(g -> own.resolve(g + ".wav")).toList();
    new Outputs(List.of(input), force).check(results);
    Files.createDirectories(own);
    Progress progress = new Reporter(name, spec.commandLine().getErr());
    Audio audio = new AudioReader().read(input, progress).audio();
    List<Hit> hits = new Analyzer().analyse(audio, Corrections.NONE, progress).hits();
    Separator separator = new Separator(audio, hits);
    int k = 0;
    for (Map.Entry<String, Set<Stem>> g : wanted.entrySet()) {
      Audio sound = new StemSound().of(separator, g.getValue(), progress);
      new WavWriter().write(sound, results.get(k));
      Reporter.say(spec.commandLine().getOut(), results.get(k).toString());
      k++;
    }
    return true;
  }
}
