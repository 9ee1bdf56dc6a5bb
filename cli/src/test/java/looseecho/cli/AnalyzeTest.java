package looseecho.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.sound.midi.MidiSystem;
import looseecho.audio.AudioReader;
import looseecho.audio.WavWriter;
import looseecho.demo.Demo;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command line as a process of its own, without a display. */
class AnalyzeTest {
  @TempDir private Path dir;

  private record Outcome(int code, List<String> out, List<String> err) {}

  private Outcome run(String... args) throws IOException, InterruptedException {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                "looseecho.cli.Main"));
    command.addAll(List.of(args));
    Path out = dir.resolve("stdout");
    Path err = dir.resolve("stderr");
    ProcessBuilder builder =
        new ProcessBuilder(command).redirectOutput(out.toFile()).redirectError(err.toFile());
    builder.environment().remove("DISPLAY");
    Process process = builder.start();
    assertTrue(process.waitFor(120, TimeUnit.SECONDS));
    return new Outcome(process.exitValue(), Files.readAllLines(out), Files.readAllLines(err));
  }

  @Test
  void goodFilesAreDoneAndBadOnesNamed() throws Exception {
    var whole =
        new AudioReader()
            .read(Demo.file(Path.of("target/demo"), Progress.NONE), Progress.NONE)
            .audio();
    Path song = dir.resolve("tide song.wav");
    new WavWriter().write(whole.slice(44100 * 10, 44100 * 24), song);
    Path bad = Files.writeString(dir.resolve("bad.mp3"), "no music in here at all, not a note");
    Path results = dir.resolve("results/deep");
    Outcome o =
        run("analyze", "--jobs", "2", "--out", results.toString(), bad.toString(), song.toString());
    assertEquals(1, o.code());
    assertEquals(1, o.out().size(), o.out().toString());
    assertTrue(o.out().get(0).startsWith("tide song: 108.00 BPM steady"), o.out().get(0));
    assertTrue(
        o.err().stream().anyMatch(l -> l.startsWith("bad.mp3: This is not a sound file")),
        o.err().toString());
    assertTrue(
        o.err().stream().anyMatch(l -> l.contains("Hearing hits and beats")), "progress is told");
    var jams = new ObjectMapper().readTree(results.resolve("tide song.jams").toFile());
    assertEquals(14, jams.at("/file_metadata/duration").asDouble(), 0.01);
    assertTrue(
        MidiSystem.getSequence(results.resolve("tide song.mid").toFile()).getTracks().length > 3);
    assertFalse(Files.exists(results.resolve("bad.jams")));
    assertEquals(2, Files.list(results).count());
    assertEquals(
        "1 of 2 files are done. These failed: " + bad,
        o.err().get(o.err().size() - 1),
        "a summary");
    assertEquals(
        0,
        run("analyze", "--out", results.toString(), song.toString()).code(),
        "an earlier result of its own may be replaced");
    Path mine = Files.writeString(results.resolve("tide song.jams"), "{}");
    Outcome kept = run("analyze", "--out", results.toString(), song.toString());
    assertEquals(1, kept.code());
    assertEquals("{}", Files.readString(mine));
    assertTrue(kept.err().get(0).contains("--force"), kept.err().toString());
  }

  /** File names are bytes: under the plain C locale Java can't spell the two bytes of an umlaut. */
  @Test
  void aNameThatTheLocaleCantSpellDoesNotEndTheBatch() throws Exception {
    Path bad = Files.writeString(dir.resolve("bad.mp3"), "no music in here at all, not a note");
    String script =
        "LC_ALL=C exec \"$0\" -cp \"$1\" looseecho.cli.Main analyze --out . \"$(printf 'tr\\303\\274b.wav')\" \"$2\"";
    Path err = dir.resolve("stderr");
    Process process =
        new ProcessBuilder(
                "sh",
                "-c",
                script,
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                System.getProperty("java.class.path"),
                bad.toString())
            .directory(dir.toFile())
            .redirectError(err.toFile())
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    assertTrue(process.waitFor(120, TimeUnit.SECONDS));
    assertEquals(1, process.exitValue());
    String said = Files.readString(err, java.nio.charset.StandardCharsets.ISO_8859_1);
    assertTrue(said.contains("LC_ALL=C.UTF-8"), said);
    assertTrue(said.contains("bad.mp3: This is not a sound file"), said);
    assertTrue(said.contains("0 of 2 files are done"), said);
    assertFalse(said.contains("Exception"), said);
  }

  @Test
  void wrongUsageEndsWithTwoAndHelpWithZero() throws Exception {
    assertEquals(2, run("analyze").code());
    assertEquals(2, run("analyze", "--jobs", "0", "x.wav").code());
    assertEquals(2, run().code());
    Outcome help = run("analyze", "--help");
    assertEquals(0, help.code());
    assertTrue(String.join("\n", help.out()).contains("--out"));
    assertTrue(run("--version").out().get(0).matches("Loose Echo [0-9.]+"));
  }
}
