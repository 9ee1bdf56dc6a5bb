package looseecho.desktop.ledger;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.desktop.ClickTrack;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Another track gives its groove and its parts as a project does. */
class GrooveSourceTest {
  @TempDir private Path dir;

  @Test
  void anotherTrackIsHeardAndOffersItsSections() throws IOException {
    Path track = dir.resolve("other.wav");
    ClickTrack.write(track, 12);
    List<GrooveSource> sources = GrooveSource.read(track, Progress.NONE);
    assertFalse(sources.isEmpty());
    assertTrue(sources.get(0).name().startsWith("other.wav: 1"), sources.get(0).name());
    assertFalse(sources.get(0).parts().parts().isEmpty());
  }

  @Test
  void aSilentOneSaysThatNoBeatWasHeard() throws IOException {
    Path silent = dir.resolve("silent.wav");
    float[] x = new float[6 * 44100];
    new WavWriter().write(new Audio(x, x, 44100), silent);
    IOException e = assertThrows(IOException.class, () -> GrooveSource.read(silent, Progress.NONE));
    assertEquals("No beat was heard in silent.wav.", e.getMessage());
  }
}
