package looseecho.project;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileVisitOption;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import looseecho.mix.Sounds;
import looseecho.reading.Progress;
import looseecho.synth.SampleSound;

/**
 * Knows a person's samples by what their files hold (size and SHA-256), and finds those that were
 * moved or renamed in the folders where they are likely to be.
 */
public final class FoundSamples {
  private static final int DEEPEST = 6;
  private static final long MOST_FILES = 50_000;

  private FoundSamples() {}

  /** What a file holds, as it is kept with a sample. */
  public static String content(Path file) throws IOException {
    return Files.size(file) + "-" + CorrectionStore.fingerprint(file);
  }

  /** The same sounds, all samples that are there known by what they hold. */
  static Sounds identified(Sounds sounds) {
    return sounds.samples(
        sample -> {
          if (!sample.content().isEmpty() || !isThere(sample)) {
            return sample;
          }
          try {
            return sample.known(content(Path.of(sample.path())));
          } catch (IOException unreadable) {
            System.getLogger(FoundSamples.class.getName())
                .log(System.Logger.Level.DEBUG, "can't be read: " + sample.path(), unreadable);
            return sample;
          }
        });
  }

  /**
   * The same sounds with samples that are no longer where they were taken from where they are now.
   *
   * @param folders to be searched, with the folders inside them
   */
  public static Sounds find(Sounds sounds, Collection<Path> folders, Progress progress) {
    boolean lost = sounds.samples().stream().anyMatch(s -> !s.content().isEmpty() && !isThere(s));
    if (!lost) {
      return sounds;
    }
    List<Path> files = files(folders);
    return sounds.samples(
        sample ->
            sample.content().isEmpty() || isThere(sample)
                ? sample
                : find(sample, files, progress).map(sample::at).orElse(sample));
  }

  private static boolean isThere(SampleSound sample) {
    return Files.isRegularFile(Path.of(sample.path()));
  }

  private static List<Path> files(Collection<Path> folders) {
    List<Path> out = new ArrayList<>();
    for (Path folder : folders) {
      try (Stream<Path> walk = Files.walk(folder, DEEPEST, FileVisitOption.FOLLOW_LINKS)) {
        walk.limit(MOST_FILES).filter(Files::isRegularFile).forEach(out::add);
      } catch (IOException | UncheckedIOException e) {
        System.getLogger(FoundSamples.class.getName())
            .log(System.Logger.Level.DEBUG, "can't be searched: " + folder, e);
      }
    }
    return out;
  }

  private static Optional<Path> find(SampleSound sample, List<Path> files, Progress progress) {
    String size = sample.content().substring(0, Math.max(0, sample.content().indexOf('-')));
    for (Path file : files) {
      progress.at("Looking for samples", 0);
      try {
        if (Long.toString(Files.size(file)).equals(size)
            && content(file).equals(sample.content())) {
          return Optional.of(file);
        }
      } catch (IOException gone) {
        System.getLogger(FoundSamples.class.getName())
            .log(System.Logger.Level.DEBUG, "gone again: " + file, gone);
      }
    }
    return Optional.empty();
  }
}
