package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Projects are written and read whole, in every language. */
@org.junit.jupiter.api.Tag("everywhere")
public class ProjectFileTest {
  @TempDir private Path dir;
  private final ProjectFile files = new ProjectFile();

  public static Project project() {
    Template exact = TemplateTest.small();
    Template mine = Edits.toggle(exact, Cell.step(0, Part.of(Lane.CLAP), 5), 80, true).template();
    mine = Edits.ornament(mine, Cell.step(0, Part.of(Lane.CLAP), 5)).template();
    return new Project(
        new Project.Link("tune", "/music/tune.wav", "ab12", false),
        Corrections.NONE.withBpm(96),
        exact,
        mine,
        Sounds.plain().with(Part.of(Lane.CLAP), SampleSound.of(Path.of("clap.wav"))),
        LogLine.all("Template made", "Put clap on step 6"));
  }

  @Test
  void whatIsSavedComesBackEqualAndFollowsThePublishedSchema() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(project(), Optional.empty(), file);
    assertEquals(project(), files.read(file));
    Path sound = Files.write(dir.resolve("tune.wav"), new byte[] {1, 2, 3, 4});
    files.write(project(), Optional.of(sound), file);
    Path out = files.unpack(file, dir.resolve("own")).orElseThrow();
    assertEquals(List.of(1, 2, 3, 4), bytes(out));
    FileTime taken = FileTime.fromMillis(1000);
    Files.setLastModifiedTime(out, taken);
    files.unpack(file, dir.resolve("own"));
    assertEquals(taken, Files.getLastModifiedTime(out), "not written twice");
    Files.write(out, new byte[] {1, 2, 3, 5});
    files.unpack(file, dir.resolve("own"));
    assertEquals(List.of(1, 2, 3, 4), bytes(out), "another one is");
    assertTrue(files.read(file).reference().packed());
    try (ZipFile zip = new ZipFile(file.toFile())) {
      JsonNode json = new ObjectMapper().readTree(zip.getInputStream(zip.getEntry("project.json")));
      JsonNode schema =
          new ObjectMapper().readTree(ProjectFile.class.getResource("project.schema.json"));
      follows(json, schema, schema);
      JsonNode claps = json.at("/template/sections/0/drums/CLAP");
      assertEquals(1, claps.findValues("manner").size(), "only the one that is not plain says it");
      assertTrue(claps.size() > 1);
    }
  }

  private static List<Integer> bytes(Path p) throws IOException {
    byte[] b = Files.readAllBytes(p);
    return java.util.stream.IntStream.range(0, b.length).mapToObj(i -> (int) b[i]).toList();
  }

  /** The part of JSON Schema draft 7 that the schema uses: type, required, items, references. */
  private static void follows(JsonNode n, JsonNode schema, JsonNode root) {
    JsonNode s = schema.has("$ref") ? root.at(schema.get("$ref").asText().substring(1)) : schema;
    switch (s.path("type").asText()) {
      case "object" -> assertTrue(n.isObject(), s.toString());
      case "array" -> assertTrue(n.isArray(), s.toString());
      case "integer" -> assertTrue(n.isInt(), n + " " + s);
      case "number" -> assertTrue(n.isNumber(), n + " " + s);
      case "string" -> assertTrue(n.isTextual(), n + " " + s);
      case "boolean" -> assertTrue(n.isBoolean(), n + " " + s);
      default -> assertTrue(s.has("const") || s.has("enum"), s.toString());
    }
    assertTrue(within(n, s), n + " " + s);
    s.path("required").forEach(f -> assertTrue(n.has(f.asText()), f + " in " + s));
    s.path("properties")
        .fields()
        .forEachRemaining(
            p -> {
              if (n.has(p.getKey())) {
                follows(n.get(p.getKey()), p.getValue(), root);
              }
            });
    if (s.has("items")) {
      n.forEach(e -> follows(e, s.get("items"), root));
    }
    if (s.path("additionalProperties").isObject()) {
      n.forEach(e -> follows(e, s.get("additionalProperties"), root));
    }
  }

  private static boolean within(JsonNode n, JsonNode s) {
    boolean above = !s.has("minimum") || n.asDouble() >= s.get("minimum").asDouble();
    boolean below = !s.has("maximum") || n.asDouble() <= s.get("maximum").asDouble();
    return above && below && n.size() <= s.path("maxItems").asInt(Integer.MAX_VALUE);
  }

  /**
   * What the schema says of a number, the records hold to: its ends are taken, what is past not.
   */
  @Test
  void theSchemaAndTheRecordsAgreeOnEveryLimit() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(project(), Optional.empty(), file);
    JsonNode whole = new ObjectMapper().readTree(json(file));
    JsonNode schema =
        new ObjectMapper().readTree(ProjectFile.class.getResource("project.schema.json"));
    Map<String, String> places =
        Map.of(
            "drum", "/sounds/parts/KICK/layers/0/source",
            "sample", "/sounds/parts/CLAP/layers/0/source",
            "tone", "/sounds/parts/BASS/layers/0/source",
            "strip", "/sounds/parts/KICK/strip",
            "hit", "/template/sections/0/drums/CLAP/0",
            "note", "/template/sections/0/lines/BASS/0");
    int tried = 0;
    for (Map.Entry<String, String> place : places.entrySet()) {
      var fields = schema.at("/definitions/" + place.getKey() + "/properties").fields();
      while (fields.hasNext()) {
        var field = fields.next();
        for (String end : List.of("minimum", "maximum")) {
          if (field.getValue().has(end) && !field.getKey().matches("lowHz|highHz")) {
            double limit = field.getValue().get(end).asDouble();
            double past = limit + (end.equals("minimum") ? -1 : 1);
            String at = place.getValue() + "/" + field.getKey();
            assertTrue(opens(dir, with(whole, at, limit)), at + " " + limit);
            assertFalse(opens(dir, with(whole, at, past)), at + " " + past);
            assertFalse(opens(dir, text(whole, at)), at);
            tried++;
          }
        }
      }
    }
    assertTrue(tried > 60, "tried " + tried);
  }

  private static JsonNode with(JsonNode whole, String at, double value) {
    JsonNode copy = whole.deepCopy();
    int cut = at.lastIndexOf('/');
    ObjectNode in = (ObjectNode) copy.at(at.substring(0, cut));
    if (value == Math.rint(value)) {
      in.put(at.substring(cut + 1), (long) value);
    } else {
      in.put(at.substring(cut + 1), value);
    }
    return copy;
  }

  private static JsonNode text(JsonNode whole, String at) {
    JsonNode copy = whole.deepCopy();
    int cut = at.lastIndexOf('/');
    ((ObjectNode) copy.at(at.substring(0, cut))).put(at.substring(cut + 1), "NaN");
    return copy;
  }

  static boolean opens(Path dir, JsonNode json) throws IOException {
    try {
      new ProjectFile().read(zip(dir, "project.json", json.toString()));
      return true;
    } catch (ProjectFile.BadProjectException e) {
      return false;
    }
  }

  @Test
  void savingTwiceIsEqualToTheByteWhateverTheOrderOfTheMaps() throws IOException {
    Path a = dir.resolve("a.looseecho");
    Path b = dir.resolve("b.looseecho");
    files.write(project(), Optional.empty(), a);
    Sounds s = project().sounds();
    Map<Part, Sound> turned = new java.util.LinkedHashMap<>();
    List<Part> parts = new java.util.ArrayList<>(s.parts().keySet());
    java.util.Collections.reverse(parts);
    parts.forEach(part -> turned.put(part, s.parts().get(part)));
    Project p = project();
    Sounds same =
        new Sounds(
            turned, s.letters(), s.groups(), s.space(), s.delay(), s.bed(), s.beds(), s.whole());
    files.write(
        new Project(p.reference(), p.corrections(), p.exact(), p.template(), same, p.log()),
        Optional.empty(),
        b);
    assertEquals(-1, Files.mismatch(a, b));
    var names = new ObjectMapper().readTree(json(a)).at("/sounds/parts").fieldNames();
    Part before = null;
    while (names.hasNext()) {
      Part part = Part.valueOf(names.next());
      assertTrue(before == null || before.compareTo(part) < 0, "in a fixed order: " + part);
      before = part;
    }
  }

  static Path zip(Path dir, String name, String json) throws IOException {
    Path file = dir.resolve("x.looseecho");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry(name));
      zip.write(json.getBytes(StandardCharsets.UTF_8));
    }
    return file;
  }

  static byte[] json(Path file) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      return zip.getInputStream(zip.getEntry("project.json")).readAllBytes();
    }
  }
}
