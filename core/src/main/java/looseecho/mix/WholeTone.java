package looseecho.mix;

import java.util.Optional;

/**
 * What is done to the whole and to each of its stems alike, so that they still add up: its colour,
 * the colour of its sides, and the low end kept in the middle. Fed block after block; one per bus.
 */
final class WholeTone {
  private final ColourFilter middle;
  private final ColourFilter side;
  private final ColourFilter width;
  private final Optional<LowMono> low;

  WholeTone(Sounds sounds, int rate) {
    middle = new ColourFilter(sounds.colour(), rate);
    side = new ColourFilter(sounds.colour(), rate);
    width = new ColourFilter(sounds.sides(), rate);
    low =
        sounds.monoBelowHz() > 0
            ? Optional.of(new LowMono(rate, sounds.monoBelowHz()))
            : Optional.empty();
  }

  void run(Bus bus) {
    if (!middle.isIdle() || !width.isIdle()) {
      float[] left = bus.sides()[0];
      float[] right = bus.sides()[1];
      float[] m = new float[left.length];
      float[] s = new float[left.length];
      for (int i = 0; i < m.length; i++) {
        m[i] = 0.5f * (left[i] + right[i]);
        s[i] = 0.5f * (left[i] - right[i]);
      }
      middle.run(m);
      side.run(s);
      width.run(s);
      for (int i = 0; i < m.length; i++) {
        left[i] = m[i] + s[i];
        right[i] = m[i] - s[i];
      }
    }
    low.ifPresent(l -> l.run(bus));
  }
}
