package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Collections;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.dsp.ThirdOctaves;
import looseecho.hits.Hit;
import org.junit.jupiter.api.Test;

/**
 * Common practice: what stands on top of a snare makes it wide; a bass without overtones is sub.
 */
class JobsTest {
  private static BandPowers powers(double lowHz, double highHz, double side) {
    BandPowers p = new BandPowers();
    for (int b = ThirdOctaves.band(lowHz); b <= ThirdOctaves.band(highHz); b++) {
      p.add(BandPowers.LEFT, b, 1);
      p.add(BandPowers.RIGHT, b, 1);
      p.add(BandPowers.MIDDLE, b, 1 - side);
      p.add(BandPowers.SIDE, b, side);
    }
    p.count(1);
    return p;
  }

  @Test
  void heldSoundsByBandWidthAndLength() {
    assertEquals("sub", Jobs.of("bass", powers(40, 90, 0), 0.5));
    assertEquals("body", Jobs.of("bass", powers(40, 400, 0), 0.5));
    assertEquals("bed", Jobs.of("chords", powers(200, 2000, 0.2), 1));
    assertEquals("body", Jobs.of("chords", powers(200, 2000, 0.2), 0.1));
    assertEquals("width", Jobs.of("chords", powers(200, 2000, 0.7), 1));
    assertEquals("lead", Jobs.of("riff", powers(400, 2000, 0), 0.1));
  }

  @Test
  void aClapIsTheBodyUnlessThereIsASnare() {
    Hit snare = new Hit(Lane.SNARE, 1, 100, 1, 4, 0, 0.9);
    assertEquals("body", Jobs.of(Lane.CLAP, List.of(snare)));
    assertEquals("width", Jobs.of(Lane.CLAP, Collections.nCopies(9, snare)));
    assertEquals("air", Jobs.of(Lane.RIDE, List.of()));
    assertEquals("tail", Jobs.of(Lane.CYMBAL, List.of()));
    assertEquals("texture", Jobs.of(Lane.PERCUSSION, List.of()));
  }
}
