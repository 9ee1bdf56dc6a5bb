package looseecho.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import looseecho.analysis.Corrections;
import looseecho.disk.Outputs;
import looseecho.disk.Seal;
import looseecho.echo.LogLine;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.exchange.StemNames;
import looseecho.exchange.TemplateExport;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.project.Aside;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;

/**
 * Kills the program at random moments of saving, autosaving and exporting, and looks at what is
 * left: {@code KillBench KILLS [SEED]}. It ends with 1 when a project is gone or an export is half.
 */
public final class KillBench {
  private static final String[] WAYS = {"plain", "packed", "export", "aside"};
  private static final int SOUND_BYTES = 4 << 20;
  private static final int LINES = 4000; // of the log, so that a project takes a while to write

  private KillBench() {}

  public static void main(String[] args) throws Exception {
    if (args[0].equals("child")) {
      work(args[1], Path.of(args[2]));
      return;
    }
    int kills = Integer.parseInt(args[0]);
    SplittableRandom random = new SplittableRandom(args.length > 1 ? Long.parseLong(args[1]) : 1);
    int lost = 0;
    double longest = 0;
    int[] counts = new int[WAYS.length];
    for (int k = 0; k < kills; k++) {
      int way = k % 10 == 9 ? 3 : k % 3;
      counts[way]++;
      Path dir = Files.createTempDirectory("loose-echo-kill");
      double most = way == 3 ? 4000 : 250;
      String said = killed(WAYS[way], dir, (long) (random.nextDouble() * most));
      if (way == 3) {
        longest = Math.max(longest, secondsLost(dir, said));
      } else if (!whole(WAYS[way], dir, said)) {
        lost++;
        System.out.println("kill " + k + ", " + WAYS[way] + ": lost, see " + dir);
        continue;
      }
      delete(dir);
    }
    for (int w = 0; w < WAYS.length; w++) {
      System.out.println(WAYS[w] + ": " + counts[w] + " kills");
    }
    System.out.println("lost or half: " + lost);
    System.out.printf(java.util.Locale.ROOT, "edits lost: at most %.1f s%n", longest);
    System.exit(lost > 0 || longest > 5 ? 1 : 0);
  }

  /** Lets a process work and kills it; the last line that it said. */
  private static String killed(String way, Path dir, long afterMs) throws Exception {
    Path said = dir.resolve("said.txt");
    Process child =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-Xshare:auto",
                "-cp",
                System.getProperty("java.class.path"),
                KillBench.class.getName(),
                "child",
                way,
                dir.toString())
            .redirectErrorStream(true)
            .redirectOutput(said.toFile())
            .start();
    while (child.isAlive() && !Files.readString(said).startsWith("ready")) {
      TimeUnit.MILLISECONDS.sleep(10);
    }
    TimeUnit.MILLISECONDS.sleep(afterMs);
    child.destroyForcibly().waitFor();
    String last = "";
    for (String line : Files.readAllLines(said)) {
      last = line.matches("\\d+ \\d+\\.") ? line.substring(0, line.length() - 1) : last;
    }
    return last; // a line without its full stop was cut
  }

  private static void work(String way, Path dir) throws IOException, InterruptedException {
    Path sound = Files.write(dir.resolve("tune.wav"), new byte[SOUND_BYTES]);
    Path file = dir.resolve("tune.looseecho");
    ProjectFile files = new ProjectFile();
    Template t = TemplateTest.small();
    EchoRenderer renderer = new EchoRenderer(Sounds.plain());
    files.write(project(t, 0), Optional.empty(), file);
    Aside aside = new Aside(dir);
    System.out.println("ready");
    for (int n = 1; ; n++) {
      switch (way) {
        case "export" ->
            new TemplateExport()
                .write(
                    t,
                    renderer,
                    dir.resolve("out"),
                    StemNames.of("tune echo"),
                    TemplateExport.Sound.STEMS,
                    new Outputs(List.of(), false),
                    Progress.NONE);
        case "aside" -> {
          aside.changed(project(t, n));
          TimeUnit.MILLISECONDS.sleep(50);
        }
        default ->
            files.write(
                project(t, n), way.equals("packed") ? Optional.of(sound) : Optional.empty(), file);
      }
      System.out.println(n + " " + System.currentTimeMillis() + ".");
    }
  }

  private static Project project(Template t, int number) {
    List<String> log = new ArrayList<>();
    for (int i = 0; i < LINES; i++) {
      log.add("Put clap on step " + i);
    }
    log.add(number + " " + System.currentTimeMillis());
    Project.Link link = new Project.Link("tune", "tune.wav", "ab12", false);
    List<LogLine> lines = log.stream().map(LogLine::of).toList();
    return new Project(link, Corrections.NONE, t, t, Sounds.plain(), lines);
  }

  private static String last(Path project) throws IOException {
    List<String> log = LogLine.words(new ProjectFile().read(project).log());
    return log.get(log.size() - 1);
  }

  private static boolean whole(String way, Path dir, String said) throws IOException {
    try {
      int written = Integer.parseInt(last(dir.resolve("tune.looseecho")).split(" ", -1)[0]);
      boolean project = way.equals("export") || written >= number(said);
      if (!way.equals("export") || !Files.isDirectory(dir.resolve("out"))) {
        return project;
      }
      try (Stream<Path> all = Files.list(dir.resolve("out"))) {
        for (Path p : all.filter(f -> !f.getFileName().toString().startsWith(".")).toList()) {
          project &= Seal.isUnbroken(p);
        }
      }
      return project;
    } catch (IOException e) {
      System.out.println(e.getMessage());
      return false;
    }
  }

  private static int number(String said) {
    return said.matches("\\d+ \\d+") ? Integer.parseInt(said.split(" ", -1)[0]) : 0;
  }

  /** From the edit that was kept last to the one that was made last. */
  private static double secondsLost(Path dir, String said) throws IOException {
    if (number(said) == 0) {
      return 0;
    }
    long made = Long.parseLong(said.split(" ", -1)[1]);
    List<Path> left = new Aside(dir).left();
    String kept = last(left.isEmpty() ? dir.resolve("tune.looseecho") : left.get(0));
    return Math.max(0, (made - Long.parseLong(kept.split(" ", -1)[1])) / 1000.0);
  }

  private static void delete(Path dir) throws IOException {
    try (Stream<Path> all = Files.walk(dir)) {
      for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }
}
