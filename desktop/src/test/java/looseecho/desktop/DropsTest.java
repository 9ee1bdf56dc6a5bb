package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What becomes of a file that is dropped on the window. */
class DropsTest {
  @Test
  void whatHasAnEndingGoesWhereItBelongsAndAllElseIsOpened() {
    List<String> done = new ArrayList<>();
    Drops drops =
        new Drops(
            f -> done.add("open " + f),
            all -> done.add("all " + all),
            Map.of(
                "mid", f -> done.add("parts " + f),
                "midi", f -> done.add("parts " + f),
                "sfz", f -> done.add("sounds " + f)));
    for (String name : List.of("a.mid", "B.MIDI", "c.wav", "d.looseecho", "midi", "kit.SFZ")) {
      drops.take(Path.of(name));
    }
    assertEquals(
        List.of(
            "parts a.mid",
            "parts B.MIDI",
            "open c.wav",
            "open d.looseecho",
            "open midi",
            "sounds kit.SFZ"),
        done);
  }
}
