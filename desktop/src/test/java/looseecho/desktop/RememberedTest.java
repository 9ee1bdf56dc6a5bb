package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Rectangle2D;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The window comes back as it was left, and to where it can be seen. */
class RememberedTest {
  private static final Rectangle2D SCREEN = new Rectangle2D(0, 0, 1920, 1080);

  @TempDir private Path dir;

  private static Remembered at(double x, double y) {
    Rectangle2D place = new Rectangle2D(x, y, 1280, 800);
    return new Remembered(Optional.of(place), false, Bench.COMPARE, 23.5);
  }

  @Test
  void whatIsKeptComesBack() throws IOException {
    Path folder = dir.resolve("not there yet");
    assertEquals(Remembered.NOTHING, Remembered.read(folder));
    Remembered r = at(-31.5, 40);
    r.keep(folder);
    assertEquals(r, Remembered.read(folder));
    for (String damaged :
        List.of("x=1\ny=2", "bench=COOKING\nx=1\ny=1\nwidth=9\nheight=9", "x=\\u12", "x=NaN")) {
      Files.writeString(folder.resolve("window.properties"), damaged);
      assertEquals(Remembered.NOTHING, Remembered.read(folder), damaged);
    }
  }

  @Test
  void aScreenThatIsGoneIsNotUsed() {
    assertEquals(at(100, 50).place(), at(100, 50).placeOn(List.of(SCREEN)));
    Rectangle2D second = new Rectangle2D(1920, 0, 1920, 1080);
    assertEquals(at(2000, 50).place(), at(2000, 50).placeOn(List.of(SCREEN, second)));
    for (Remembered gone : List.of(at(2000, 50), at(100, 1070), at(-1270, 50), at(100, -60))) {
      assertEquals(Optional.empty(), gone.placeOn(List.of(SCREEN)), gone.toString());
    }
  }

  @Test
  void aWindowLeftOnALargerScreenFitsASmallerOne() {
    Rectangle2D small = new Rectangle2D(0, 0, 1024, 700);
    assertEquals(Optional.of(small), at(0, 0).placeOn(List.of(small)));
    Rectangle2D flat = new Rectangle2D(0, 24, 1920, 696);
    assertEquals(
        Optional.of(new Rectangle2D(300, 24, 1280, 696)), at(300, 60).placeOn(List.of(flat)));
  }
}
