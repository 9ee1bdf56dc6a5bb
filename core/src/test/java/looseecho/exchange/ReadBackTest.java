package looseecho.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import looseecho.analysis.Corrections;
import looseecho.form.SectionMark;
import looseecho.notes.Key;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files of others: SFZ in the ways in which it is written, annotations as corrections. */
class ReadBackTest {
  @TempDir private Path dir;

  @Test
  void regionsInheritAndSamplesThatAreNotThereAreLeftOut() throws IOException {
    Path samples = Files.createDirectories(dir.resolve("in here"));
    Files.write(samples.resolve("low drum.wav"), new byte[4]);
    Files.write(samples.resolve("soft hat.wav"), new byte[4]);
    Path sfz = dir.resolve("kit.sfz");
    Files.writeString(
        sfz,
        """
        // a kit
        <control> default_path=in here/
        <global> lovel=1
        <group> hivel=60
        <region> sample=soft hat.wav key=f#2 volume=-3
        <group>
        <region> lokey=35 hikey=36 sample=low drum.wav
        <region> sample=gone.wav key=50
        """);
    assertEquals(
        List.of(
            new SfzReader.Region(samples.resolve("soft hat.wav"), 42, 42, 1, 60),
            new SfzReader.Region(samples.resolve("low drum.wav"), 35, 36, 1, 127)),
        SfzReader.read(sfz));
    Files.writeString(sfz, "<region> key=36");
    assertTrue(
        assertThrows(IOException.class, () -> SfzReader.read(sfz))
            .getMessage()
            .contains("no region"));
  }

  /** Middle C is 60 and c4 in SFZ. */
  @ParameterizedTest
  @CsvSource({"c4, 60", "A4, 69", "c-1, 0", "eb2, 39", "127, 127", "x, -1"})
  void keysAreNumbersOrNames(String words, int key) {
    assertEquals(key, SfzReader.key(words));
  }

  @Test
  void annotationsBecomeCorrections() throws IOException {
    Path jams = dir.resolve("a.jams");
    Files.writeString(
        jams,
        """
        {"annotations": [
          {"namespace": "tempo", "data": [{"time": 0, "value": 93.5}]},
          {"namespace": "beat", "data": [{"time": 0.2, "value": 4}, {"time": 0.85, "value": 1}]},
          {"namespace": "key_mode", "data": [{"time": 0, "value": "D:dorian"}]},
          {"namespace": "segment_open", "data": [
            {"time": 0.85, "value": "A intro"}, {"time": 21, "value": "B"}]},
          {"namespace": "chord", "data": [{"time": 0, "value": "D:min"}]}]}
        """);
    JamsReader.Read read = JamsReader.read(jams);
    assertEquals(List.of("tempo", "bar one", "key", "sections"), read.words());
    Corrections c = read.change().apply(Corrections.NONE);
    assertEquals(93.5, c.pulse().bpm().orElseThrow(), 1e-9);
    assertEquals(0.85, c.pulse().barOneAt().orElseThrow(), 1e-9);
    assertEquals(Key.parse("D:dorian"), c.key().orElseThrow());
    assertEquals(
        List.of(new SectionMark(0.85, "A", "intro"), new SectionMark(21, "B", "")), c.sections());
    Files.writeString(jams, "{\"annotations\": []}");
    assertThrows(IOException.class, () -> JamsReader.read(jams));
    Files.writeString(jams, "no json");
    assertThrows(IOException.class, () -> JamsReader.read(jams));
  }
}
