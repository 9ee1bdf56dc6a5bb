package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is damaged, hostile or newer is refused in a sentence; what is only partly wrong opens. */
@org.junit.jupiter.api.Tag("everywhere")
class RefusedProjectsTest {
  @TempDir private Path dir;
  private final ProjectFile files = new ProjectFile();

  @Test
  void hostileLengthsCountsAndPathsAreRefused() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(ProjectFileTest.project(), Optional.empty(), file);
    JsonNode whole = new ObjectMapper().readTree(ProjectFileTest.json(file));
    JsonNode nul = whole.deepCopy();
    ((ObjectNode) nul.at("/sounds/parts/CLAP/layers/0/source")).put("path", "a\u0000b");
    assertFalse(ProjectFileTest.opens(dir, nul));
    ((ObjectNode) nul.at("/sounds/parts/CLAP/layers/0/source")).putNull("path");
    assertFalse(ProjectFileTest.opens(dir, nul));
    JsonNode many = whole.deepCopy();
    var hits =
        (com.fasterxml.jackson.databind.node.ArrayNode) many.at("/template/sections/0/drums/CLAP");
    JsonNode one = hits.get(0);
    for (int k = 0; k < 400_000; k++) {
      hits.add(one);
    }
    assertFalse(ProjectFileTest.opens(dir, many), "too many hits");
    JsonNode beats = whole.deepCopy();
    ((ObjectNode) beats.at("/template/sections/0")).put("beats", 3_000_000_000L);
    assertFalse(ProjectFileTest.opens(dir, beats));
    assertTrue(refused(dir).contains("a folder"));
  }

  /** What stands before the project in a zip is not unpacked on the way to it. */
  @Test
  void alargeEntryInFrontCostsNothing() throws IOException {
    Path good = dir.resolve("good.looseecho");
    files.write(ProjectFileTest.project(), Optional.empty(), good);
    Path file = dir.resolve("x.looseecho");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.setLevel(9);
      zip.putNextEntry(new ZipEntry("first"));
      byte[] zeros = new byte[1 << 20];
      for (int k = 0; k < 300; k++) {
        zip.write(zeros);
      }
      zip.putNextEntry(new ZipEntry("project.json"));
      zip.write(ProjectFileTest.json(good));
    }
    assertEquals(ProjectFileTest.project(), files.read(file));
  }

  @Test
  void correctionsThatMakeNoSenseAreNamedAndTheRestOfTheProjectOpens() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(ProjectFileTest.project(), Optional.empty(), file);
    JsonNode whole = new ObjectMapper().readTree(ProjectFileTest.json(file));
    ((ObjectNode) whole.get("corrections")).put("bpm", -5).put("nudge", 0.02);
    ProjectFile.Opened o = files.open(ProjectFileTest.zip(dir, "project.json", whole.toString()));
    assertTrue(o.note().contains("bpm"), o.note());
    assertEquals(0.02, o.project().corrections().pulse().nudge());
    assertEquals(ProjectFileTest.project().template(), o.project().template());
  }

  private String refused(Path file) {
    String words = assertThrows(IOException.class, () -> files.read(file)).getMessage();
    assertTrue(words.endsWith("Nothing was changed."), words);
    return words;
  }

  @Test
  void damagedNewerAndHostileFilesAreRefusedWithASentence() throws IOException {
    Path good = dir.resolve("good.looseecho");
    files.write(ProjectFileTest.project(), Optional.empty(), good);
    byte[] bytes = Files.readAllBytes(good);
    Random random = new Random(3);
    for (int k = 0; k < 60; k++) {
      byte[] bad =
          k % 2 == 0 ? java.util.Arrays.copyOf(bytes, random.nextInt(bytes.length)) : bytes.clone();
      if (k % 2 == 1) {
        bad[40 + random.nextInt(bytes.length - 200)] ^= (byte) (1 << random.nextInt(8));
      }
      Path file = Files.write(dir.resolve("bad.looseecho"), bad);
      try {
        assertEquals(ProjectFileTest.project(), files.read(file), "if it opens, it is whole");
      } catch (IOException e) {
        assertTrue(e.getMessage().contains("not opened"), e.getMessage());
      }
    }
    assertTrue(
        refused(Files.writeString(dir.resolve("n.looseecho"), "hello")).contains("not a Loose"));
    String newer = "{\"format\": \"looseecho\", \"version\": 99}";
    assertTrue(refused(ProjectFileTest.zip(dir, "project.json", newer)).contains("newer version"));
    refused(ProjectFileTest.zip(dir, "../../project.json", newer));
    refused(ProjectFileTest.zip(dir, "project.json", "[".repeat(100_000)));
    String huge =
        new String(ProjectFileTest.json(good), StandardCharsets.UTF_8)
            .replaceFirst("\"bpm\":120.0", "\"bpm\":1e300");
    assertTrue(huge.contains("1e300"));
    refused(ProjectFileTest.zip(dir, "project.json", huge));
    Path bomb = dir.resolve("bomb.looseecho");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(bomb))) {
      zip.putNextEntry(new ZipEntry("project.json"));
      byte[] zeros = new byte[1 << 20];
      for (int k = 0; k < 80; k++) {
        zip.write(zeros);
      }
    }
    assertTrue(refused(bomb).contains("too large"));
  }
}
