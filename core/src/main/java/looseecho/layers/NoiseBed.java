package looseecho.layers;

import java.util.List;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.layers.HeardLayer.Span;

/**
 * A bed of noise under a track, such as hiss, rain or air.
 *
 * @param active when it sounds, in order
 * @param lufs how loud it is by itself, after ITU-R BS.1770-4
 * @param lowHz lower edge of its band, at -10 dB of its third octaves
 * @param highHz upper edge of its band
 */
public record NoiseBed(List<Span> active, double lufs, double lowHz, double highHz) {
  public NoiseBed {
    active = List.copyOf(active);
  }

  /** Of a track, where nothing else is known of it; empty where none was heard. */
  public static Optional<NoiseBed> of(Audio track) {
    NoiseFinder.Noise heard = new BedFinder(track).find();
    if (heard.active().isEmpty()) {
      return Optional.empty();
    }
    double[] edges = heard.powers().edges();
    double power = heard.powers().loudness() / 2; // they are those of sines' amplitudes
    double lufs = 10 * Math.log10(power + 1e-15) - 0.691; // the standard's offset
    return Optional.of(new NoiseBed(heard.active(), lufs, edges[0], edges[1]));
  }

  /** True when it sounds at a time. */
  public boolean sounds(double time) {
    return active.stream().anyMatch(s -> s.has(time));
  }
}
