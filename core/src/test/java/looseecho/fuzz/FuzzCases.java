package looseecho.fuzz;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.WavWriter;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.exchange.MidiGroove;
import looseecho.exchange.MidiWriter;
import looseecho.exchange.TemplateExport;
import looseecho.hits.HitMark;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.project.CorrectionStore;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;
import looseecho.synth.SampleSound;

/**
 * Files of every kind that the program reads, damaged by a seed, each given to its reader. A reader
 * may take a file or refuse it with a sentence; all else is a fault.
 */
public final class FuzzCases {
  private final Path dir;
  private final List<Kind> kinds = new ArrayList<>();
  private final ObjectMapper json = new ObjectMapper();

  /** Reads a damaged file. */
  private interface Reader {
    void read(Path file) throws IOException;
  }

  /** A kind of file, whole, with what reads it; {@code tree} when its JSON is damaged, too. */
  private record Kind(String name, byte[] whole, JsonNode tree, Reader reader) {}

  /** What came of a case. */
  public record Outcome(String kind, boolean sentence, Throwable fault, long bytes) {}

  /**
   * Makes whole files of every kind.
   *
   * @param dir where the damaged files go
   * @param sounds whole sound files
   */
  public FuzzCases(Path dir, List<Path> sounds) throws IOException {
    this.dir = Files.createDirectories(dir);
    for (Path sound : sounds) {
      byte[] whole = Files.readAllBytes(sound);
      String name = sound.getFileName().toString();
      kinds.add(new Kind(name, whole, null, f -> new AudioReader().read(f, Progress.NONE)));
      kinds.add(
          new Kind(
              "sample " + name, whole, null, f -> new AudioReader().oneShot(f, Progress.NONE)));
    }
    Path wav = dir.resolve("whole.wav");
    new WavWriter().write(new Audio(new float[60_000], new float[60_000], 44100), wav);
    kinds.add(
        new Kind(
            "wav", Files.readAllBytes(wav), null, f -> new AudioReader().read(f, Progress.NONE)));
    midi();
    project(wav);
    corrections();
  }

  private void midi() throws IOException {
    Path file = dir.resolve("whole.mid");
    new MidiWriter().write(TemplateExport.song(TemplateTest.small()), file);
    kinds.add(new Kind("midi", Files.readAllBytes(file), null, f -> MidiGroove.read(f)));
  }

  private void project(Path sound) throws IOException {
    Template t = TemplateTest.small();
    Project whole =
        new Project(
            new Project.Link("tune", sound.toString(), "ab12", false),
            corrected(),
            t,
            t,
            Sounds.plain().with(Part.of(Lane.CLAP), SampleSound.of(sound)),
            LogLine.all("made"));
    Path file = dir.resolve("whole.looseecho");
    new ProjectFile().write(whole, Optional.of(sound), file);
    byte[] bytes = Files.readAllBytes(file);
    kinds.add(new Kind("project", bytes, null, f -> new ProjectFile().open(f)));
    try (ZipFile zip = new ZipFile(file.toFile())) {
      JsonNode tree = json.readTree(zip.getInputStream(zip.getEntry("project.json")));
      kinds.add(
          new Kind(
              "project json",
              bytes,
              tree,
              f -> {
                Project p = new ProjectFile().open(f).project();
                new EchoRenderer(p.sounds()).excerpt(p.template(), 0, 0.3, Progress.NONE);
              }));
    }
  }

  private static Corrections corrected() {
    return Corrections.NONE
        .withBpm(87)
        .withKey(new Key(6, true))
        .withBarOneAt(0.25)
        .withHits(List.of(HitMark.add(Lane.KICK, 1, 90), HitMark.merge(Lane.CLAP, Lane.SNARE)));
  }

  private void corrections() throws IOException {
    CorrectionStore store = new CorrectionStore(dir.resolve("corrections"));
    store.save("whole", corrected());
    byte[] bytes = Files.readAllBytes(dir.resolve("corrections/whole.json"));
    Reader reader =
        f -> {
          Files.copy(f, dir.resolve("corrections/" + f.getFileName() + ".json"));
          try {
            store.load(f.getFileName().toString());
          } finally {
            Files.delete(dir.resolve("corrections/" + f.getFileName() + ".json"));
          }
        };
    kinds.add(new Kind("corrections", bytes, null, reader));
    kinds.add(new Kind("corrections json", bytes, json.readTree(bytes), reader));
  }

  /** Runs the case of a seed. */
  public Outcome run(long seed) throws IOException {
    SplittableRandom random = new SplittableRandom(seed);
    Kind kind = kinds.get((int) Math.floorMod(seed, (long) kinds.size()));
    byte[] bytes = kind.tree() == null ? Mutation.of(kind.whole(), random) : tree(kind, random);
    Path file = Files.write(dir.resolve("case-" + seed), bytes);
    try {
      kind.reader().read(file);
      return new Outcome(kind.name(), false, null, bytes.length);
    } catch (IOException e) {
      boolean words = String.valueOf(e.getMessage()).matches("(?s).* .*\\.");
      return new Outcome(kind.name(), words, words ? null : e, bytes.length);
    } catch (RuntimeException | Error e) {
      return new Outcome(kind.name(), false, e, bytes.length);
    } finally {
      Files.delete(file);
    }
  }

  private byte[] tree(Kind kind, SplittableRandom random) throws IOException {
    byte[] damaged = json.writeValueAsBytes(JsonMutation.of(kind.tree(), random));
    if (!kind.name().startsWith("project")) {
      return damaged;
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("project.json"));
      zip.write(damaged);
    }
    return out.toByteArray();
  }
}
