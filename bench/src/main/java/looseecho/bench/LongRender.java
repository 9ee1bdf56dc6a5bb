package looseecho.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import looseecho.disk.Outputs;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.TemplateTest;
import looseecho.exchange.StemNames;
import looseecho.exchange.TemplateExport;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.pulse.Beat;
import looseecho.reading.Progress;

/**
 * Writes a long mix with its stems: {@code java -Xmx512m ... LongRender MINUTES FOLDER}. It ends in
 * an error where the heap does not do.
 */
public final class LongRender {
  private LongRender() {}

  public static void main(String[] args) throws IOException {
    double seconds = 60 * Double.parseDouble(args[0]);
    Template t = longer(TemplateTest.small(), seconds);
    long start = System.nanoTime();
    List<Path> files =
        new TemplateExport()
            .write(
                t,
                new EchoRenderer(Sounds.plain()),
                Path.of(args[1]),
                StemNames.of("long"),
                TemplateExport.Sound.STEMS,
                new Outputs(List.of(), false),
                Progress.NONE);
    long bytes = 0;
    for (Path f : files) {
      bytes += Files.size(f);
    }
    System.out.printf(
        Locale.ROOT,
        "%.1f minutes, %d files, %.1f GB, %.0f s, heap %d MB%n",
        t.end() / 60,
        files.size(),
        bytes / 1e9,
        (System.nanoTime() - start) / 1e9,
        Runtime.getRuntime().maxMemory() >> 20);
  }

  /** The template over and over. */
  private static Template longer(Template t, double seconds) {
    List<TemplateSection> sections = new ArrayList<>();
    int beats = 0;
    while (beats * 60 / t.bpm() < seconds) {
      sections.addAll(t.sections());
      beats += t.beats().size() - 1;
    }
    List<Beat> map = new ArrayList<>();
    for (int k = 0; k <= beats; k++) {
      map.add(new Beat(k * 60 / t.bpm(), k % 4 + 1, k / 4 + 1));
    }
    return new Template(t.bpm(), t.meter(), t.key(), map, sections);
  }
}
