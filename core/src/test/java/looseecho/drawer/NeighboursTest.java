package looseecho.drawer;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import looseecho.palette.SoundClass;
import looseecho.palette.SoundClassifier;
import org.junit.jupiter.api.Test;

/** Sounds in two families, whose places lie at right angles to each other. */
class NeighboursTest {
  private final List<SoundClassifier.Look> drawer = new ArrayList<>();

  private void put(SoundClass what, double share, int... place) {
    double[] shares = new double[SoundClass.values().length];
    java.util.Arrays.fill(shares, (1 - share) / (shares.length - 1));
    shares[what.ordinal()] = share;
    byte[] bytes = new byte[place.length];
    for (int k = 0; k < bytes.length; k++) {
      bytes[k] = (byte) place[k];
    }
    drawer.add(new SoundClassifier.Look(shares, bytes));
  }

  private SoundClass told(int sound) {
    return SoundClassifier.Said.of(Neighbours.settled(drawer).get(sound)).what();
  }

  @Test
  void whatIsUnsureIsToldByItsKinWhatIsSureIsNot() {
    for (int k = 0; k < 3; k++) {
      put(SoundClass.CLAP, 0.95, 100, 20, 10 * k, 0);
      put(SoundClass.TOM, 0.95, 0, 10 * k, 20, 110);
    }
    put(SoundClass.SNARE, 0.4, 100, 20, 15, 0);
    put(SoundClass.SNARE, 0.99, 0, 12, 20, 110);
    assertEquals(SoundClass.CLAP, told(6));
    assertEquals(SoundClass.SNARE, told(7));
    assertTrue(Neighbours.settled(drawer).get(6)[SoundClass.CLAP.ordinal()] < 0.95);
  }

  @Test
  void whatLiesFarFromAllKeepsItsOwn() {
    put(SoundClass.KICK, 0.4, 0, 0, 100);
    assertEquals(SoundClass.KICK, told(0));
    put(SoundClass.TOM, 0.99, 100, 0, 0);
    put(SoundClass.TOM, 0.99, 90, 90, 0);
    assertEquals(SoundClass.KICK, told(0));
  }
}
