package looseecho.exchange;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.disk.WholeFile;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.mix.EchoRenderer;
import looseecho.reading.Progress;

/**
 * Writes the sounds of an echo as samples with SFZ files: the drums on their General MIDI keys in
 * three loudnesses, each line in every fourth semitone of what it plays. SFZ is an open text
 * format: regions with a sample, keys and velocities.
 */
public final class SfzWriter {
  private static final int[] VELOCITIES = {48, 88, 120};
  private static final int SPACING = 4;
  private static final double NOTE_SECONDS = 2;

  private final Template t;
  private final EchoRenderer renderer;
  private final Path folder;
  private final Progress progress;

  /** Into a folder that is there. */
  public SfzWriter(Template t, EchoRenderer renderer, Path folder, Progress progress) {
    this.t = t;
    this.renderer = renderer;
    this.folder = folder;
    this.progress = progress;
  }

  /** Writes all; the files written. */
  public List<Path> write() throws IOException {
    List<Path> out = new ArrayList<>();
    StringBuilder drums = new StringBuilder();
    List<Part> parts =
        Part.of(t).stream()
            .filter(p -> t.sections().stream().anyMatch(s -> p.size(s) > 0))
            .toList();
    TreeSet<Integer> keys = new TreeSet<>();
    for (int k = 0; k < parts.size(); k++) {
      progress.step("Writing the kit", (double) k / parts.size());
      if (parts.get(k) instanceof DrumPart d) {
        int key = d.lane().midi();
        while (!keys.add(key)) { // a second drum of a kind gets the next key
          key++;
        }
        drum(d, key, drums, out);
      } else if (parts.get(k) instanceof LinePart l) {
        out.add(line(l, out));
      }
    }
    if (drums.length() > 0) {
      Path file = folder.resolve("drums.sfz");
      text(file, drums.toString());
      out.add(file);
    }
    return out;
  }

  private void drum(DrumPart d, int key, StringBuilder sfz, List<Path> out) throws IOException {
    int low = 1;
    for (int v = 0; v < VELOCITIES.length; v++) {
      int high = v == VELOCITIES.length - 1 ? 127 : (VELOCITIES[v] + VELOCITIES[v + 1]) / 2;
      String name = name(d) + " " + VELOCITIES[v] + ".wav";
      out.add(sample(name, renderer.oneShot(d, VELOCITIES[v])));
      sfz.append(
          String.format(
              Locale.ROOT,
              "<region> sample=%s key=%d lovel=%d hivel=%d loop_mode=one_shot amp_veltrack=0%n",
              name,
              key,
              low,
              high));
      low = high + 1;
    }
  }

  private Path line(LinePart l, List<Path> out) throws IOException {
    TreeSet<Integer> pitches = new TreeSet<>();
    for (TemplateSection s : t.sections()) {
      s.notes(l).forEach(n -> pitches.add(n.pitch()));
    }
    StringBuilder sfz = new StringBuilder();
    int lowest = 0;
    for (int pitch = pitches.first(); pitch < pitches.last() + SPACING; pitch += SPACING) {
      boolean last = pitch + SPACING >= pitches.last() + SPACING;
      String name = name(l) + " " + pitch + ".wav";
      out.add(sample(name, renderer.oneNote(l, pitch, 100, NOTE_SECONDS)));
      sfz.append(
          String.format(
              Locale.ROOT,
              "<region> sample=%s pitch_keycenter=%d lokey=%d hikey=%d ampeg_release=0.05%n",
              name,
              pitch,
              lowest,
              last ? 127 : pitch + SPACING / 2 - 1));
      lowest = pitch + SPACING / 2;
    }
    Path file = folder.resolve(name(l) + ".sfz");
    text(file, sfz.toString());
    return file;
  }

  private String name(Part p) {
    String plain = t.name(p).replaceAll("[^\\p{L}\\p{N} -]", "").strip();
    boolean taken =
        plain.isEmpty()
            || Part.of(t).stream()
                .anyMatch(o -> !o.equals(p) && t.name(o).equalsIgnoreCase(t.name(p)));
    return taken ? (plain + " " + p.words() + " " + p.number()).strip() : plain;
  }

  private Path sample(String name, float[] x) throws IOException {
    Path file = folder.resolve(name);
    new WavWriter().write(new Audio(x, x.clone(), EchoRenderer.RATE), file);
    return file;
  }

  private static void text(Path file, String words) throws IOException {
    WholeFile.write(file, part -> Files.write(part, words.getBytes(StandardCharsets.UTF_8)));
  }
}
