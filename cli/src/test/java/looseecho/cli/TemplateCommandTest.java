package looseecho.cli;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.audio.AudioReader;
import looseecho.disk.CrashReport;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.notes.Scale;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;

/** From a reference to a project and to sound, without a window. */
class TemplateCommandTest extends CommandTest {
  /** Tightened, no hit is lost; what is said as JSON can be read by a script. */
  @Test
  void drumsAreTightenedAndWhatWasMadeIsSaidAsJson() throws IOException {
    Path beat = beat();
    Path exact = dir.resolve("exact.looseecho");
    assertEquals(0, run("template", beat, "-o", exact, "--plain"), err.toString());
    Template before = new ProjectFile().read(exact).template();
    Path tight = dir.resolve("tight.looseecho");
    assertEquals(
        0,
        run("template", beat, "-o", tight, "--plain", "--grid", "16", "--tighten", 100, "--json"),
        err.toString());
    Template after = new ProjectFile().read(tight).template();
    assertEquals(before.attacks().length, after.attacks().length);
    after.sections().stream()
        .flatMap(x -> x.drums().values().stream())
        .flatMap(List::stream)
        .forEach(h -> assertEquals(0, h.offsetMs(), 1e-9));
    JsonNode said = new ObjectMapper().readTree(out.toString());
    assertEquals(120, said.path("bpm").asDouble(), 0.5);
    assertEquals(0, said.path("new_percent").path("pattern").asInt());
    assertTrue(said.path("log").toString().contains("by 100 %"));
    assertEquals(2, run("template", beat, "-o", tight, "--grid", "7"));
    assertTrue(err.toString().contains("--grid must be"), err.toString());
  }

  @Test
  void aProjectIsMadeLoosenedAndRendered() throws IOException {
    Path beat = beat();
    Path exact = dir.resolve("exact.looseecho");
    assertEquals(0, run("template", beat, "-o", exact, "--plain"), err.toString());
    Project p = new ProjectFile().read(exact);
    assertEquals(120, p.template().bpm(), 0.5);
    assertEquals(p.exact(), p.template());
    assertTrue(out.toString().contains("New pattern: 0 %"), out.toString());
    Path loose = dir.resolve("loose.looseecho");
    assertEquals(
        0,
        run(
            "template",
            beat,
            "--plain",
            "-o",
            loose,
            "--looseness",
            50,
            "--tempo",
            96,
            "--key",
            "D:dorian",
            "--seed",
            4),
        err.toString());
    Project q = new ProjectFile().read(loose);
    assertEquals(96, q.template().bpm(), 1e-9);
    assertEquals(new Key(2, Scale.DORIAN), q.template().key());
    assertNotEquals(q.exact().sections(), q.template().sections());
    assertTrue(q.log().stream().anyMatch(l -> l.words().contains("Kept: ")), q.log().toString());
    Path same = dir.resolve("same.looseecho");
    run(
        "template",
        beat,
        "-o",
        same,
        "--looseness",
        50,
        "--tempo",
        96,
        "--key",
        "D:dorian",
        "--seed",
        4,
        "--plain");
    assertEquals(q.template(), new ProjectFile().read(same).template(), "the seed decides");
    assertEquals(0, run("render", exact, "--out", dir.resolve("r"), "--stems"), err.toString());
    var mix = new AudioReader().read(dir.resolve("r/exact echo.wav"), Progress.NONE).audio();
    assertTrue(mix.duration() > 14 && mix.peak() > 0.2 && mix.peak() < 0.9);
    assertTrue(
        Files.exists(dir.resolve("r/exact echo.mid"))
            && Files.exists(dir.resolve("r/exact echo kick.wav")));
  }

  @Test
  void nothingIsWrittenOverButEarlierResults() throws IOException {
    Path song = beat();
    byte[] sound = Files.readAllBytes(song);
    assertEquals(1, run("template", song, "-o", song));
    assertTrue(err.toString().contains("never written over"), err.toString());
    assertEquals(1, run("template", song, "-o", song, "--force"));
    Path project = dir.resolve("pier beat.looseecho");
    assertEquals(0, run("template", song, "-o", project, "--plain"), err.toString());
    assertEquals(0, run("template", song, "-o", project, "--plain"), err.toString());
    assertEquals(0, run("render", project, "--out", dir), err.toString());
    assertArrayEquals(sound, Files.readAllBytes(song), "the reference beside its echo");
    Path echo = dir.resolve("pier beat echo.wav");
    assertEquals(0, run("render", project, "--out", dir), "its own echo may be replaced");
    Files.write(echo, new byte[] {1, 2, 3});
    assertEquals(1, run("render", project, "--out", dir));
    assertTrue(err.toString().contains("--force"), err.toString());
    assertEquals(3, Files.size(echo));
    assertEquals(0, run("render", project, "--out", dir, "--force"), err.toString());
    Project p = new ProjectFile().read(project);
    new ProjectFile().write(p, Optional.empty(), project); // as the window saves it
    assertEquals(1, run("template", song, "-o", project, "--plain"));
  }

  @Test
  void missingSamplesAreNamedAndFailuresOfTheProgramGoToAFile() throws IOException {
    Path song = beat();
    Path project = dir.resolve("p.looseecho");
    assertEquals(0, run("template", song, "-o", project, "--plain"), err.toString());
    Project p = new ProjectFile().read(project);
    Path gone = dir.resolve("gone.wav");
    Sounds sounds = p.sounds().with(Part.of(Lane.CLAP), SampleSound.of(gone));
    Project with =
        new Project(p.reference(), p.corrections(), p.exact(), p.template(), sounds, p.log());
    new ProjectFile().write(with, Optional.empty(), project);
    assertEquals(1, run("render", project, "--out", dir.resolve("r")));
    assertTrue(err.toString().contains("The sample for the clap can't be used"), err.toString());
    assertTrue(Files.exists(dir.resolve("r/p echo.wav")), "rendered all the same");
    String said = CrashReport.write(dir.resolve("reports"), "a test", new Error("odd"));
    Path report = Path.of(said.substring(said.indexOf("Report: ") + 8));
    assertTrue(Files.readString(report).contains("odd"), said);
    assertFalse(said.contains("\n"), "one line: " + said);
  }

  @Test
  void wrongUsageAndBadFilesAreSaid() throws IOException {
    assertEquals(2, run("template", "x.wav", "--looseness", 101));
    assertEquals(2, run("template", "x.wav", "--key", "H"));
    assertTrue(err.toString().contains("must be a key"), err.toString());
    assertEquals(1, run("template", dir.resolve("none.wav")));
    assertEquals(1, run("render", dir.resolve("none.looseecho")));
    assertTrue(err.toString().contains("There is no project"), err.toString());
    Path bad = Files.writeString(dir.resolve("bad.looseecho"), "not a zip");
    assertEquals(1, run("render", bad));
    assertTrue(err.toString().contains("not a Loose Echo project"), err.toString());
  }
}
