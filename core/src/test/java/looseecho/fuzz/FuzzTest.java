package looseecho.fuzz;

import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A small part of the fuzz bench: no damaged file does worse than a sentence. */
@org.junit.jupiter.api.Tag("everywhere")
class FuzzTest {
  private static final Path SOUNDS = Path.of("src/test/resources/looseecho/audio");
  private static final int CASES = 300;

  @TempDir private Path dir;

  @Test
  void damagedFilesAreTakenOrRefusedInASentence() throws IOException {
    List<Path> sounds;
    try (Stream<Path> all = Files.list(SOUNDS)) {
      sounds = all.filter(p -> p.toString().matches(".*\\.(mp3|flac|ogg|aiff)")).sorted().toList();
    }
    assertTrue(sounds.size() >= 4, sounds.toString());
    FuzzCases cases = new FuzzCases(dir, sounds);
    int sentences = 0;
    for (long seed = 0; seed < CASES; seed++) {
      long s = seed;
      FuzzCases.Outcome o =
          Assertions.assertTimeoutPreemptively(
              Duration.ofSeconds(20), () -> cases.run(s), "case " + s + " does not end");
      assertNull(o.fault(), () -> "case " + s + ", " + o.kind() + ": " + o.fault());
      sentences += o.sentence() ? 1 : 0;
    }
    assertTrue(sentences > CASES / 10, "hardly anything was damaged: " + sentences);
  }
}
