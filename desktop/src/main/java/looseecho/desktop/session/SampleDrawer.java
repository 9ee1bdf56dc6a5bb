package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.drawer.Drawer;
import looseecho.drawer.Entry;
import looseecho.drawer.Indexer;
import looseecho.drawer.Match;
import looseecho.drawer.Matcher;
import looseecho.drawer.PairMatcher;
import looseecho.drawer.ShippedDrawer;
import looseecho.palette.HeardSound;
import looseecho.palette.Region;
import looseecho.reading.Progress;

/**
 * The person's own samples: measured aside, searched for what is near a heard sound. The sounds
 * that come with the program are in it from the start. Belongs to the interface's thread.
 */
public final class SampleDrawer {
  private static final int SHOWN = 12;
  private static final int LOOKED_AT = 40;
  private static final double TOGETHER_DB = 1.5; // that another source has to be nearer
  private final Lanes lanes;
  private final Notice notice;
  private final Path folder;
  private final Supplier<Set<Path>> sources;
  private final ReadOnlyIntegerWrapper size = new ReadOnlyIntegerWrapper(-1);
  private final ReadOnlyObjectWrapper<List<Match>> matches = new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<List<PairMatcher.Pair>> pairs =
      new ReadOnlyObjectWrapper<>(List.of());
  private HeardSound wanted;
  private String words = "";
  private Region region = Region.WHOLE;

  /**
   * A drawer in a folder.
   *
   * @param folder where what was measured is kept
   * @param sources folders whose samples are preferred
   */
  SampleDrawer(Lanes lanes, Notice notice, Path folder, Supplier<Set<Path>> sources) {
    this.lanes = lanes;
    this.notice = notice;
    this.folder = folder;
    this.sources = sources;
  }

  /** Gets the drawer ready when it is first looked at. */
  void open() {
    if (size.get() < 0) {
      size.set(0);
      index(List.of(), "");
    }
  }

  /** Takes a folder of samples into it; what is there already is passed over. */
  public void add(Path samples) {
    index(List.of(samples), samples.getFileName() + ": ");
  }

  private void index(List<Path> more, String what) {
    lanes
        .indexing()
        .start(
            p -> indexed(more, p),
            done -> {
              size.set(done.size());
              if (!done.away().isEmpty()) {
                int others = done.away().size() - 1;
                notice.say(
                    "Not there now: "
                        + done.away().get(0)
                        + (others == 0 ? "" : " and " + others + " more")
                        + ". Its samples are left out until it is back.");
              }
              if (!more.isEmpty()) {
                String rest = done.done().notes().isEmpty() ? "" : " " + done.done().notes().get(0);
                notice.say(
                    String.format(
                        Locale.ROOT,
                        "%s%d measured, %d known already.%s",
                        what,
                        done.done().added(),
                        done.done().known(),
                        rest));
              }
              look();
            },
            e -> notice.failed("Measuring samples", e, "What was measured is kept; add again."));
  }

  /** {@code away} are folders that were measured and are not there now. */
  private record Indexed(int size, Indexer.Done done, List<Path> away) {}

  private Indexed indexed(List<Path> more, Progress p) throws IOException {
    Path own = folder.resolve("that come with it");
    try (Drawer drawer = Drawer.open(folder)) {
      if (drawer.entries(own).isEmpty()) {
        ShippedDrawer.write(own, p);
        new Indexer().add(drawer, List.of(own), p);
      }
      Indexer.Done done = new Indexer().add(drawer, more, p);
      List<Path> away =
          drawer.entries().stream()
              .map(e -> e.file().getParent())
              .distinct()
              .filter(f -> !Files.isDirectory(f))
              .toList();
      return new Indexed(drawer.entries().size(), done, away);
    }
  }

  /** Looks for what is near a sound; null for none. */
  void want(HeardSound heard) {
    wanted = heard;
    look();
  }

  /** Only samples that these words fit: kind, what they are like, name. */
  public void words(String wantedWords) {
    words = wantedWords.toLowerCase(Locale.ROOT).strip();
    look();
  }

  /** Looks for what brings a region of the sound. */
  public void region(Region other) {
    region = other;
    look();
  }

  /** The region that is looked for. */
  public Region region() {
    return region;
  }

  /** Those that lie with what was taken already count as nearer. */
  private static List<Match> oneSource(List<Match> found, Set<Path> together) {
    return found.stream()
        .sorted(
            Comparator.comparingDouble(
                m ->
                    m.distance()
                        - (together.contains(m.entry().file().getParent()) ? TOGETHER_DB : 0)))
        .limit(SHOWN)
        .toList();
  }

  private void look() {
    HeardSound now = wanted;
    Region of = region;
    String fitting = words;
    Set<Path> together = sources.get();
    if (now == null || size.get() <= 0) {
      lanes.looking().drop();
      matches.set(List.of());
      return;
    }
    lanes
        .looking()
        .start(
            p -> {
              try (Drawer drawer = Drawer.open(folder)) {
                List<Entry> entries =
                    drawer.entries().stream().filter(e -> e.fits(fitting)).toList();
                return oneSource(new Matcher().match(now, of, entries, LOOKED_AT, p), together);
              }
            },
            matches::set,
            e -> notice.failed("Looking through the drawer", e, "Pick the sound again."));
  }

  /** Looks for pairs; they come when the drawer has been looked through. */
  void pairs(HeardSound kick, HeardSound snare) {
    if (size.get() <= 0) {
      pairs.set(List.of());
      return;
    }
    String fitting = words;
    lanes
        .pairing()
        .start(
            p -> {
              try (Drawer drawer = Drawer.open(folder)) {
                List<Entry> entries =
                    drawer.entries().stream().filter(e -> e.fits(fitting)).toList();
                return new PairMatcher().match(kick, snare, entries, SHOWN, p);
              }
            },
            pairs::set,
            e -> notice.failed("Looking for pairs", e, "Ask for them again."));
  }

  /** Kicks and snares that go together, the best first; none until they are asked for. */
  public ReadOnlyObjectProperty<List<PairMatcher.Pair>> pairsProperty() {
    return pairs.getReadOnlyProperty();
  }

  /** How many samples it holds; below 1 while it is not ready. */
  public ReadOnlyIntegerProperty sizeProperty() {
    return size.getReadOnlyProperty();
  }

  /** The nearest samples, the best first. */
  public ReadOnlyObjectProperty<List<Match>> matchesProperty() {
    return matches.getReadOnlyProperty();
  }
}
