package looseecho.disk;

import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.echo.TemplateTest;
import looseecho.exchange.MidiWriter;
import looseecho.exchange.TemplateExport;
import looseecho.project.ProjectFile;
import looseecho.project.ProjectFileTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every format that is written carries a seal, and any change breaks it. */
@org.junit.jupiter.api.Tag("everywhere")
class OutputsTest {
  @TempDir private Path dir;

  private List<Path> written() throws IOException {
    Path wav = dir.resolve("a.wav");
    new WavWriter().write(new Audio(new float[5000], new float[5000], 44100), wav);
    Path midi = dir.resolve("a.mid");
    new MidiWriter().write(TemplateExport.song(TemplateTest.small()), midi);
    Path project = dir.resolve("a.looseecho");
    new ProjectFile().writeSealed(ProjectFileTest.project(), Optional.empty(), project);
    return List.of(wav, midi, project);
  }

  @Test
  void ownUnchangedResultsMayBeReplacedOthersNot() throws IOException {
    Outputs rule = new Outputs(List.of(), false);
    for (Path p : written()) {
      assertTrue(Seal.isUnbroken(p), p.toString());
      assertDoesNotThrow(() -> rule.check(p));
      byte[] bytes = Files.readAllBytes(p);
      bytes[bytes.length / 2] ^= 1;
      Files.write(p, bytes);
      assertFalse(Seal.isUnbroken(p), p + " was changed");
      String said = assertThrows(DiskException.class, () -> rule.check(p)).getMessage();
      assertTrue(said.contains("--force"), said);
      assertDoesNotThrow(() -> new Outputs(List.of(), true).check(p));
    }
    Path theirs = Files.writeString(dir.resolve("theirs.wav"), "RIFF and so on");
    assertThrows(DiskException.class, () -> rule.check(theirs));
    assertDoesNotThrow(() -> rule.check(dir.resolve("new.wav")));
  }

  @Test
  void noInputIsEverWrittenOverNotEvenByForceOrThroughALink() throws IOException {
    Path song = Files.writeString(dir.resolve("song.wav"), "sound");
    Path link = Files.createSymbolicLink(dir.resolve("link.wav"), song);
    Outputs rule = new Outputs(List.of(song), true);
    for (Path p : List.of(song, dir.resolve("./x/../song.wav"), link)) {
      assertThrows(DiskException.class, () -> rule.check(p), p.toString());
    }
  }

  @Test
  void aProjectThatThePersonWorkedOnIsNoEarlierResult() throws IOException {
    Path project = dir.resolve("mine.looseecho");
    new ProjectFile().write(ProjectFileTest.project(), Optional.empty(), project);
    assertThrows(DiskException.class, () -> new Outputs(List.of(), false).check(project));
  }
}
