package looseecho.disk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

@Tag("everywhere")
class WholeFileTest {
  @TempDir private Path dir;

  private static void write(Path path, String text) throws IOException {
    WholeFile.write(path, part -> Files.writeString(part, text));
  }

  private List<String> names() throws IOException {
    try (Stream<Path> all = Files.list(dir)) {
      return all.map(p -> p.getFileName().toString()).sorted().toList();
    }
  }

  @Test
  void aFailedWriteLeavesTheOldFileAndNothingElse() throws IOException {
    Path file = dir.resolve("a.txt");
    write(file, "old");
    assertThrows(
        IllegalStateException.class,
        () ->
            WholeFile.write(
                file,
                part -> {
                  Files.writeString(part, "half");
                  throw new IllegalStateException("killed");
                }));
    assertEquals("old", Files.readString(file));
    assertEquals(List.of("a.txt"), names());
  }

  @Test
  void writersOfOneFileNeverMix() throws Exception {
    Path file = dir.resolve("a.txt");
    ExecutorService pool = Executors.newFixedThreadPool(4);
    try {
      List<Future<?>> all =
          IntStream.range(0, 40)
              .<Future<?>>mapToObj(
                  k ->
                      pool.submit(
                          () -> {
                            write(file, String.valueOf(k % 4).repeat(50_000));
                            return k;
                          }))
              .toList();
      for (Future<?> f : all) {
        f.get();
      }
    } finally {
      pool.shutdownNow();
    }
    String text = Files.readString(file);
    assertEquals(50_000, text.length());
    assertEquals(1, text.chars().distinct().count());
    assertEquals(List.of("a.txt"), names());
  }

  @Test
  void throughALinkTheTargetIsReplacedAndTheLinkStays() throws IOException {
    Path real = Files.createDirectory(dir.resolve("elsewhere")).resolve("real.txt");
    Path link = Files.createSymbolicLink(dir.resolve("link.txt"), Path.of("elsewhere/real.txt"));
    write(link, "first"); // a link that leads nowhere yet
    write(link, "second");
    assertTrue(Files.isSymbolicLink(link));
    assertEquals("second", Files.readString(real));
  }

  /** Such a link at a guessable name would have its target overwritten. */
  @Test
  void noLinkBesideTheTargetIsFollowed() throws IOException {
    Path other = Files.writeString(dir.resolve("other.txt"), "mine");
    Files.createSymbolicLink(dir.resolve(".a.txt.part"), other);
    Files.createSymbolicLink(dir.resolve("a.txt.part"), other);
    write(dir.resolve("a.txt"), "new");
    assertEquals("mine", Files.readString(other));
  }

  @Test
  void whatCantBeWrittenIsSaidInASentence() throws IOException {
    Path folder = Files.createDirectory(dir.resolve("song"));
    assertTrue(refusal(folder).contains("There is a folder named song"));
    assertTrue(Files.isDirectory(folder), "an empty folder is not replaced");
    assertTrue(refusal(dir.resolve("gone/a.txt")).contains("There is no folder"));
    assertTrue(refusal(dir.resolve("x".repeat(300))).contains("too long"));
    Path file = Files.writeString(dir.resolve("file"), "");
    assertTrue(refusal(file.resolve("a.txt")).contains("is a file, not a folder"));
    IOException full =
        assertThrows(
            IOException.class,
            () ->
                WholeFile.write(
                    dir.resolve("a.txt"),
                    part -> {
                      throw new IOException("No space left on device");
                    }));
    assertTrue(full.getMessage().contains("no space left for a.txt"), full.getMessage());
  }

  private static String refusal(Path path) {
    String said = assertThrows(DiskException.class, () -> write(path, "x")).getMessage();
    assertTrue(said.endsWith("."), said);
    return said;
  }

  @Test
  void aReplacedFileKeepsItsPermissionsAndOldPartsGo() throws IOException {
    Path file = dir.resolve("a.txt");
    write(file, "one");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-r-----"));
    Path old = Files.writeString(dir.resolve(".loose-echo-1.part"), "left by a killed program");
    Files.setLastModifiedTime(old, FileTime.fromMillis(0));
    Path fresh = Files.writeString(dir.resolve(".loose-echo-2.part"), "being written elsewhere");
    write(file, "two");
    assertEquals("rw-r-----", PosixFilePermissions.toString(Files.getPosixFilePermissions(file)));
    assertFalse(Files.exists(old));
    assertTrue(Files.exists(fresh));
  }
}
