package looseecho.palette;

import java.util.ArrayList;
import java.util.List;

/**
 * What a sound is like, in units. Definitions: G. Peeters and others, "The timbre toolbox:
 * extracting audio descriptors from musical signals", JASA 130(5), 2011, where one is there.
 *
 * @param attackMs from a tenth to nine tenths of the largest loudness
 * @param decayMs from the loudest moment until it has fallen by 20 dB
 * @param lengthMs from the attack until it has fallen by 60 dB, or its end
 * @param pitchHz fundamental; 0 where none is heard
 * @param pitchFall semitones by which it begins higher than it ends
 * @param centroidHz centre of the power spectrum
 * @param noise spectral flatness, 0 a tone .. 1 white noise
 * @param oddShare power of the odd partials among the first eight above the first; 0 without pitch
 * @param width side / (middle + side) of the energies
 */
public record Descriptors(
    double attackMs,
    double decayMs,
    double lengthMs,
    double pitchHz,
    double pitchFall,
    double centroidHz,
    double noise,
    double oddShare,
    double width) {

  /** The same with a steady pitch that is known; 0 for a chord, which has none of its own. */
  Descriptors pitched(double hz) {
    return new Descriptors(
        attackMs, decayMs, lengthMs, hz, 0, centroidHz, noise, hz > 0 ? oddShare : 0, width);
  }

  /** As a producer says it, the most telling first. */
  public List<String> words() {
    List<String> out = new ArrayList<>();
    add(out, "very short", decayMs < 40);
    add(out, "short", decayMs >= 40 && decayMs < 110);
    add(out, "long", decayMs > 500);
    add(out, "soft attack", attackMs > 15);
    add(out, "dark", centroidHz < 500);
    add(out, "bright", centroidHz > 6000);
    add(out, "noisy", noise > 0.25);
    add(out, "tonal", pitchHz > 0 && noise < 0.02);
    add(out, "hollow", pitchHz > 0 && oddShare > 0.8);
    add(out, "falling", pitchFall > 3);
    add(out, "wide", width > 0.2);
    return out;
  }

  private static void add(List<String> to, String word, boolean fits) {
    if (fits) {
      to.add(word);
    }
  }
}
