package looseecho.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.WavWriter;
import looseecho.disk.Outputs;
import looseecho.disk.WholeFile;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.exchange.SoundsJson;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.palette.HeardSound;
import looseecho.palette.HeardSounds;
import looseecho.palette.RecipeFitter;
import looseecho.palette.SoundMatcher;
import looseecho.reading.Progress;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code sounds}: what the sounds of a recording are like, and recipes for them. */
@Command(
    name = "sounds",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description =
        "Hears FILE and writes NAME.sounds.json: what each sound is like, and its recipe.",
    footer = {
      "",
      "Slices are for study. What is cut from a recording stays its makers': using it elsewhere",
      "needs their leave in most countries. Ask someone who knows the law where you are."
    },
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed", "2:wrong usage"})
final class SoundsCommand implements Callable<Integer> {
  @Parameters(paramLabel = "FILE", description = "WAV, AIFF, FLAC, MP3, M4A, Ogg Vorbis or Opus")
  private String file;

  @Option(names = "--out", paramLabel = "DIR", description = "folder (default: here)")
  private String out = ".";

  @Option(
      names = "--slices",
      description = "a WAV of each sound's cleanest stroke or note, too, for study")
  private boolean slices;

  @Option(names = "--force", description = Main.FORCE)
  private boolean force;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    return Careful.make(file, out, spec.commandLine().getErr(), this::write);
  }

  private boolean write(Path input, Path folder) throws IOException {
    Files.createDirectories(folder);
    String name = Careful.stem(input);
    Progress progress = new Reporter(name, spec.commandLine().getErr());
    Audio audio = new AudioReader().read(input, progress).audio();
    Analysis a = new Analyzer().analyse(audio, Corrections.NONE, progress);
    List<HeardSound> heard = HeardSounds.of(audio, a);
    Path json = folder.resolve(name + ".sounds.json");
    List<Path> wavs = new ArrayList<>();
    for (HeardSound h : slices ? heard : List.<HeardSound>of()) {
      wavs.add(folder.resolve(name + " " + h.name() + ".wav"));
    }
    List<Path> all = new ArrayList<>(wavs);
    all.add(json);
    new Outputs(List.of(input), force).check(all);
    Optional<Template> exact = new TemplateBuilder().build(a);
    Sounds recipes = Sounds.plain();
    if (exact.isPresent()) {
      recipes = new SoundMatcher().match(audio, exact.get(), recipes, progress);
    }
    RecipeFitter fitter = new RecipeFitter(new EchoRenderer(recipes));
    List<RecipeFitter.Fitted> fitted = new ArrayList<>();
    for (HeardSound h : heard) {
      fitted.add(fitter.fit(h, recipes.sound(h.part()), progress));
    }
    byte[] text = SoundsJson.write(name, heard, fitted, recipes);
    WholeFile.write(json, part -> Files.write(part, text));
    for (int k = 0; k < wavs.size(); k++) {
      float[] x = heard.get(k).sound();
      new WavWriter().write(new Audio(x, x.clone(), HeardSound.RATE), wavs.get(k));
    }
    all.forEach(p -> Reporter.say(spec.commandLine().getOut(), p.toString()));
    return true;
  }
}
