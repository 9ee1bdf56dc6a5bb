package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.echo.Cell;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.LogLine;
import looseecho.echo.Movement;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.echo.Transition;
import looseecho.mix.Group;
import looseecho.mix.GroupBus;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import looseecho.synth.Playing;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Projects are written and read whole, in every language, or refused in a sentence. */
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
    assertTrue(files.read(file).reference().packed());
    try (ZipFile zip = new ZipFile(file.toFile())) {
      JsonNode json = new ObjectMapper().readTree(zip.getInputStream(zip.getEntry("project.json")));
      JsonNode schema =
          new ObjectMapper().readTree(ProjectFile.class.getResource("project.schema.json"));
      follows(json, schema, schema);
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
            assertTrue(opens(with(whole, at, limit)), at + " " + limit);
            assertFalse(opens(with(whole, at, past)), at + " " + past);
            assertFalse(opens(text(whole, at)), at);
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

  private boolean opens(JsonNode json) throws IOException {
    try {
      files.read(zip("project.json", json.toString()));
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

  @Test
  void hostileLengthsCountsAndPathsAreRefused() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(project(), Optional.empty(), file);
    JsonNode whole = new ObjectMapper().readTree(json(file));
    JsonNode nul = whole.deepCopy();
    ((ObjectNode) nul.at("/sounds/parts/CLAP/layers/0/source")).put("path", "a\u0000b");
    assertFalse(opens(nul));
    ((ObjectNode) nul.at("/sounds/parts/CLAP/layers/0/source")).putNull("path");
    assertFalse(opens(nul));
    JsonNode many = whole.deepCopy();
    var hits =
        (com.fasterxml.jackson.databind.node.ArrayNode) many.at("/template/sections/0/drums/CLAP");
    JsonNode one = hits.get(0);
    for (int k = 0; k < 400_000; k++) {
      hits.add(one);
    }
    assertFalse(opens(many), "too many hits");
    JsonNode beats = whole.deepCopy();
    ((ObjectNode) beats.at("/template/sections/0")).put("beats", 3_000_000_000L);
    assertFalse(opens(beats));
    assertTrue(refused(dir).contains("a folder"));
  }

  /** What stands before the project in a zip is not unpacked on the way to it. */
  @Test
  void alargeEntryInFrontCostsNothing() throws IOException {
    Path good = dir.resolve("good.looseecho");
    files.write(project(), Optional.empty(), good);
    Path file = dir.resolve("x.looseecho");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.setLevel(9);
      zip.putNextEntry(new ZipEntry("first"));
      byte[] zeros = new byte[1 << 20];
      for (int k = 0; k < 300; k++) {
        zip.write(zeros);
      }
      zip.putNextEntry(new ZipEntry("project.json"));
      zip.write(json(good));
    }
    assertEquals(project(), files.read(file));
  }

  @Test
  void correctionsThatMakeNoSenseAreNamedAndTheRestOfTheProjectOpens() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(project(), Optional.empty(), file);
    JsonNode whole = new ObjectMapper().readTree(json(file));
    ((ObjectNode) whole.get("corrections")).put("bpm", -5).put("nudge", 0.02);
    ProjectFile.Opened o = files.open(zip("project.json", whole.toString()));
    assertTrue(o.note().contains("bpm"), o.note());
    assertEquals(0.02, o.project().corrections().pulse().nudge());
    assertEquals(project().template(), o.project().template());
  }

  private Path zip(String name, String json) throws IOException {
    Path file = dir.resolve("x.looseecho");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry(name));
      zip.write(json.getBytes(StandardCharsets.UTF_8));
    }
    return file;
  }

  private String refused(Path file) {
    String words = assertThrows(IOException.class, () -> files.read(file)).getMessage();
    assertTrue(words.endsWith("Nothing was changed."), words);
    return words;
  }

  @Test
  void damagedNewerAndHostileFilesAreRefusedWithASentence() throws IOException {
    Path good = dir.resolve("good.looseecho");
    files.write(project(), Optional.empty(), good);
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
        assertEquals(project(), files.read(file), "if it opens, it is whole");
      } catch (IOException e) {
        assertTrue(e.getMessage().contains("not opened"), e.getMessage());
      }
    }
    assertTrue(
        refused(Files.writeString(dir.resolve("n.looseecho"), "hello")).contains("not a Loose"));
    String newer = "{\"format\": \"looseecho\", \"version\": 99}";
    assertTrue(refused(zip("project.json", newer)).contains("newer version"));
    refused(zip("../../project.json", newer));
    refused(zip("project.json", "[".repeat(100_000)));
    String huge =
        new String(json(good), StandardCharsets.UTF_8)
            .replaceFirst("\"bpm\" : 120.0", "\"bpm\" : 1e300");
    refused(zip("project.json", huge));
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

  /** What a file of version 6 said: one source a part, samples with both sides as one. */
  private static Project asOfSix() {
    Project p = project();
    SampleSound clap = SampleSound.of(Path.of("/kits/clap.wav")).with(Playing.MIXED_DOWN);
    return p.with(p.sounds().with(Part.of(Lane.CLAP), clap));
  }

  private static String six() throws IOException {
    try (var in = ProjectFileTest.class.getResourceAsStream("version-6.json")) {
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
    Project opened = files.read(zip("project.json", six()));
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
        section.path("drums").forEach(lane -> lane.forEach(ProjectFileTest::inSteps));
        section.path("lines").forEach(line -> line.forEach(ProjectFileTest::inSteps));
      }
    }
    String old = tree.toString();
    assertTrue(old.contains("fadeMs"), "there is a sample");
    for (String later : List.of("bed", "\"sub\"", "riseMs", "tick", "manner")) {
      assertFalse(old.contains(later), later);
    }
    Project opened = files.read(zip("project.json", old));
    assertEquals(asOfSix().template(), opened.template());
    assertSoundsOfSix(opened.sounds());
    assertEquals(0, opened.sounds().monoBelowHz(), "it knew no low end in the middle");
  }

  @Test
  void aSampleThatWasMovedAndRenamedIsFoundByWhatItHolds() throws IOException {
    Path wav = Files.write(dir.resolve("clap.wav"), new byte[] {1, 2, 3, 4});
    Path other = Files.createDirectories(dir.resolve("kit/new")).resolve("clap 2.wav");
    Files.write(dir.resolve("kit/clap.wav"), new byte[] {1, 2, 3, 5}); // as long, something else
    Project p = project();
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
    Project p = project();
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

  private static byte[] json(Path file) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      return zip.getInputStream(zip.getEntry("project.json")).readAllBytes();
    }
  }

  /**
   * A full disk, as far as a program sees it: /dev/full takes nothing. A folder that is not there.
   */
  @Test
  void aFailedSaveLosesNothing() throws IOException {
    Path file = dir.resolve("a.looseecho");
    files.write(project(), Optional.empty(), file);
    byte[] before = Files.readAllBytes(file);
    assertThrows(
        IOException.class,
        () -> files.write(project(), Optional.of(dir.resolve("missing.wav")), file));
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
        () -> files.write(project(), Optional.empty(), dir.resolve("no/such/folder/a.looseecho")));
    assertThrows(
        IOException.class,
        () -> files.write(project(), Optional.empty(), Path.of("/proc/self/a.looseecho")),
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
      files.write(project(), Optional.empty(), file);
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
