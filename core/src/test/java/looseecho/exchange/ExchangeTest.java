package looseecho.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.audio.AudioReader;
import looseecho.disk.Outputs;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.echo.Tone;
import looseecho.form.Change;
import looseecho.form.Form;
import looseecho.form.Section;
import looseecho.hits.Feel;
import looseecho.hits.Hit;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Chord;
import looseecho.notes.ChordKind;
import looseecho.notes.Glide;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.notes.Tonality;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Alternative;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@org.junit.jupiter.api.Tag("everywhere")
class ExchangeTest {
  @TempDir private Path dir;

  /** A drifting analysis with a pick-up beat and hits between the beats. */
  private static Analysis analysis() {
    List<Beat> beats =
        IntStream.range(0, 17)
            .mapToObj(
                k -> new Beat(0.37 + k * 0.5 + 0.01 * Math.sin(k), (k + 3) % 4 + 1, (k + 3) / 4))
            .toList();
    Reading<Double> tempo =
        new Reading<>(
            120.2,
            0.7,
            "",
            List.of(new Alternative<>(60.1, 0.9, ""), new Alternative<>(240.4, 0.1, "")),
            Reading.Settled.MEASURED);
    Pulse pulse = new Pulse(tempo, false, 8, 0.3, Reading.measured(Meter.FOUR_FOUR, 1, ""), beats);
    List<Hit> hits =
        List.of(
            new Hit(Lane.KICK, 0.871, 110, 1, 1, 1, 1),
            new Hit(Lane.HAT_OPEN, 1.2345, 77, 1, 4, 3, 0.5),
            new Hit(Lane.PERCUSSION, 7.4321, 31, 4, 2, 0, 1));
    Form form =
        new Form(
            List.of(new Section("A", "verse", 0.37, 8.37, 4, 0.9, Change.NONE)),
            List.of(),
            List.of());
    Tonality tones =
        new Tonality(
            looseecho.notes.TonalContent.KEY,
            Reading.measured(new Key(1, true), 0.8, ""),
            List.of(Reading.measured(new Key(4, false), 0.6, "")),
            12.5,
            List.of(new Chord(0.37, 4.37, 1, ChordKind.MINOR, 0.7)),
            List.of(
                new Note(
                    0.9, 1.3, 37, 90, 0.8, Optional.of(new Glide(25, 0.95, 1.05)), true, false)),
            List.of(new Note(1.9, 2.1, 73, 80, 0.7)),
            List.of());
    return new Analysis(9, Optional.of(pulse), form, hits, Feel.of(hits, pulse), tones, List.of());
  }

  /** Standard MIDI Files 1.0, table of variable-length numbers (from memory). */
  @ParameterizedTest
  @CsvSource({
    "40,40",
    "7F,7F",
    "8100,80",
    "C000,2000",
    "FF7F,3FFF",
    "818000,4000",
    "FFFF7F,1FFFFF",
    "C0808000,8000000",
    "FFFFFF7F,FFFFFFF"
  })
  void theIndependentReaderKnowsVariableLengthNumbers(String bytes, String value) {
    assertEquals(
        Long.parseLong(value, 16),
        SmfReader.variable(ByteBuffer.wrap(HexFormat.of().parseHex(bytes))));
  }

  @Test
  void heardHitsAreInTheMidiFileToTheMillisecond() throws IOException {
    new MidiWriter().write(MidiSong.heard(analysis()), dir.resolve("a.mid"));
    SmfReader smf = SmfReader.read(Files.readAllBytes(dir.resolve("a.mid")));
    assertEquals(1, smf.format());
    var drums = smf.events().stream().filter(e -> e.status() == 0x99 && e.b() > 0).toList();
    assertEquals(3, drums.size());
    for (Hit h : analysis().hits()) {
      var e = drums.stream().filter(d -> d.a() == h.lane().midi()).findFirst().orElseThrow();
      assertEquals(h.time(), smf.seconds(e.tick()), 0.001);
      assertEquals(h.velocity(), e.b());
    }
    var bass = smf.events().stream().filter(e -> e.status() == 0x90).findFirst().orElseThrow();
    assertEquals(37, bass.a());
    assertEquals(0.9, smf.seconds(bass.tick()), 0.001);
    bendsFromAnOctaveBelow(smf);
    List<String> names =
        smf.events().stream()
            .filter(e -> e.status() == 0xFF && e.a() == 0x03)
            .map(SmfReader.Event::text)
            .toList();
    assertEquals(
        List.of("Tempo and sections", "Kick", "Open hat", "Percussion", "Bass", "Riff"), names);
    var marker =
        smf.events().stream()
            .filter(e -> e.status() == 0xFF && e.a() == 0x06)
            .findFirst()
            .orElseThrow();
    assertEquals("A verse", marker.text());
    var key =
        smf.events().stream()
            .filter(e -> e.status() == 0xFF && e.a() == 0x59)
            .findFirst()
            .orElseThrow();
    assertEquals(4, key.data()[0], "C sharp minor has four sharps");
    assertEquals(1, key.data()[1]);
  }

  /** MIDI 1.0: centre 8192, and registered parameter 0 sets how many semitones a full bend is. */
  private static void bendsFromAnOctaveBelow(SmfReader smf) {
    var range = smf.events().stream().filter(e -> e.status() == 0xB0 && e.a() == 6).toList();
    assertEquals(1, range.size());
    var bends = smf.events().stream().filter(e -> e.status() == 0xE0).toList();
    double semitones =
        (bends.get(0).a() + 128 * bends.get(0).b() - 8192) / 8192.0 * range.get(0).b();
    assertEquals(-12, semitones, 0.01);
    var last = bends.get(bends.size() - 1);
    assertEquals(8192, last.a() + 128 * last.b(), "arrived");
    assertEquals(1.05, smf.seconds(last.tick()), 0.001);
  }

  /**
   * Bar lines lie where they are heard: the pick-up and the silence before it fill a bar of their
   * own.
   */
  @Test
  void barLinesFallOnHeardBars() throws IOException {
    new MidiWriter().write(MidiSong.heard(analysis()), dir.resolve("a.mid"));
    SmfReader smf = SmfReader.read(Files.readAllBytes(dir.resolve("a.mid")));
    var signatures =
        smf.events().stream().filter(e -> e.status() == 0xFF && e.a() == 0x58).toList();
    assertEquals(2, signatures.get(0).data()[0], "silence and pick-up: two quarters");
    assertEquals(4, signatures.get(1).data()[0]);
    assertEquals(
        analysis().pulse().orElseThrow().beats().get(1).time(),
        smf.seconds(signatures.get(1).tick()),
        0.001);
  }

  /**
   * JAMS 0.3: the structure of the published schema, checked with another JSON tree than the one
   * that wrote it.
   */
  @Test
  void jamsHasItsStructureAndTheBestTempoFirst() throws IOException {
    new JamsWriter().write(analysis(), "a", dir.resolve("a.jams"));
    JsonNode root = new ObjectMapper().readTree(Files.readString(dir.resolve("a.jams")));
    assertEquals(9, root.at("/file_metadata/duration").asDouble());
    assertEquals("0.3.4", root.at("/file_metadata/jams_version").asText());
    assertTrue(root.get("annotations").isArray() && root.get("sandbox").isObject());
    for (JsonNode a : root.get("annotations")) {
      for (String field :
          List.of("namespace", "data", "annotation_metadata", "sandbox", "time", "duration")) {
        assertTrue(a.has(field), field);
      }
      for (JsonNode o : a.get("data")) {
        assertTrue(o.has("time") && o.has("duration") && o.has("value") && o.has("confidence"));
        assertTrue(o.get("time").asDouble() >= 0 && o.get("duration").asDouble() >= 0);
      }
    }
    JsonNode tempo = annotation(root, "tempo").get("data");
    assertEquals(120.2, tempo.get(0).get("value").asDouble());
    assertTrue(
        tempo.get(1).get("confidence").asDouble() <= tempo.get(0).get("confidence").asDouble());
    assertEquals("C#:minor", annotation(root, "key_mode").get("data").get(0).get("value").asText());
    assertEquals(4, annotation(root, "beat").get("data").get(0).get("value").asInt());
    assertEquals("C#:min", annotation(root, "chord").get("data").get(0).get("value").asText());
    JsonNode bass = annotation(root, "note_midi");
    assertTrue(bass.at("/annotation_metadata/annotation_tools").asText().contains("bass"));
    assertEquals(37, bass.get("data").get(0).get("value").asDouble());
    long keys =
        StreamSupport.stream(root.get("annotations").spliterator(), false)
            .filter(a -> a.get("namespace").asText().equals("key_mode"))
            .count();
    assertEquals(2, keys, "of the whole and per section");
    assertEquals(false, root.at("/sandbox/steady").asBoolean());
    assertEquals(4, root.at("/sandbox/tempo_map").size() + 1);
  }

  private static JsonNode annotation(JsonNode root, String namespace) {
    return StreamSupport.stream(root.get("annotations").spliterator(), false)
        .filter(a -> a.get("namespace").asText().equals(namespace))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aTemplateIsExportedAsMidiMixAndStems() throws IOException {
    Path out = dir.resolve("new folder");
    List<Path> files =
        new TemplateExport()
            .write(
                TemplateTest.small(),
                new EchoRenderer(Sounds.plain()),
                out,
                StemNames.of("tune"),
                TemplateExport.Sound.STEMS,
                new Outputs(List.of(), false),
                Progress.NONE);
    assertEquals(2 + 5, files.size(), "four parts and what comes back from the room");
    SmfReader smf = SmfReader.read(Files.readAllBytes(files.get(0)));
    var kicks =
        smf.events().stream()
            .filter(e -> e.status() == 0x99 && e.a() == 36 && e.b() > 0)
            .map(e -> smf.seconds(e.tick()))
            .toList();
    assertEquals(4, kicks.size());
    assertEquals(0.5 + 1.004, kicks.get(1), 0.001);
    var mix = new AudioReader().read(files.get(1), Progress.NONE).audio();
    assertEquals(8.5, mix.duration(), 0.01);
    assertEquals(files.size(), Files.list(out).count());
  }

  /** A flam is two strokes in the file, the soft one before; lines have tracks of their own. */
  @Test
  void ornamentsAndLinesAreWrittenOut() throws IOException {
    Template t = TemplateTest.small();
    int step = t.sections().get(0).hits(Lane.SNARE).get(0).step();
    Template flam = Edits.ornament(t, Cell.step(0, Part.of(Lane.SNARE), step)).template();
    Template riff =
        Edits.line(flam, 0, Part.of(Line.RIFF), List.of(new Tone(480, 0, 480, 72, 80, -3, 50)), "")
            .template();
    new MidiWriter().write(TemplateExport.song(riff), dir.resolve("t.mid"));
    SmfReader smf = SmfReader.read(Files.readAllBytes(dir.resolve("t.mid")));
    var snares =
        smf.events().stream()
            .filter(e -> e.status() == 0x99 && e.a() == Lane.SNARE.midi() && e.b() > 0)
            .toList();
    assertEquals(t.sections().get(0).hits(Lane.SNARE).size() + 1, snares.size());
    double first = smf.seconds(snares.get(0).tick());
    double second = smf.seconds(snares.get(1).tick());
    assertEquals(0.022, second - first, 0.002, "10 to 30 ms before (common practice)");
    assertTrue(snares.get(0).b() < snares.get(1).b());
    var lead =
        smf.events().stream().filter(e -> (e.status() & 0xF0) == 0x90 && e.a() == 72).findFirst();
    assertTrue(lead.isPresent() && (lead.get().status() & 0x0F) != 9);
    assertTrue(smf.events().stream().anyMatch(e -> (e.status() & 0xF0) == 0xE0), "the slide");
  }
}
