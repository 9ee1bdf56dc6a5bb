package looseecho.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Elsewhere;
import looseecho.echo.LinePart;
import looseecho.echo.Manner;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Parts walk out into a MIDI file and back into another section with their strokes. */
class ElsewhereTest {
  @TempDir private Path dir;

  private static Template song(int bars, List<Stroke> kick, List<Tone> bass, List<Tone> chords) {
    List<Beat> beats =
        IntStream.rangeClosed(0, 4 * bars)
            .mapToObj(k -> new Beat(k * 0.5, k % 4 + 1, k / 4 + 1))
            .toList();
    TemplateSection s =
        new TemplateSection(
            "A",
            "verse",
            4 * bars,
            Map.of(Part.of(Lane.KICK), kick),
            Map.of(Part.of(Line.BASS), bass, Part.of(Line.CHORDS), chords));
    return new Template(120, Meter.FOUR_FOUR, new Key(9, true), beats, List.of(s));
  }

  /** A 32nd, a sixteenth triplet and a late hit; at 120 a tick lasts 0.52 ms. */
  @Test
  void fineStrokesComeBackFromAFileOnTheirLines() throws IOException {
    List<Stroke> kick =
        List.of(
            new Stroke(0, 0, 100),
            new Stroke(120, 0, 60),
            new Stroke(1120, 0, 80),
            new Stroke(1920, 10, 90));
    List<Tone> bass = List.of(new Tone(480, 0, 360, 33, 100), new Tone(2400, 0, 480, 36, 90));
    List<Tone> chords =
        List.of(
            new Tone(0, 0, 960, 57, 80), new Tone(0, 0, 960, 60, 80), new Tone(0, 0, 960, 64, 80));
    Path file = dir.resolve("out.mid");
    new MidiWriter().write(TemplateExport.song(song(1, kick, bass, chords)), file);
    Elsewhere parts = MidiParts.read(file);
    assertEquals(
        List.of(Part.of(Lane.KICK), Part.of(Line.BASS), Part.of(Line.CHORDS)), parts.parts());
    List<Stroke> back = parts.drums().get(Part.of(Lane.KICK));
    assertEquals(List.of(0, 120, 1120, 1920), back.stream().map(Stroke::tick).toList());
    assertEquals(10, back.get(3).offsetMs(), 0.3);
    assertEquals(List.of(100, 60, 80, 90), back.stream().map(Stroke::velocity).toList());
    assertEquals(
        List.of(33, 36), parts.lines().get(Part.of(Line.BASS)).stream().map(Tone::pitch).toList());
    assertEquals(360, parts.lines().get(Part.of(Line.BASS)).get(0).lengthTicks(), 1);

    Template empty = song(3, List.of(), List.of(), List.of());
    Edits.Edited e = parts.into(empty, 0, Part.of(Lane.KICK), Part.of(Lane.TOM));
    assertEquals(12, e.template().sections().get(0).hits(Lane.TOM).size(), "once in each bar");
    assertEquals("kick from elsewhere on the mid tom, 12 hits", e.words());
    Edits.Edited b = parts.into(empty, 0, Part.of(Line.BASS), Part.of(Line.BASS));
    assertEquals(3 * 2, b.template().sections().get(0).notes(Line.BASS).size());
    assertTrue(
        parts.into(empty, 0, Part.of(Line.BASS), Part.of(Lane.TOM)).words().contains("can't"));
  }

  /** Two hats and two riffs: a track each, by the JDK's reader, and the same parts read back. */
  @Test
  void partsOfAKindComeBackFromTheirOwnTracks() throws Exception {
    DrumPart shaker = Part.of(Lane.HAT_CLOSED).numbered(2);
    LinePart reply = Part.of(Line.RIFF).numbered(2);
    Manner manner = Manner.PLAIN.pitched(-2.5, Manner.Bend.LENGTH_KEPT).turned(true).slice(3);
    Stroke struck = new Stroke(960, 0, 60, manner); // told in a text event beside its note
    List<Tone> low = List.of(new Tone(0, 0, 240, 57, 80));
    List<Tone> high = List.of(new Tone(960, 0, 240, 81, 80));
    Template t = song(1, List.of(new Stroke(0, 0, 100)), List.of(), List.of());
    TemplateSection s =
        t.sections()
            .get(0)
            .with(Part.of(Lane.HAT_CLOSED), List.of(new Stroke(480, 0, 70)))
            .with(shaker, List.of(new Stroke(720, 0, 50), struck))
            .with(Part.of(Line.RIFF), low)
            .with(reply, high);
    Template two = t.with(0, s).named(Map.of(shaker, "shaker", reply, "reply"));
    Path file = dir.resolve("two.mid");
    new MidiWriter().write(TemplateExport.song(two), file);
    var tracks = javax.sound.midi.MidiSystem.getSequence(file.toFile()).getTracks();
    assertEquals(6, tracks.length, "the tempo map, and one for each of five parts");
    Elsewhere parts = MidiParts.read(file);
    assertEquals(s.drums(), parts.drums());
    assertEquals(s.lines(), parts.lines());
    assertEquals("Shaker", parts.name(shaker));
    Template into = parts.into(t, 0, shaker, shaker).template();
    assertEquals("Shaker", into.name(shaker), "a new part comes with its name");
  }
}
