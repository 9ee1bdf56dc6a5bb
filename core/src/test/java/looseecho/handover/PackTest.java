package looseecho.handover;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.echo.Arrangement;
import looseecho.echo.LogLine;
import looseecho.echo.Manner;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.exchange.SfzReader;
import looseecho.exchange.StemNames;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Packs are read back by readers that are not ours. */
class PackTest {
  @TempDir private Path dir;

  private static Handover handover() {
    Template t =
        Template.bars(
            2,
            Part.of(Lane.KICK),
            List.of(new Stroke(0, 0, 110), new Stroke(2080, 7, 60), new Stroke(3840, 0, 110)),
            List.of());
    TemplateSection s =
        t.sections()
            .get(0)
            .with(Part.of(Lane.HAT_CLOSED), List.of(new Stroke(480, 0, 90, Manner.PLAIN)))
            .with(
                Part.of(Line.CHORDS),
                List.of(
                    new Tone(960, 0, 4000, 60, 80), // over the bar line
                    new Tone(960, 0, 4000, 63, 80)))
            .with(Part.of(Line.BASS), List.of(new Tone(0, 0, 700, 36, 100)));
    t = t.with(List.of(s)).named(Map.of(Part.of(Lane.KICK), "thump <1> & co"));
    Project.Link link = new Project.Link("quay.wav", "/nowhere/quay.wav", "00", false);
    Project p =
        new Project(
            link, Corrections.NONE, t, t, Sounds.plain(), LogLine.all("Made", "Kick named"));
    return new Handover(
        "quay echo", StemNames.of("quay echo"), p, Optional.empty(), List.of(), Optional.empty());
  }

  private Path pack(Set<Exporters> kinds) throws IOException {
    return Pack.write(handover(), kinds, dir, false, false, Progress.NONE);
  }

  @Test
  void theSheetIsOnePageThatHoldsAllOfIt() throws IOException {
    Path pack = pack(EnumSet.of(Exporters.SHEET));
    Document page = Jsoup.parse(Files.readString(pack.resolve("sheet.html")));
    assertEquals("quay echo", page.title());
    assertTrue(page.select("[src],link,script").isEmpty(), "it needs nothing beside it");
    List<String> headings = page.select("h2").eachText();
    assertTrue(headings.containsAll(List.of("Ground", "Sections", "Patterns", "Notes", "Logbook")));
    assertEquals("thump <1> & co", page.select("td.part").first().text());
    var kick = page.select("table.steps").first().select("tr").first().children();
    assertEquals("X", kick.get(1).text());
    assertEquals("x+7", kick.get(10).text(), "after two beats and a sixteenth triplet");
    assertTrue(page.text().contains("1 (C4) ♭3 (D♯4)") || page.text().contains("♭3 (E♭4)"));
    assertTrue(page.text().contains(Sheet.CAUTION));
    for (String name : List.of("sheet.pdf", "sheet letter.pdf")) {
      try (PDDocument pdf = PDDocument.load(pack.resolve(name).toFile())) {
        String text = new PDFTextStripper().getText(pdf);
        assertTrue(text.contains("thump <1> & co") && text.contains("Kick named"), name);
        float width = pdf.getPage(0).getMediaBox().getWidth();
        assertEquals(name.contains("letter") ? 612 : 595.3, width, 0.5, "72 points an inch");
      }
    }
  }

  @Test
  void notesAsMidiAndAsScore() throws Exception {
    Path pack = pack(EnumSet.of(Exporters.MIDI, Exporters.SCORE, Exporters.TABLES));
    Sequence all = MidiSystem.getSequence(pack.resolve("template.mid").toFile());
    Set<String> names = new TreeSet<>();
    for (var track : all.getTracks()) {
      for (int k = 0; k < track.size(); k++) {
        if (track.get(k).getMessage() instanceof MetaMessage m && m.getType() == 3) {
          names.add(new String(m.getData(), java.nio.charset.StandardCharsets.UTF_8));
        }
      }
    }
    assertTrue(names.containsAll(List.of("Thump <1> & co", "Bass", "Chords")), names.toString());
    assertEquals(3, MidiSystem.getSequence(pack.resolve("groove.mid").toFile()).getTracks().length);
    String score = Files.readString(pack.resolve("score.musicxml"));
    ScoreSchema.check(score);
    Document xml = Jsoup.parse(score, org.jsoup.parser.Parser.xmlParser());
    assertEquals(4, xml.select("score-part").size());
    for (var measure : xml.select("measure")) {
      int sum =
          measure.select("note:not(:has(chord)) > duration").eachText().stream()
              .mapToInt(Integer::parseInt)
              .sum();
      assertEquals(48, sum, "a bar of four quarters is full");
    }
    assertEquals(
        List.of("quarter"),
        xml.select("part#P1 note:has(time-modification):has(unpitched) type").eachText(),
        "two thirds of a quarter after it");
    var tied = xml.select("part#P4 tied[type=start]");
    assertFalse(tied.isEmpty(), "what lasts over the bar line is tied");
    assertEquals(tied.size(), xml.select("part#P4 tied[type=stop]").size());
    List<String> rows = Files.readAllLines(pack.resolve("notes.csv"));
    assertEquals(4, rows.size());
    assertTrue(rows.get(1).startsWith("A,bass,1,1.00,0.0000,0.0,100,36,C2,1,"), rows.get(1));
    assertEquals("0.000000\t4.000000\tA", Files.readString(pack.resolve("sections.txt")).strip());
  }

  /** Another decoder than ours reads the stems; each is 24 bits, and they add up. */
  @Test
  void stemsAddUpToTheMix() throws Exception {
    Path stems = pack(EnumSet.of(Exporters.STEMS)).resolve("stems");
    int[] mix = samples(stems.resolve("quay echo.wav"));
    int[] sum = new int[mix.length];
    int count = 0;
    try (Stream<Path> files = Files.list(stems)) {
      for (Path file : files.filter(f -> !f.endsWith("quay echo.wav")).toList()) {
        int[] one = samples(file);
        for (int i = 0; i < sum.length; i++) {
          sum[i] += one[i];
        }
        count++;
      }
    }
    assertTrue(count >= 4, "a stem for each part: " + count);
    for (int i = 0; i < mix.length; i++) {
      assertEquals(mix[i], sum[i], count, "sample " + i + " of 24 bits, each rounded");
    }
  }

  private static int[] samples(Path file) throws Exception {
    try (AudioInputStream in = AudioSystem.getAudioInputStream(file.toFile())) {
      assertEquals(24, in.getFormat().getSampleSizeInBits());
      byte[] all = in.readAllBytes();
      int[] out = new int[all.length / 3];
      for (int i = 0; i < out.length; i++) {
        out[i] = all[3 * i] & 255 | (all[3 * i + 1] & 255) << 8 | all[3 * i + 2] << 16;
      }
      return out;
    }
  }

  @Test
  void theKitPlaysFromItsSfz() throws Exception {
    Path kit = pack(EnumSet.of(Exporters.KIT)).resolve("kit");
    Pattern opcode = Pattern.compile("(\\w+)=(.*?)(?=\\s+\\w+=|$)");
    Set<Integer> velocities = new TreeSet<>();
    for (String region : Files.readAllLines(kit.resolve("drums.sfz"))) {
      Map<String, String> ops = new java.util.HashMap<>();
      Matcher m = opcode.matcher(region.replace("<region> ", ""));
      while (m.find()) {
        ops.put(m.group(1), m.group(2));
      }
      assertTrue(samples(kit.resolve(ops.get("sample"))).length > 1000, region);
      if (ops.get("key").equals("36")) {
        int high = Integer.parseInt(ops.get("hivel"));
        for (int v = Integer.parseInt(ops.get("lovel")); v <= high; v++) {
          assertTrue(velocities.add(v), "a velocity plays one sample: " + v);
        }
      }
    }
    assertEquals(127, velocities.size(), "the kick sounds at every velocity");
    String chords = Files.readString(kit.resolve("chords.sfz"));
    assertTrue(chords.contains("pitch_keycenter=60 lokey=0 hikey="), chords);
    assertTrue(chords.strip().endsWith("ampeg_release=0.05") && chords.contains("hikey=127"));
  }

  @Test
  void nothingIsWrittenOverUnaskedAndNothingStaysHalf() throws IOException {
    Path pack = pack(EnumSet.of(Exporters.TABLES));
    Set<Exporters> kinds = EnumSet.of(Exporters.TABLES);
    assertThrows(FileAlreadyExistsException.class, () -> pack(kinds));
    Pack.write(handover(), kinds, dir, false, true, Progress.NONE);
    Path own = Files.createDirectory(dir.resolve("own"));
    Files.writeString(own.resolve("song.txt"), "mine");
    Handover h = handover();
    Handover named =
        new Handover("own", h.stems(), h.project(), h.heard(), h.layers(), h.comparison());
    assertThrows(
        FileAlreadyExistsException.class,
        () -> Pack.write(named, kinds, dir, false, true, Progress.NONE));
    assertEquals("mine", Files.readString(own.resolve("song.txt")));
    Path away = Files.createDirectory(dir.resolve("away"));
    Progress stopped =
        (stage, share) -> {
          if (stage.startsWith("Writing the score")) {
            throw new Progress.CancelledException();
          }
        };
    assertThrows(
        Progress.CancelledException.class,
        () -> Pack.write(h, EnumSet.allOf(Exporters.class), away, false, false, stopped));
    try (Stream<Path> left = Files.list(away)) {
      assertEquals(List.of(), left.toList());
    }
    assertTrue(Files.exists(pack.resolve("strokes.csv")));
  }

  @Test
  void aZipHoldsTheProjectToGoOnWith() throws IOException {
    Set<Exporters> kinds = EnumSet.of(Exporters.PROJECT, Exporters.TABLES);
    Handover kick = handover().only(Set.of(Part.of(Lane.KICK)));
    Path zip = Pack.write(kick, kinds, dir, true, false, Progress.NONE);
    try (var files = java.nio.file.FileSystems.newFileSystem(zip)) {
      Path copy = dir.resolve("copy.looseecho");
      Files.copy(files.getPath("quay echo/quay echo.looseecho"), copy);
      Project read = new ProjectFile().open(copy).project();
      assertEquals(kick.template(), read.template());
      assertEquals(Set.of(Part.of(Lane.KICK)), read.template().sections().get(0).drums().keySet());
    }
    Path copies = dir.resolve("copies");
    Path again = Pack.project(zip, copies).orElseThrow();
    assertEquals(kick.template(), new ProjectFile().read(again).template());
    assertEquals("quay echo 2.looseecho", Pack.project(zip, copies).get().getFileName().toString());
    Path folder = Pack.write(kick, kinds, dir, false, false, Progress.NONE);
    assertEquals(Optional.of(folder.resolve("quay echo.looseecho")), Pack.project(folder, copies));
    assertEquals(Optional.empty(), Pack.project(copies, copies), "any other folder");
  }

  @Test
  void aKitIsTakenBack() throws IOException {
    Path kit = pack(EnumSet.of(Exporters.KIT)).resolve("kit");
    var taken = SfzReader.take(kit.resolve("drums.sfz"), handover().template(), Sounds.plain());
    assertEquals(2, taken.parts());
    var sample = taken.sounds().sample(Part.of(Lane.HAT_CLOSED)).orElseThrow();
    assertEquals(kit.resolve("closed hat 88.wav").toAbsolutePath().toString(), sample.path());
  }

  @Test
  void stemsOfChosenSectionsAreCalledAsAskedFor() throws IOException {
    Handover whole = handover();
    TemplateSection a = whole.template().sections().get(0);
    Template three = Arrangement.insert(whole.template(), 0, 4).template();
    three = Arrangement.repeat(three, 0).template();
    Handover h =
        new Handover(
            "quay",
            new StemNames("quay", "{part}_{tempo} {key}: {name}"),
            whole.project().with(three),
            Optional.empty(),
            List.of(),
            Optional.empty());
    Handover some = h.sections(Set.of(1, 2));
    assertEquals(three.sections().subList(1, 3), some.template().sections());
    assertEquals(h, h.sections(Set.of()), "none chosen is all of them");
    Path pack =
        Pack.write(
            some.sections(Set.of(0)).only(Set.of(Part.of(Lane.KICK))),
            EnumSet.of(Exporters.STEMS, Exporters.SECTIONS),
            dir,
            false,
            false,
            Progress.NONE);
    String stems = List.of(pack.resolve("stems").toFile().list()).toString();
    assertTrue(Files.exists(pack.resolve("stems/120 C major quay.wav")), stems);
    assertTrue(Files.exists(pack.resolve("stems/thump 1 & co_120 C major quay.wav")));
    String first = "sections/thump 1 & co_120 C major quay 01 " + a.label() + ".wav";
    assertTrue(Files.exists(pack.resolve(first)), "a section's number where the names have none");
    for (String bad : List.of("{name}", "{part} {bpm}")) {
      assertThrows(IllegalArgumentException.class, () -> new StemNames("quay", bad), bad);
    }
  }
}
