package looseecho.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipFile;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.echo.Arrangement;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** How near an echo is, what is handed on, and what several references share. */
class HandOverCommandsTest extends CommandTest {
  @TempDir private static Path kept;
  private static Path beat; // heard once for all
  private static Path echo;

  @BeforeEach
  void make() throws IOException {
    if (echo == null) {
      beat = beat(kept, "pier beat.wav", 0.25, 9);
      echo = kept.resolve("echo.looseecho");
      assertEquals(0, run("template", beat, "-o", echo), err.toString());
    }
  }

  /** Another version of the project, which nobody has heard. */
  private Path version(String name, Template t) throws IOException {
    Project p = new ProjectFile().read(echo);
    Path file = dir.resolve(name);
    new ProjectFile().write(p.with(t), java.util.Optional.empty(), file);
    return file;
  }

  private Template template() throws IOException {
    return new ProjectFile().read(echo).template();
  }

  @Test
  void itsOwnTrackAndItsOwnRendering() throws IOException {
    assertEquals(0, run("compare", beat, echo, "--json"), err.toString());
    JsonNode near = new ObjectMapper().readTree(out.toString());
    assertTrue(near.path("score").asDouble() > 75, out.toString());
    assertTrue(near.path("scores").size() > 3, "a score for each part");
    assertEquals(0, run("render", echo, "--out", dir.resolve("r")), err.toString());
    Path own = dir.resolve("r").resolve("echo echo.wav");
    assertEquals(0, run("compare", own, echo), err.toString());
    List<String> said = out.toString().lines().toList();
    assertEquals("echo.looseecho: 100 of 100", said.get(0));
    assertTrue(said.contains("  kick 100") && said.contains("  mix 100"), said.toString());
  }

  @Test
  void aFormerVersionIsHeldAgainstItSectionBySection() throws IOException {
    Template t = template();
    Path former = version("former.looseecho", t);
    Template less = t.with(0, t.sections().get(0).without(Part.of(Lane.SNARE)));
    Path now = version("now.looseecho", less);
    assertEquals(0, run("compare", former, now), err.toString());
    assertTrue(out.toString().startsWith("now.looseecho: "), out.toString());
    assertTrue(out.toString().contains("The snare misses "), out.toString());
    assertEquals(0, run("compare", former, echo), err.toString());
    assertTrue(out.toString().startsWith("echo.looseecho: 100 of 100"), out.toString());
  }

  @Test
  void anotherRecordingIsHeardFirstAndOneWithoutABeatIsRefused() throws IOException {
    Path faster = beat(dir, "faster.wav", 0.2, 9);
    assertEquals(0, run("compare", faster, echo, "--json"), err.toString());
    JsonNode near = new ObjectMapper().readTree(out.toString());
    assertEquals("faster.wav", near.path("reference").asText());
    double pattern = near.path("scores").path("kick").asDouble();
    assertTrue(pattern < 90, "its strokes lie elsewhere: " + pattern);
    Path calm = dir.resolve("calm.wav");
    new WavWriter().write(new Audio(new float[400_000], new float[400_000], 44_100), calm);
    assertEquals(1, run("compare", calm, echo));
    assertFalse(err.toString().isBlank());
    assertEquals(1, run("compare", dir.resolve("none.wav"), echo));
    assertEquals(1, run("compare", beat, dir.resolve("none.looseecho")));
    assertTrue(err.toString().contains("There is no project"), err.toString());
  }

  @Test
  void aPackHoldsThePartsThatWereAskedFor() throws IOException {
    Path packs = dir.resolve("packs");
    Object[] pack = {"pack", echo, "--out", packs, "--parts", "kick,snare", "--without", "stems"};
    assertEquals(0, run(pack), err.toString());
    String rows = Files.readString(packs.resolve("echo pack/strokes.csv"));
    assertTrue(rows.contains(",kick,") && !rows.contains("hat"), "the parts that were asked for");
    assertFalse(Files.exists(packs.resolve("echo pack/stems")));
    assertTrue(Files.size(packs.resolve("echo pack/sheet.pdf")) > 1000);
    assertEquals(1, run(pack), "it is there already");
    assertTrue(err.toString().contains("--force"), err.toString());
    assertEquals(1, run("pack", echo, "--out", packs, "--parts", "gong"));
    assertTrue(err.toString().contains("no part called gong"), err.toString());
    assertEquals(2, run("pack", echo, "--without", "gongs"));
  }

  @Test
  void sectionsByLetterAndNumberAndStemsAsTheyShallBeCalled() throws IOException {
    Template t = Arrangement.insert(template(), 0, 4).template();
    Path two = version("two.looseecho", t);
    String label = t.sections().get(1).label();
    Object[] pack = {
      "pack",
      two,
      "--out",
      dir,
      "--only",
      label,
      "--names",
      "{tempo} {part}",
      "--zip",
      "--without",
      "sheet,midi,score,jams,kit,project",
      "--name",
      "quay"
    };
    assertEquals(0, run(pack), err.toString());
    Set<String> names = new TreeSet<>();
    try (ZipFile zip = new ZipFile(dir.resolve("quay.zip").toFile())) {
      zip.stream().forEach(e -> names.add(e.getName()));
      String sections =
          new String(
              zip.getInputStream(zip.getEntry("quay/sections.txt")).readAllBytes(),
              java.nio.charset.StandardCharsets.UTF_8);
      assertEquals(1, sections.lines().count(), sections);
      String[] edges = sections.split("\t");
      assertEquals(0, Double.parseDouble(edges[0]), 0.01, sections);
      assertEquals(2, Double.parseDouble(edges[1]), 0.01, "four beats at 120: " + sections);
    }
    assertTrue(names.contains("quay/stems/120.wav"), names.toString());
    pack[5] = "2";
    assertEquals(1, run(pack), "it is there already");
    assertTrue(err.toString().contains("quay.zip is there already"), err.toString());
    assertEquals(1, run("pack", two, "--out", dir, "--only", "Q"));
    assertTrue(err.toString().contains("There is no section Q."), err.toString());
    assertEquals(1, run("pack", two, "--out", dir, "--names", "{part} {bpm}"));
    assertTrue(err.toString().contains("but no {bpm}"), err.toString());
    assertEquals(1, run("pack", two, "--out", dir, "--name", "a/b"));
    assertTrue(err.toString().contains("without folders"), err.toString());
  }

  @Test
  void whatSeveralShareAndAnEchoThatStartsFromIt() throws IOException {
    Path style = dir.resolve("style.looseecho");
    assertEquals(0, run("profile", beat, beat, "--json", "-o", style), err.toString());
    JsonNode shared = new ObjectMapper().readTree(out.toString()).path("shared");
    assertEquals(120, shared.path("bpm").asDouble(), 0.5);
    JsonNode kick = shared.path("patterns").path("kick");
    assertTrue(kick.get(0).asDouble() > 0.7 && kick.get(4).asDouble() < 0.3, kick.toString());
    assertEquals(120, new ProjectFile().read(style).template().bpm(), 0.5);
    Path bad = Files.writeString(dir.resolve("list.wav"), "rope and salt");
    assertEquals(1, run("profile", beat, bad), "one of them failed");
    assertTrue(err.toString().contains("list.wav: "), err.toString());
    assertTrue(out.toString().contains("120"), "the other is told: " + out);
    assertEquals(1, run("profile", bad));
    assertEquals("", out.toString());
    Files.writeString(style, "mine");
    assertEquals(1, run("profile", beat, "-o", style));
    assertEquals("mine", Files.readString(style), "it is not written over");
  }
}
