package looseecho.mix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import looseecho.dsp.Biquad;

/**
 * Runs a group through its bus, block after block. What bends the sum is shared out as the gain
 * that it comes to at every sample, so that the stems still add up to it. Belongs to one rendering.
 */
final class GroupVoice {
  private static final int RATE = EchoRenderer.RATE;
  private static final double BUTTERWORTH = Math.sqrt(0.5);
  private static final double LOW_HZ = 70;

  private final GroupBus bus;
  private final Compressor compressor;
  private final Map<String, Biquad[][]> filters = new HashMap<>();

  GroupVoice(GroupBus bus) {
    this.bus = bus;
    this.compressor = new Compressor(bus.squeeze(), RATE);
  }

  /** Runs the sum and its stems by name. */
  void run(Bus sum, Map<String, Bus> stems) {
    if (bus.equals(GroupBus.PLAIN)) {
      return;
    }
    filter("", sum);
    stems.forEach(this::filter);
    if (!bus.squeeze().isOff()) {
      float[] gains = compressor.gains(sum.sides()[0], sum.sides()[1]);
      sum.shape(gains);
      stems.values().forEach(s -> s.shape(gains));
    }
    if (bus.drive() > 0) {
      Drive.bend(sum, bus.drive(), bus.blend(), List.copyOf(stems.values()));
    }
    if (bus.levelDb() != 0) {
      float[] gain = new float[sum.length()];
      java.util.Arrays.fill(gain, (float) Math.pow(10, bus.levelDb() / 20));
      sum.shape(gain);
      stems.values().forEach(s -> s.shape(gain));
    }
  }

  private void filter(String name, Bus x) {
    Biquad[][] own = filters.computeIfAbsent(name, n -> made());
    for (int c = 0; c < 2; c++) {
      for (Biquad f : own[c]) {
        f.run(x.sides()[c]);
      }
    }
  }

  private Biquad[][] made() {
    Biquad[][] out = new Biquad[2][];
    for (int c = 0; c < 2; c++) {
      List<Biquad> list = new ArrayList<>();
      if (bus.lowCutHz() > 0) {
        list.add(Biquad.highPass(RATE, bus.lowCutHz(), BUTTERWORTH));
      }
      if (bus.highCutHz() > 0) {
        list.add(Biquad.lowPass(RATE, bus.highCutHz(), BUTTERWORTH));
      }
      if (!bus.squeeze().isOff() && bus.squeeze().lowBackDb() > 0) {
        list.add(Biquad.lowShelf(RATE, LOW_HZ, bus.squeeze().lowBackDb()));
      }
      out[c] = list.toArray(new Biquad[0]);
    }
    return out;
  }

  /** The most that its compressor took off so far, in decibels. */
  double reduction() {
    return compressor.most();
  }
}
