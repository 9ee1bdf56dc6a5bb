package looseecho.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import looseecho.audio.WavStream;
import looseecho.disk.Outputs;
import looseecho.disk.WholeFile;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.mix.Bus;
import looseecho.mix.EchoRenderer;
import looseecho.reading.Progress;

/**
 * Writes the mix and its stems section by section: laid end to end they are the whole. The last one
 * has what rings on.
 */
public final class SectionExport {
  private static final int RATE = EchoRenderer.RATE;

  /** A file: one section of the mix (an empty stem) or of a stem. */
  private record Piece(int section, String stem, Path path) {}

  /**
   * Writes NAME 01 A verse.wav and, when asked for, NAME 01 A verse PART.wav into a folder.
   *
   * @param allowed says which files may be written over; looked at before anything is written
   * @return the files written
   */
  public List<Path> write(
      Template t,
      EchoRenderer renderer,
      Path folder,
      StemNames called,
      boolean stems,
      Outputs allowed,
      Progress progress)
      throws IOException {
    Files.createDirectories(folder);
    List<Piece> pieces = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      String section = section(t.sections().get(s), s);
      pieces.add(new Piece(s, "", folder.resolve(called.file(t, section, ""))));
      if (stems) {
        for (String stem : renderer.stems(t)) {
          pieces.add(new Piece(s, stem, folder.resolve(called.file(t, section, stem))));
        }
      }
    }
    List<Path> paths = pieces.stream().map(Piece::path).toList();
    allowed.check(paths);
    WholeFile.writeAll(paths, parts -> stream(t, renderer, pieces, parts, stems, progress));
    return paths;
  }

  private static String section(TemplateSection s, int number) {
    String words = (s.label() + " " + s.role()).replaceAll("[^\\p{L}\\p{N} ]", "").strip();
    return String.format(Locale.ROOT, "%02d %s", number + 1, words).strip();
  }

  private static void stream(
      Template t,
      EchoRenderer renderer,
      List<Piece> pieces,
      List<Path> parts,
      boolean stems,
      Progress progress)
      throws IOException {
    long[] edges = new long[t.sections().size() + 1];
    for (int s = 1; s < t.sections().size(); s++) {
      edges[s] = Math.round(t.time(s, 0, 0) * RATE);
    }
    edges[t.sections().size()] = Long.MAX_VALUE;
    WavStream[] open = new WavStream[pieces.size()];
    boolean[] done = new boolean[pieces.size()];
    long[] at = new long[1];
    try {
      renderer.stream(
          t,
          stems,
          (mix, byName, course) -> {
            for (int k = 0; k < open.length; k++) {
              Piece piece = pieces.get(k);
              Bus bus = piece.stem().isEmpty() ? mix : byName.get(piece.stem());
              long from = Math.max(0, edges[piece.section()] - at[0]);
              long to = Math.min(bus.length(), edges[piece.section() + 1] - at[0]);
              if (from < to) {
                open[k] = open[k] == null ? new WavStream(parts.get(k), RATE) : open[k];
                open[k].add(pairs(bus, course, (int) from, (int) to), (int) (to - from));
              }
              if (open[k] != null
                  && !done[k]
                  && edges[piece.section() + 1] <= at[0] + bus.length()) {
                open[k].finish();
                done[k] = true;
              }
            }
            at[0] += mix.length();
          },
          progress);
      for (int k = 0; k < open.length; k++) {
        open[k] = open[k] == null ? new WavStream(parts.get(k), RATE) : open[k];
        if (!done[k]) {
          open[k].finish();
        }
      }
    } finally {
      for (WavStream file : open) {
        if (file != null) {
          file.close();
        }
      }
    }
  }

  private static float[] pairs(Bus bus, float[] course, int from, int to) {
    float[] out = new float[2 * (to - from)];
    for (int i = from; i < to; i++) {
      out[2 * (i - from)] = course[i] * bus.left(i);
      out[2 * (i - from) + 1] = course[i] * bus.right(i);
    }
    return out;
  }
}
