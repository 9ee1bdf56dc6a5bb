package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.mix.Group;
import looseecho.mix.GroupBus;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.synth.DrumSound;
import looseecho.synth.Playing;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files of former versions open as they were. */
@org.junit.jupiter.api.Tag("everywhere")
class FormerProjectsTest {
  @TempDir private Path dir;
  private final ProjectFile files = new ProjectFile();

  /** What a file of version 6 said: one source a part, samples with both sides as one. */
  private static Project asOfSix() {
    Project p = ProjectFileTest.project();
    SampleSound clap = SampleSound.of(Path.of("/kits/clap.wav")).with(Playing.MIXED_DOWN);
    return p.with(p.sounds().with(Part.of(Lane.CLAP), clap));
  }

  private static String six() throws IOException {
    try (var in = FormerProjectsTest.class.getResourceAsStream("version-6.json")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  /** As the file says, whatever the built-in sounds are by now. */
  private static void assertSoundsOfSix(Sounds s) {
    assertEquals(asOfSix().sounds().parts().keySet(), s.parts().keySet());
    assertTrue(s.parts().values().stream().allMatch(x -> x.layers().size() == 1));
    DrumPart kick = Part.of(Lane.KICK);
    assertEquals(new DrumSound(50, 5.5, 14, 130, 0.12, 1500, 5000, 4, 0, 1), s.drum(kick));
    assertEquals(-0.9, s.strip(kick).levelDb());
    assertEquals(-23, s.strip(Part.of(Line.CHORDS)).levelDb());
    Part clap = Part.of(Lane.CLAP);
    assertEquals(asOfSix().sounds().sound(clap), s.sound(clap));
  }

  @Test
  void aFileOfVersionSixOpensWithOneLayerForEachSource() throws IOException {
    Project opened = files.read(ProjectFileTest.zip(dir, "project.json", six()));
    assertSoundsOfSix(opened.sounds());
    Sounds rest = opened.sounds();
    for (Part part : asOfSix().sounds().parts().keySet()) {
      rest = rest.with(part, asOfSix().sounds().sound(part));
    }
    assertEquals(asOfSix().sounds().with(Group.DRUMS, GroupBus.PLAIN), rest);
    assertEquals(asOfSix().template(), opened.template());
  }

  /**
   * A file of version 1, which knew no cut hits, no octave below, no bed and no course of a
   * sample's loudness, opens as it was.
   */
  @Test
  void aFileOfTheFirstVersionOpens() throws IOException {
    String first =
        six()
            .replaceFirst("\"version\" : 6", "\"version\" : 1")
            .replaceAll(
                ",\\s*\"(sub\" : 0.0|width\" : 0.0|duckBy\" : \"KICK\"|bed\" : \\{[^}]*\\}|monoBelowHz\" : 120.0)",
                "");
    JsonNode tree = new ObjectMapper().readTree(first);
    ((ObjectNode) tree).remove("near");
    for (JsonNode sample : tree.path("sounds").path("samples")) {
      ((ObjectNode) sample).remove(List.of("riseMs", "decayMs"));
    }
    for (String template : List.of("exact", "template")) {
      for (JsonNode section : tree.path(template).path("sections")) {
        section.path("drums").forEach(lane -> lane.forEach(FormerProjectsTest::inSteps));
        section.path("lines").forEach(line -> line.forEach(FormerProjectsTest::inSteps));
      }
    }
    String old = tree.toString();
    assertTrue(old.contains("fadeMs"), "there is a sample");
    for (String later : List.of("bed", "\"sub\"", "riseMs", "tick", "manner")) {
      assertFalse(old.contains(later), later);
    }
    Project opened = files.read(ProjectFileTest.zip(dir, "project.json", old));
    assertEquals(asOfSix().template(), opened.template());
    assertSoundsOfSix(opened.sounds());
    assertEquals(0, opened.sounds().monoBelowHz(), "it knew no low end in the middle");
  }

  /** An event as it was before places were ticks: in sixteenths. */
  private static void inSteps(JsonNode event) {
    ObjectNode o = (ObjectNode) event;
    o.put("step", o.remove("tick").asInt() / 240);
    if (o.has("lengthTicks")) {
      o.put("lengthSteps", o.remove("lengthTicks").asInt() / 240.0);
    } else {
      o.set("ornament", o.remove("manner").path("ornament"));
    }
  }
}
