package looseecho.drawer;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.concurrent.ConcurrentLinkedQueue;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.palette.DescriptorFinder;
import looseecho.palette.Descriptors;
import looseecho.palette.Picture;
import looseecho.palette.SoundClassifier;
import looseecho.reading.Progress;

/**
 * Measures the samples in folders and puts them into the drawer. What is there already and has not
 * changed is passed over, so an index that was stopped goes on where it was.
 */
public final class Indexer {
  private static final long LARGEST = 60_000_000; // bytes: what is larger is no one-shot
  private static final double LONGEST = 20; // seconds
  private static final int BATCH = 64;
  private static final int RATE = 44100;

  private final SoundClassifier classifier = new SoundClassifier();

  /**
   * What an index came to.
   *
   * @param added measured anew
   * @param known passed over
   * @param gone forgotten
   * @param notes sentences about files that could not be used
   */
  public record Done(int added, int known, int gone, List<String> notes) {}

  private record Found(Path file, long size, long modified) {}

  /** Takes folders, with the folders inside them, into the drawer. */
  public Done add(Drawer drawer, List<Path> folders, Progress progress) throws IOException {
    int known = 0;
    int gone = 0;
    List<Found> fresh = new ArrayList<>();
    List<String> notes = new ArrayList<>();
    for (Path folder : folders) {
      Path at = folder.toAbsolutePath().normalize();
      if (!Files.isDirectory(at)) {
        notes.add("There is no folder " + folder + ".");
        continue;
      }
      for (Found f : files(at, notes)) {
        if (drawer.knows(f.file(), f.size(), f.modified())) {
          known++;
        } else {
          fresh.add(f);
        }
      }
      gone += drawer.forgetGone(at);
    }
    ConcurrentLinkedQueue<String> failed = new ConcurrentLinkedQueue<>();
    int added = 0;
    for (int from = 0; from < fresh.size(); from += BATCH) {
      progress.step("Measuring samples", (double) from / fresh.size());
      List<Drawer.Measured> measured =
          fresh.subList(from, Math.min(fresh.size(), from + BATCH)).parallelStream()
              .map(f -> measured(f, failed))
              .filter(Objects::nonNull)
              .toList();
      drawer.put(measured);
      added += measured.size();
    }
    if (added + gone > 0) {
      progress.step("Comparing samples", 1);
      drawer.settle();
    }
    progress.step("Measuring samples", 1);
    notes.addAll(failed.stream().sorted().toList());
    return new Done(added, known, gone, notes);
  }

  /** The sound files below a folder; links are not followed, so that none is met twice. */
  private static List<Found> files(Path folder, List<String> notes) throws IOException {
    List<Found> out = new ArrayList<>();
    Files.walkFileTree(
        folder,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes a) {
            String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
            String ending = name.substring(name.lastIndexOf('.') + 1);
            if (a.isRegularFile() && AudioReader.ENDINGS.contains(ending) && a.size() <= LARGEST) {
              out.add(new Found(file, a.size(), a.lastModifiedTime().toMillis()));
            }
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFileFailed(Path file, IOException e) {
            notes.add(file + " can't be read.");
            return FileVisitResult.CONTINUE;
          }
        });
    out.sort(java.util.Comparator.comparing(Found::file));
    return out;
  }

  private Drawer.Measured measured(Found f, ConcurrentLinkedQueue<String> failed) {
    try {
      Audio audio = new AudioReader().oneShot(f.file(), Progress.NONE);
      if (audio.duration() > LONGEST || audio.peak() < 1e-4) {
        failed.add(
            f.file() + (audio.peak() < 1e-4 ? " is silent." : " is too long for a one-shot."));
        return null;
      }
      Audio at = new Resampler().resample(audio, RATE);
      float[] left = at.channel(0);
      float[] right = at.channel(1);
      float[] mono = at.mono();
      Descriptors like = new DescriptorFinder().of(left, right);
      SoundClassifier.Look look = classifier.look(mono, f.file());
      SoundClassifier.Said said = SoundClassifier.Said.of(look.shares());
      Picture picture = Picture.of(mono, Picture.attack(mono));
      Entry own =
          new Entry(
              f.file(), f.size(), f.modified(), said.what(), said.confidence(), like, picture);
      return new Drawer.Measured(own, look);
    } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
      failed.add(f.file() + ": " + e.getMessage());
      return null;
    }
  }
}
