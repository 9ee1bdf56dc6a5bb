package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class OptionsTest {
  @Test
  void theCommandLineIsUnderstood() {
    Options o = Options.parse(List.of("demo", "--shot", "a.png", "--for", "2.5", "--night"));
    assertTrue(o.demo() && o.night());
    assertEquals(Optional.of(Path.of("a.png")), o.shot());
    assertEquals(Optional.of(2.5), o.seconds());
    Options shots = Options.parse(List.of("shots", "dir"));
    assertTrue(shots.demo(), "pictures are taken with the demo");
    assertEquals(Optional.of(Path.of("dir")), shots.shots());
    assertEquals(Optional.of(Path.of("song.wav")), Options.parse(List.of("song.wav")).file());
  }

  /** What Java made of the classes is kept once its compilers have nothing left to do. */
  @Test
  void theEndWaitsForCompilersButNotForEver() throws InterruptedException {
    AtomicLong looks = new AtomicLong();
    assertTrue(Settled.comesToRest(() -> Math.min(7, looks.incrementAndGet()), 1));
    assertEquals(11, looks.get(), "four looks in a row see no change");
    assertFalse(Settled.comesToRest(looks::incrementAndGet, 1));
  }

  @Test
  void wrongUsageIsRefused() {
    assertThrows(IllegalArgumentException.class, () -> Options.parse(List.of("--shot")));
    assertThrows(IllegalArgumentException.class, () -> Options.parse(List.of("--loud")));
    assertThrows(IllegalArgumentException.class, () -> Options.parse(List.of("--for", "long")));
  }
}
