package looseecho.palette;

import java.util.ArrayList;
import java.util.List;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSound;
import looseecho.synth.ToneSound;

/** Other shapes that a part's sound may have: shorter and longer, tuned lower and higher. */
final class Shapes {
  private static final double[] LENGTHS = {0.35, 0.5, 0.71, 1.41, 2, 2.8};
  private static final double[] PITCHES = {0.75, 0.87, 1.15, 1.33};
  private static final double[] DECAYS = {0.25, 0.5, 2, 4};
  private static final double LEAST_MS = 5;
  private static final double MOST_MS = 900;

  private Shapes() {}

  /** The sounds with each of the other lengths of a part's. */
  static List<Sounds> lengths(Sounds s, Part part) {
    List<Sounds> out = new ArrayList<>();
    if (part instanceof DrumPart drum) {
      DrumSound now = s.drum(drum);
      double ms = Math.max(now.toneHz() > 0 ? now.toneMs() : 0, now.noiseMs());
      for (double by : LENGTHS) {
        if (ms * by >= LEAST_MS && ms * by <= MOST_MS) {
          out.add(s.with(drum, now.longer(by)));
        }
      }
    } else if (part instanceof LinePart line) {
      ToneSound now = s.tone(line);
      for (double by : DECAYS) {
        if (now.decayMs() * by >= 20 && now.decayMs() * by <= 1500) {
          out.add(s.with(line, now.decaying(now.decayMs() * by)));
        }
      }
    }
    return out;
  }

  /** The sounds with each of the other pitches of a drum that has one. */
  static List<Sounds> pitches(Sounds s, Part part) {
    List<Sounds> out = new ArrayList<>();
    if (part instanceof DrumPart drum && s.drum(drum).toneHz() > 0) {
      for (double by : PITCHES) {
        out.add(s.with(drum, s.drum(drum).tuned(s.drum(drum).toneHz() * by)));
      }
    }
    return out;
  }
}
