package looseecho.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import looseecho.activity.Lane;
import looseecho.echo.Edits;
import looseecho.echo.GrooveLift;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Grooves out of MIDI files, those of others included. */
@Tag("everywhere")
class MidiGrooveTest {
  @TempDir private Path dir;

  /** A late snare in a MIDI file is lifted onto a template: its offset in ms, and its loudness. */
  @Test
  void aGrooveIsReadFromAMidiFile() throws IOException {
    Template t = TemplateTest.small();
    new MidiWriter().write(TemplateExport.song(t), dir.resolve("g.mid"));
    GrooveLift groove = MidiGroove.read(dir.resolve("g.mid"));
    assertTrue(groove.drums().keySet().containsAll(t.sections().get(0).drums().keySet()));
    Template tight = Edits.quantise(t, 0, Part.of(Lane.SNARE), 1).template();
    Template lifted = groove.onto(tight, 0, Part.of(Lane.SNARE), Part.of(Lane.SNARE), 1).template();
    double late = lifted.sections().get(0).hits(Lane.SNARE).get(0).offsetMs();
    assertTrue(Math.abs(late) > 5, "as late as in the file: " + late);
    Path none = Files.writeString(dir.resolve("none.mid"), "no chunks");
    IOException refused = assertThrows(IOException.class, () -> MidiGroove.read(none));
    assertTrue(refused.getMessage().contains("not a MIDI file"), refused.getMessage());
  }

  /** Time signatures and tempos of no or too few bytes are passed over. */
  @Test
  void aGrooveFileWithCutMetaEventsIsReadAllTheSame() throws Exception {
    Sequence odd = new Sequence(Sequence.PPQ, 480);
    Track track = odd.createTrack();
    byte[][] short58 = {{}, {4}, {0, 2, 24, 8}, {4, 60, 24, 8}, {-1, -1, 0, 0}};
    for (byte[] data : short58) {
      track.add(new MidiEvent(new MetaMessage(0x58, data, data.length), 0));
    }
    for (byte[] data : new byte[][] {{}, {7}, {0, 0, 0}}) {
      track.add(new MidiEvent(new MetaMessage(0x51, data, data.length), 0));
    }
    track.add(new MidiEvent(new ShortMessage(0x90, 9, 36, 100), 4 * 120 + 12));
    Path file = dir.resolve("odd.mid");
    MidiSystem.write(odd, 1, file.toFile());
    GrooveLift groove = MidiGroove.read(file);
    double ms = groove.drums().get(Part.of(Lane.KICK)).get(960).offsetMs();
    assertEquals(12.5, ms, 0.01, "12 ticks of 480 at the usual 120 BPM");
  }

  /** In 6/8 a bar has twelve sixteenths; its second half begins on the seventh. */
  @Test
  void aGrooveInSixEightLandsOnItsOwnSteps() throws Exception {
    Sequence six = new Sequence(Sequence.PPQ, 480);
    Track track = six.createTrack();
    byte[] meter = {6, 3, 36, 8};
    track.add(new MidiEvent(new MetaMessage(0x58, meter, meter.length), 0));
    for (int bar = 0; bar < 3; bar++) {
      int tick = bar * 12 * 120 + 6 * 120 + 24;
      track.add(new MidiEvent(new ShortMessage(0x90, 9, 38, 90), tick));
    }
    Path file = dir.resolve("six.mid");
    MidiSystem.write(six, 1, file.toFile());
    GrooveLift groove = MidiGroove.read(file);
    assertEquals(12 * 240, groove.ticksPerBar());
    assertEquals(Set.of(1440), groove.drums().get(Part.of(Lane.SNARE)).keySet());
    assertEquals(25, groove.drums().get(Part.of(Lane.SNARE)).get(1440).offsetMs(), 0.01);
  }
}
