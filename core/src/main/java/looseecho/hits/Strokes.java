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
  private final Map<Double, Seen> seen = new ConcurrentHashMap<>();

  private record Struck(Lane lane, double time) {}

  /** What is drawn from a stroke's spectrum. */
  private record Seen(VoiceFinder.Look look, StrokeColour colour) {}

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
    return measured(times, Seen::look);
  }

  /** Their spectra. */
  List<StrokeColour> colours(double[] times) {
    return measured(times, Seen::colour);
  }

  private <M> List<M> measured(double[] times, Function<Seen, M> part) {
    StruckSpectrum spectrum = new StruckSpectrum(audio);
    return Arrays.stream(times)
        .mapToObj(t -> part.apply(seen.computeIfAbsent(t, x -> seen(spectrum.at(x)))))
        .toList();
  }

  private static Seen seen(StruckSpectrum.Sides s) {
    return new Seen(VoiceFinder.Look.of(s), StrokeColour.of(s));
  }
}
