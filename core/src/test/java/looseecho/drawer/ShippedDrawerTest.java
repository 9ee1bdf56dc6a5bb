package looseecho.drawer;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import looseecho.palette.SoundClass;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ShippedDrawerTest {
  @TempDir private Path dir;

  @Test
  void theSoundsAreMadeOnceAndKnownForWhatTheyAre() throws IOException {
    ShippedDrawer.write(dir, Progress.NONE);
    Path kick = dir.resolve("harbour kick 03.wav");
    byte[] first = Files.readAllBytes(kick);
    Files.delete(kick);
    ShippedDrawer.write(dir, Progress.NONE);
    assertArrayEquals(first, Files.readAllBytes(kick), "the same on every machine");
    try (Drawer drawer = Drawer.open(dir.resolve("index"))) {
      Indexer.Done done = new Indexer().add(drawer, List.of(dir), Progress.NONE);
      assertEquals(ShippedDrawer.size(), done.added(), done.notes().toString());
      assertTrue(ShippedDrawer.size() >= 200);
      long kicks =
          drawer.entries().stream()
              .filter(e -> e.file().toString().contains("harbour kick"))
              .filter(e -> e.what() == SoundClass.KICK)
              .count();
      assertTrue(kicks > 28, "of 36 kicks " + kicks + " are taken for kicks");
      assertEquals(
          ShippedDrawer.size(), new Indexer().add(drawer, List.of(dir), Progress.NONE).known());
    }
  }
}
