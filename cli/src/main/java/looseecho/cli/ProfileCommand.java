package looseecho.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import looseecho.activity.Lane;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.AudioReader;
import looseecho.compare.StyleProfile;
import looseecho.compare.Trait;
import looseecho.disk.Outputs;
import looseecho.echo.LogLine;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.project.CorrectionStore;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code profile}: what several recordings share. */
@Command(
    name = "profile",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description = "Hears all FILEs and says what they share: tempo, swing, patterns, lengths.",
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:it failed", "2:wrong usage"})
final class ProfileCommand implements Callable<Integer> {
  private static final ObjectMapper MAPPER = new ObjectMapper();

  @Parameters(paramLabel = "FILE", arity = "1..*", description = "the references")
  private List<String> files = new ArrayList<>();

  @Option(
      names = "-o",
      paramLabel = "X.looseecho",
      description =
          "a new project that starts from what they share; it is linked to the first FILE")
  private String out;

  @Option(names = "--json", description = "all of it as JSON")
  private boolean json;

  @Option(names = "--force", description = Main.FORCE)
  private boolean force;

  @Spec private CommandLine.Model.CommandSpec spec;

  @Override
  public Integer call() {
    PrintWriter errors = spec.commandLine().getErr();
    List<Path> heard = new ArrayList<>();
    List<Trait> traits = new ArrayList<>();
    boolean failed = false;
    for (String file : files) {
      Optional<Path> path = Careful.path(file, errors);
      boolean done =
          path.isPresent() && Careful.run(file, errors, () -> traits.add(hear(path.get())));
      failed |= !done;
      if (done) {
        heard.add(path.get());
      }
    }
    if (traits.isEmpty()) {
      return 1;
    }
    StyleProfile profile = new StyleProfile(traits);
    say(profile);
    boolean written = out == null || Careful.run(out, errors, () -> write(profile, heard, errors));
    return failed || !written ? 1 : 0;
  }

  private Trait hear(Path file) throws IOException {
    String name = String.valueOf(file.getFileName());
    Reporter progress = new Reporter(name, spec.commandLine().getErr());
    var audio = new AudioReader().read(file, progress).audio();
    return Trait.of(name, new Analyzer().analyse(audio, Corrections.NONE, progress));
  }

  private boolean write(StyleProfile profile, List<Path> heard, PrintWriter errors)
      throws IOException {
    Optional<Path> to = Careful.path(out, errors);
    Optional<Template> t = profile.template();
    if (to.isEmpty() || t.isEmpty()) {
      Reporter.say(errors, "No beat was found, so there is nothing to build on.");
      return false;
    }
    new Outputs(heard, force).check(to.get());
    Path first = heard.get(0);
    Project.Link link =
        new Project.Link(
            String.valueOf(first.getFileName()),
            first.toAbsolutePath().toString(),
            CorrectionStore.fingerprint(first),
            false);
    List<LogLine> log = LogLine.all("Begun from what " + heard.size() + " references share");
    Project p = new Project(link, Corrections.NONE, t.get(), t.get(), Sounds.plain(), log);
    new ProjectFile().writeSealed(p, Optional.empty(), to.get());
    if (!json) { // else it would stand behind the tree
      Reporter.say(spec.commandLine().getOut(), to.get().toString());
    }
    return true;
  }

  private void say(StyleProfile profile) {
    PrintWriter said = spec.commandLine().getOut();
    if (json) {
      Reporter.say(said, json(profile));
      return;
    }
    for (Trait t : profile.all()) {
      Reporter.say(
          said,
          String.format(
              Locale.ROOT, "%s: %.2f BPM, %s, %s", t.name(), t.bpm(), t.meter(), t.key()));
      t.patterns().forEach((lane, steps) -> line(said, lane, steps));
    }
    Reporter.say(said, "What they share:");
    profile.words().forEach(w -> Reporter.say(said, "  " + w));
    profile.patterns().forEach((lane, steps) -> line(said, lane, steps));
  }

  private static void line(PrintWriter said, Lane lane, List<Trait.Step> steps) {
    Reporter.say(
        said, String.format(Locale.ROOT, "  %-12s %s", lane.words(), StyleProfile.drawn(steps)));
  }

  private static String json(StyleProfile profile) {
    ObjectNode root = MAPPER.createObjectNode();
    ArrayNode all = root.putArray("references");
    for (Trait t : profile.all()) {
      ObjectNode o = all.addObject().put("name", t.name()).put("bpm", t.bpm());
      o.put("meter", t.meter()).put("key", t.key()).put("swing_percent", t.swing());
      t.sectionBars().forEach(o.putArray("section_bars")::add);
      put(t.patterns(), o);
    }
    ObjectNode shared = root.putObject("shared");
    shared.put("bpm", profile.bpm()).put("meter", profile.meter());
    shared.put("swing_percent", profile.swing()).put("section_bars", profile.sectionBars());
    put(profile.patterns(), shared);
    profile.words().forEach(shared.putArray("words")::add);
    try {
      return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(root);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree can be written", e);
    }
  }

  private static void put(Map<Lane, List<Trait.Step>> patterns, ObjectNode o) {
    ObjectNode all = o.putObject("patterns");
    patterns.forEach(
        (lane, steps) -> {
          ArrayNode shares = all.putArray(lane.words());
          steps.forEach(s -> shares.add(Math.round(100 * s.share()) / 100.0));
        });
  }
}
