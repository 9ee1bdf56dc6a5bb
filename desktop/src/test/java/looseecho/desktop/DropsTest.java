package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What becomes of a file that is dropped on the window. */
class DropsTest {
  @Test
  void aMidiFileOffersItsPartsAndAllElseIsOpened() {
    List<String> done = new ArrayList<>();
    Drops drops = new Drops(f -> done.add("open " + f), f -> done.add("parts " + f));
    for (String name : List.of("a.mid", "B.MIDI", "c.wav", "d.looseecho", "midi")) {
      drops.take(Path.of(name));
    }
    assertEquals(
        List.of("parts a.mid", "parts B.MIDI", "open c.wav", "open d.looseecho", "open midi"),
        done);
  }
}
