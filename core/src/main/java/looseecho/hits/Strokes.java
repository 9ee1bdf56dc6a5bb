package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import looseecho.activity.Lane;
import looseecho.audio.Audio;

/**
 * What was measured of a recording's strokes, by their times. Each is measured when it is first
 * asked for and kept: under a beat that was moved the hits are mostly the same peaks, and need not
 * be listened to again. For any thread; some 2 kB a stroke.
 */
public final class Strokes {
  private final Audio audio;
  private final Map<Struck, AttackLevel.Attack> attacks = new ConcurrentHashMap<>();
  private final Map<Double, VoiceFinder.Look> looks = new ConcurrentHashMap<>();
  private final Map<Double, StrokeColour> colours = new ConcurrentHashMap<>();

  private record Struck(Lane lane, double time) {}

  public Strokes(Audio audio) {
    this.audio = audio;
  }

  /** How loud a lane's strokes are by band; empty where the recording has none of its bands. */
  List<AttackLevel.Attack> attacks(Lane lane, double[] times) {
    AttackLevel level = new AttackLevel(audio, lane);
    return level.bands() == 0
        ? List.of()
        : Arrays.stream(times)
            .mapToObj(t -> attacks.computeIfAbsent(new Struck(lane, t), s -> level.at(t)))
            .toList();
  }

  /** Side, height and body of strokes. */
  List<VoiceFinder.Look> looks(double[] times) {
    return measured(times, looks, VoiceFinder.Look::of);
  }

  /** Their spectra. */
  List<StrokeColour> colours(double[] times) {
    return measured(times, colours, StrokeColour::of);
  }

  private <M> List<M> measured(
      double[] times, Map<Double, M> kept, Function<StruckSpectrum.Sides, M> measure) {
    StruckSpectrum spectrum = new StruckSpectrum(audio);
    return Arrays.stream(times)
        .mapToObj(t -> kept.computeIfAbsent(t, x -> measure.apply(spectrum.at(t))))
        .toList();
  }
}
