package looseecho.bench;

import com.sun.management.ThreadMXBean;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import looseecho.fuzz.FuzzCases;

/**
 * Gives damaged files to every reader and prints what came of it: {@code FuzzBench CASES [FIRST
 * SEED]}. Run with a small heap ({@code -Xmx512m}); it ends with 1 when there was a fault.
 */
public final class FuzzBench {
  private static final long DEADLINE_SECONDS = 20;
  private static final String SOUNDS = "core/src/test/resources/looseecho/audio";

  private FuzzBench() {}

  /** What came of all cases of one kind. */
  private static final class Tally {
    private int taken;
    private int sentences;
    private int faults;
    private double longest;
    private long most;
  }

  public static void main(String[] args) throws Exception {
    int cases = args.length > 0 ? Integer.parseInt(args[0]) : 10_000;
    long first = args.length > 1 ? Long.parseLong(args[1]) : 0;
    Path dir = Files.createTempDirectory("loose-echo-fuzz");
    FuzzCases fuzz;
    try (Stream<Path> all = Files.list(Path.of(SOUNDS))) {
      fuzz =
          new FuzzCases(
              dir, all.filter(p -> p.toString().matches(".*\\.(mp3|flac|ogg|aiff)")).toList());
    }
    Map<String, Tally> tallies = new TreeMap<>();
    for (long seed = first; seed < first + cases; seed++) {
      one(fuzz, seed, tallies);
    }
    print(tallies);
    System.exit(tallies.values().stream().anyMatch(t -> t.faults > 0) ? 1 : 0);
  }

  private static void one(FuzzCases fuzz, long seed, Map<String, Tally> tallies) throws Exception {
    ExecutorService thread = Executors.newSingleThreadExecutor(FuzzBench::daemon);
    long start = System.nanoTime();
    Future<Measured> running = thread.submit(() -> measured(fuzz, seed));
    try {
      Measured m = running.get(DEADLINE_SECONDS, TimeUnit.SECONDS);
      Tally t = tallies.computeIfAbsent(m.outcome().kind(), k -> new Tally());
      t.longest = Math.max(t.longest, (System.nanoTime() - start) / 1e9);
      t.most = Math.max(t.most, m.bytes());
      if (m.outcome().fault() != null) {
        t.faults++;
        System.out.println("seed " + seed + ", " + m.outcome().kind() + ": " + m.outcome().fault());
      } else if (m.outcome().sentence()) {
        t.sentences++;
      } else {
        t.taken++;
      }
    } catch (TimeoutException e) {
      tallies.computeIfAbsent("no end", k -> new Tally()).faults++;
      System.out.println("seed " + seed + " does not end");
    } finally {
      thread.shutdownNow();
    }
  }

  private static Thread daemon(Runnable r) {
    Thread t = new Thread(r, "case");
    t.setDaemon(true);
    return t;
  }

  /** A case and all bytes that were allocated for it. */
  private record Measured(FuzzCases.Outcome outcome, long bytes) {}

  private static Measured measured(FuzzCases fuzz, long seed) throws IOException {
    ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    long before = threads.getCurrentThreadAllocatedBytes();
    FuzzCases.Outcome o = fuzz.run(seed);
    return new Measured(o, threads.getCurrentThreadAllocatedBytes() - before);
  }

  private static void print(Map<String, Tally> tallies) {
    System.out.println("| kind | cases | taken | sentence | fault | longest | most allocated |");
    System.out.println("|---|---|---|---|---|---|---|");
    tallies.forEach(
        (kind, t) ->
            System.out.printf(
                java.util.Locale.ROOT,
                "| %s | %d | %d | %d | %d | %.2f s | %.0f MB |%n",
                kind,
                t.taken + t.sentences + t.faults,
                t.taken,
                t.sentences,
                t.faults,
                t.longest,
                t.most / 1e6));
  }
}
