package looseecho.project;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import looseecho.disk.WholeFile;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.synth.SampleSound;

/** A person's samples inside a project file, each under a name made from where it was. */
final class PackedSamples {
  static final String FOLDER = "samples";

  private PackedSamples() {}

  /** The samples that are there to be packed, by the names that they get. */
  static Map<String, Path> of(Project project) {
    Map<String, Path> out = new TreeMap<>();
    project.sounds().samples().forEach(s -> out.put(name(s), Path.of(s.path())));
    FoundSamples.of(project.template()).forEach(s -> out.put(name(s), Path.of(s.path())));
    out.values().removeIf(p -> !Files.isRegularFile(p));
    return out;
  }

  private static String name(SampleSound sample) {
    return UUID.nameUUIDFromBytes(sample.path().getBytes(StandardCharsets.UTF_8)).toString();
  }

  /** The project with samples that are no longer where they were, unpacked into a folder. */
  static Project unpack(Path path, Project project, Path folder) throws IOException {
    Sounds sounds = project.sounds();
    Sounds out = sounds;
    Template template = project.template();
    try (ZipFile zip = ProjectZip.open(path, String.valueOf(path.getFileName()))) {
      for (Part part : sounds.parts().keySet()) {
        // Before version 7 a packed sample had the name of its drum.
        if (sounds.sound(part).source() instanceof SampleSound s) {
          Optional<Path> there = unpack(zip, s, part.toString(), folder, path);
          out = there.isPresent() ? out.with(part, s.at(there.get())) : out;
        }
      }
      for (SampleSound s : out.samples()) {
        Optional<Path> there = unpack(zip, s, name(s), folder, path);
        if (there.isPresent()) {
          out = out.samples(x -> x.path().equals(s.path()) ? x.at(there.get()) : x);
        }
      }
      for (SampleSound s : FoundSamples.of(template)) {
        Optional<Path> there = unpack(zip, s, name(s), folder, path);
        if (there.isPresent()) {
          template =
              FoundSamples.each(template, x -> x.path().equals(s.path()) ? x.at(there.get()) : x);
        }
      }
    }
    return project.with(out).with(template);
  }

  /** Takes one packed sample out; empty where it is not packed, or still where it was. */
  private static Optional<Path> unpack(
      ZipFile zip, SampleSound sample, String name, Path folder, Path from) throws IOException {
    String own = FOLDER + "/" + name + "\\." + ProjectZip.ENDING;
    Optional<? extends ZipEntry> entry =
        zip.stream().filter(e -> e.getName().matches(own)).findFirst();
    if (entry.isEmpty() || Files.isRegularFile(Path.of(sample.path()))) {
      return Optional.empty();
    }
    Files.createDirectories(folder);
    Path to = folder.resolve(entry.get().getName().replace('/', '-'));
    WholeFile.write(to, part -> ProjectZip.unpack(zip, entry.get(), part, from));
    return Optional.of(to);
  }
}
