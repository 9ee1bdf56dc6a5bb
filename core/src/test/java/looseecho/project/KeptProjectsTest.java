package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Movement;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.Transition;
import looseecho.mix.Sounds;
import looseecho.reading.Progress;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What projects keep: samples that were moved, the file before a failed save, former versions. */
class KeptProjectsTest {
  @TempDir private Path dir;
  private final ProjectFile files = new ProjectFile();

  @Test
  void aSampleThatWasMovedAndRenamedIsFoundByWhatItHolds() throws IOException {
    Path wav = Files.write(dir.resolve("clap.wav"), new byte[] {1, 2, 3, 4});
    Path other = Files.createDirectories(dir.resolve("kit/new")).resolve("clap 2.wav");
    Files.write(dir.resolve("kit/clap.wav"), new byte[] {1, 2, 3, 5}); // as long, something else
    Project p = ProjectFileTest.project();
    DrumPart clap = Part.of(Lane.CLAP);
    Path file = dir.resolve("a.looseecho");
    files.write(p.with(p.sounds().with(clap, SampleSound.of(wav))), Optional.empty(), file);
    Files.move(wav, other);
    Sounds opened = files.read(file).sounds();
    Sounds found = FoundSamples.find(opened, List.of(dir), Progress.NONE);
    assertEquals(other.toString(), found.sample(clap).orElseThrow().path());
    Files.delete(other);
    assertEquals(opened, FoundSamples.find(opened, List.of(dir), Progress.NONE), "it is gone");
  }

  @Test
  void aRecordingThatLeadsInIsPackedAndFoundAgain() throws IOException {
    Path wav = Files.write(dir.resolve("swell.wav"), new byte[] {1, 2, 3, 4});
    Project p = ProjectFileTest.project();
    Transition x = Transition.into(Transition.Kind.FILE, 960).from(wav.toString());
    Template t = p.template();
    t = t.with(0, t.sections().get(0).with(Movement.NONE.with(x)));
    Path file = dir.resolve("lead.looseecho");
    files.write(p.with(t), Optional.of(Files.write(dir.resolve("ref.wav"), new byte[9])), file);
    Path moved = Files.move(wav, Files.createDirectories(dir.resolve("else")).resolve("b.wav"));
    Project opened = files.read(file);
    assertEquals(moved.toString(), file(FoundSamples.find(opened, List.of(dir), Progress.NONE)));
    Files.delete(moved);
    Path unpacked = Path.of(file(files.unpackSamples(file, opened, dir.resolve("out"))));
    assertArrayEquals(new byte[] {1, 2, 3, 4}, Files.readAllBytes(unpacked));
  }

  private static String file(Project p) {
    return p.template().sections().get(0).movement().transitions().get(0).file();
  }

  /**
   * A full disk, as far as a program sees it: /dev/full takes nothing. A folder that is not there.
   */
  @Test
  void aFailedSaveLosesNothing() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(ProjectFileTest.project(), Optional.empty(), file);
    byte[] before = Files.readAllBytes(file);
    assertThrows(
        IOException.class,
        () ->
            files.write(ProjectFileTest.project(), Optional.of(dir.resolve("missing.wav")), file));
    assertThrows(
        IOException.class,
        () ->
            looseecho.disk.WholeFile.write(
                file,
                part -> {
                  try (OutputStream out = Files.newOutputStream(part)) {
                    out.write(before, 0, before.length / 2);
                    throw new IOException("No space left on device");
                  }
                }));
    assertThrows(
        IOException.class,
        () ->
            files.write(
                ProjectFileTest.project(),
                Optional.empty(),
                dir.resolve("no/such/folder/a.looseecho")));
    assertThrows(
        IOException.class,
        () ->
            files.write(
                ProjectFileTest.project(), Optional.empty(), Path.of("/proc/self/a.looseecho")),
        "a folder that takes no files, not even from root");
    org.junit.jupiter.api.Assertions.assertArrayEquals(before, Files.readAllBytes(file));
    try (var all = Files.list(dir)) {
      assertEquals(1, all.count(), "no half-written file is left");
    }
  }

  @Test
  void tenVersionsAreKeptAndTheLastGoodOneIsFound() throws IOException {
    Path file = dir.resolve("a.looseecho");
    Versions versions = new Versions(dir.resolve("versions"));
    for (int k = 0; k < 14; k++) {
      files.write(ProjectFileTest.project(), Optional.empty(), file);
      versions.keep(file);
    }
    List<Path> kept = versions.list(file);
    assertEquals(10, kept.size());
    Files.write(kept.get(9), new byte[] {1, 2, 3});
    assertEquals(kept.get(8), versions.good(file).get(0));
    assertEquals(List.of(), versions.good(dir.resolve("other.looseecho")));
  }

  @Test
  void aSecondWindowIsNoticed() throws IOException {
    Path file = dir.resolve("a.looseecho");
    try (ProjectLock first = ProjectLock.take(file, dir.resolve("locks")).orElseThrow()) {
      assertTrue(
          ProjectLock.take(file, dir.resolve("locks")).isEmpty(), "held by " + first.getClass());
    }
    ProjectLock.take(file, dir.resolve("locks")).orElseThrow().close();
  }
}
