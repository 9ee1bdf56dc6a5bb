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
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import looseecho.echo.Movement;
import looseecho.echo.Template;
import looseecho.echo.Transition;
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

  /** The same sample, known by what it holds where it is there. */
  static SampleSound identified(SampleSound sample) {
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
  }

  /** The recordings that a template's transitions play. */
  static List<SampleSound> of(Template t) {
    List<SampleSound> out = new ArrayList<>();
    each(
        t,
        s -> {
          out.add(s);
          return s;
        });
    return out;
  }

  /** The same template, every recording of its transitions exchanged. */
  static Template each(Template t, UnaryOperator<SampleSound> change) {
    Template out = t;
    for (int s = 0; s < t.sections().size(); s++) {
      Movement m = t.sections().get(s).movement();
      if (m.transitions().stream().anyMatch(x -> !x.file().isEmpty())) {
        List<Transition> changed =
            m.transitions().stream().map(x -> x.file().isEmpty() ? x : changed(x, change)).toList();
        out = out.with(s, out.sections().get(s).with(new Movement(m.courses(), changed)));
      }
    }
    return out;
  }

  private static Transition changed(Transition x, UnaryOperator<SampleSound> change) {
    SampleSound now = change.apply(SampleSound.of(Path.of(x.file())).known(x.content()));
    return x.from(now.path()).known(now.content());
  }

  /**
   * The same project with samples that are no longer where they were taken from where they are now.
   *
   * @param folders to be searched, with the folders inside them
   */
  public static Project find(Project p, Collection<Path> folders, Progress progress) {
    UnaryOperator<SampleSound> finder = finder(folders, progress);
    return p.with(p.sounds().samples(finder)).with(each(p.template(), finder));
  }

  /** The same for sounds alone. */
  public static Sounds find(Sounds sounds, Collection<Path> folders, Progress progress) {
    return sounds.samples(finder(folders, progress));
  }

  /** The same for what transitions of a template play. */
  public static Template find(Template t, Collection<Path> folders, Progress progress) {
    return each(t, finder(folders, progress));
  }

  /** Looks into the folders when the first sample is missing. */
  private static UnaryOperator<SampleSound> finder(Collection<Path> folders, Progress progress) {
    List<Path> files = new ArrayList<>();
    return sample -> {
      if (sample.content().isEmpty() || isThere(sample)) {
        return sample;
      }
      if (files.isEmpty()) {
        files.addAll(files(folders));
      }
      return find(sample, files, progress).map(sample::at).orElse(sample);
    };
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
