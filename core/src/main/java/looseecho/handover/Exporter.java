package looseecho.handover;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import looseecho.reading.Progress;

/** Writes one kind of file of a pack. */
public interface Exporter {
  /** What it writes, as it is told in a list and in the pack's own words. */
  String about();

  /**
   * Writes into the pack's folder, which is there and nobody else's.
   *
   * @return the files, none where there is nothing to write
   */
  List<Path> write(Handover h, Path folder, Progress progress) throws IOException;
}
