package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;

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
    assertEquals("sub", Jobs.of("bass", powers(40, 90, 0), false));
    assertEquals("body", Jobs.of("bass", powers(40, 400, 0), false));
    assertEquals("bed", Jobs.of("chords", powers(200, 2000, 0.2), false));
    assertEquals("body", Jobs.of("chords", powers(200, 2000, 0.2), true));
    assertEquals("width", Jobs.of("chords", powers(200, 2000, 0.7), true));
    assertEquals("lead", Jobs.of("riff", powers(400, 2000, 0), true));
  }

  @Test
  void aClapIsTheBodyUnlessItFallsWithASnare() {
    Hit snare = new Hit(Lane.SNARE, 1, 100, 1, 4, 0, 0.9);
    Hit on = new Hit(Lane.CLAP, 1.02, 100, 1, 4, 0, 0.9);
    Hit off = new Hit(Lane.CLAP, 1.5, 100, 1, 8, 0, 0.9);
    List<Hit> all = List.of(snare, on, off);
    assertEquals("body", Jobs.of(Lane.CLAP, List.of(on, off), all));
    assertEquals("width", Jobs.of(Lane.CLAP, List.of(on), all));
    assertEquals("air", Jobs.of(Lane.RIDE, List.of(), all));
    assertEquals("tail", Jobs.of(Lane.CYMBAL, List.of(), all));
    assertEquals("texture", Jobs.of(Lane.PERCUSSION, List.of(), all));
  }
}
