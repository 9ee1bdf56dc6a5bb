package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.mix.Job;
import looseecho.palette.StackAdvisor.Sounding;
import org.junit.jupiter.api.Test;

class StackAdvisorTest {
  private static final int RATE = 44_100;

  /** A tone that dies away, begun at a part of its period. */
  private static float[] tone(double hz, double cycles, double gain) {
    float[] x = new float[RATE / 4];
    for (int i = 0; i < x.length; i++) {
      double fall = Math.exp(-i / (0.06 * RATE));
      x[i] = (float) (gain * fall * Math.sin(2 * Math.PI * (hz * i / RATE + cycles)));
    }
    return x;
  }

  /** Two thirds of a cycle apart, equal tones add up to what one has: 3 dB are gone. */
  @Test
  void whatLayersTakeFromEachOtherIsToldWithTheShiftThatHelps() {
    Sounding a = new Sounding("kick", Job.BODY, tone(60, 0, 0.5));
    Sounding b = new Sounding("thump", Job.SUB, tone(60, 1 / 3.0, 0.5));
    List<String> said = StackAdvisor.look(List.of(a, b), RATE);
    assertTrue(said.get(0).startsWith("kick and thump take 3 dB from each other"), said.toString());
    assertTrue(said.get(0).contains("thump 5."), said + ": a third of 60 Hz is 5.6 ms");
    assertTrue(said.get(1).contains("both play below 120 Hz"), said.toString());
  }

  @Test
  void oneJobTwiceIsToldAndWhereToPartThem() {
    Sounding low = new Sounding("low", Job.BODY, tone(150, 0, 0.5));
    Sounding high = new Sounding("high", Job.BODY, tone(2400, 0, 0.5));
    List<String> said = StackAdvisor.look(List.of(low, high), RATE);
    assertEquals(1, said.size(), said.toString());
    assertTrue(said.get(0).startsWith("low and high are both body"), said.toString());
    double hz = StackAdvisor.crossing(low.sound(), high.sound(), RATE);
    assertTrue(hz > 170 && hz < 2300, "parts them between the two: " + hz);
    Sounding attack = new Sounding("click", Job.ATTACK, tone(4000, 0, 0.2));
    assertEquals(List.of(), StackAdvisor.look(List.of(low, attack), RATE));
    assertEquals(List.of(), StackAdvisor.look(List.of(low), RATE));
  }
}
