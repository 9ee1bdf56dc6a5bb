package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.echo.LogLine;
import looseecho.project.Notebook.Note;
import looseecho.project.Notebook.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the person thinks of the echo, and why. */
class NotebookTest {
  private static final Note OPEN = new Note(12.5, "kick", "Is it ours?", true);
  private static final Note PLAIN = new Note(-1, "", "Tape <hiss> & \u201Eair\u201C", false);

  @TempDir private Path dir;
  private final ProjectFile files = new ProjectFile();

  private static Project noted() {
    Project p = ProjectFileTest.project();
    Notebook n =
        Notebook.EMPTY
            .with("kick", Verdict.CLOSE)
            .with("clap", Verdict.WANTED)
            .with("kick", Verdict.LATER)
            .with(OPEN)
            .with(PLAIN)
            .enough(71);
    List<LogLine> log =
        List.of(
            LogLine.of("Made"),
            new LogLine("2026-03-29T01:30:00Z", "Clap moved", "clap 4 to 5", "it drags"));
    return new Project(
        p.reference(), p.corrections(), p.exact(), p.template(), p.sounds(), p.near(), log, n);
  }

  @Test
  void verdictsNotesAndReasonsComeBack() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(noted(), Optional.empty(), file);
    Project read = files.read(file);
    assertEquals(noted(), read);
    assertEquals(Map.of("kick", Verdict.LATER, "clap", Verdict.WANTED), read.notebook().verdicts());
    assertEquals(Set.of("clap"), read.notebook().wanted());
    assertEquals(Verdict.OPEN, read.notebook().of("snare"));
    assertEquals(List.of(PLAIN), read.notebook().without(OPEN).notes());
    assertEquals("Clap moved (clap 4 to 5). Why: it drags", read.log().get(1).told());
    assertThrows(IllegalArgumentException.class, () -> Notebook.EMPTY.enough(0));
  }

  /** Version 7 had lines of words alone, and one score for all projects. */
  @Test
  void olderProjectsHaveNoTimesAndTheUsualScore() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(noted(), Optional.empty(), file);
    ObjectMapper mapper = new ObjectMapper();
    ObjectNode root;
    try (ZipFile zip = new ZipFile(file.toFile())) {
      root = (ObjectNode) mapper.readTree(zip.getInputStream(zip.getEntry("project.json")));
    }
    root.put("version", 7);
    ((ObjectNode) root.get("notebook")).remove("enough");
    ArrayNode log = root.putArray("log");
    log.add("Made").add("Clap moved");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry("project.json"));
      zip.write(mapper.writeValueAsBytes(root));
    }
    Project read = files.read(file);
    assertEquals(LogLine.all("Made", "Clap moved"), read.log());
    assertEquals(noted().notebook().enough(Notebook.ENOUGH), read.notebook());
  }

  @Test
  void whatIsNoTimeIsForgotten() {
    assertEquals("", new LogLine("yesterday", "Made", "", "").at());
    assertEquals("", new LogLine("yesterday", "Made", "", "").when());
    assertEquals(16, new LogLine("2026-03-29T01:30:00Z", "Made", "", "").when().length());
  }
}
