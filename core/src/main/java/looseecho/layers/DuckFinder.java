package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.dsp.Goertzel;
import looseecho.notes.Note;

/**
 * Hears how far each kick pushes held notes down, and how long until they are back: the level of a
 * note's partials around the kicks that fall into it, averaged in decibels. Partials below the
 * kick's own band are left out, since the kick would fill the gap that it makes.
 */
final class DuckFinder {
  private static final double HOP = 0.012;
  private static final double WINDOW = 0.036;
  private static final double BEFORE = 0.08; // seconds before the kick
  private static final double AFTER = 0.5;
  private static final double CLEAR_HZ = 220; // of the kick's body
  private static final int PARTIALS = 8;
  private static final int FEWEST = 6; // kicks inside held notes
  private static final int MOST = 32;
  private static final double LEAST_DB = 2;
  private static final double BACK = 0.9; // of the way, in decibels

  private final Audio audio;
  private final double tuning;

  DuckFinder(Audio audio, double tuningCents) {
    this.audio = audio;
    this.tuning = Math.pow(2, tuningCents / 1200);
  }

  /** Empty where nothing pushes the notes down, or it can't be told. */
  Optional<HeardLayer.Duck> find(List<Note> notes, double[] kicks) {
    int count = (int) ((BEFORE + AFTER) / HOP);
    List<double[]> curves = new ArrayList<>();
    for (double kick : kicks) {
      double next = nextOf(kicks, kick);
      for (Note n : notes) {
        boolean held = n.start() < kick - BEFORE && n.end() > kick + 0.2;
        if (held && curves.size() < MOST) {
          curves.add(curve(n, kick, Math.min(n.end(), next), count));
        }
      }
    }
    return curves.size() < FEWEST ? Optional.empty() : of(curves, count);
  }

  private static double nextOf(double[] kicks, double kick) {
    return Arrays.stream(kicks).filter(k -> k > kick + 0.05).min().orElse(Double.MAX_VALUE);
  }

  /** Decibels over time; not a number once the note or the gap between kicks is over. */
  private double[] curve(Note n, double kick, double end, int count) {
    double[] out = new double[count];
    for (int k = 0; k < count; k++) {
      double time = kick - BEFORE + k * HOP;
      out[k] = time + WINDOW / 2 > end ? Double.NaN : level(n.pitch(), time);
    }
    double reference = out[0];
    for (int k = 0; k < count; k++) {
      out[k] -= reference;
    }
    return out;
  }

  private double level(int pitch, double time) {
    int half = (int) (WINDOW / 2 * audio.sampleRate());
    int centre = (int) (time * audio.sampleRate());
    int from = Math.max(0, Math.min(audio.length(), centre - half));
    float[] x = audio.mono(from, Math.max(from, Math.min(audio.length(), centre + half)));
    double hz = 440 * tuning * Math.pow(2, (pitch - 69) / 12.0);
    double power = 1e-12;
    for (int h = 1; h <= PARTIALS; h++) {
      if (h * hz > CLEAR_HZ && h * hz < 4000) {
        power += Goertzel.power(x, h * hz, audio.sampleRate());
      }
    }
    return 10 * Math.log10(power);
  }

  private static Optional<HeardLayer.Duck> of(List<double[]> curves, int count) {
    double[] middle = new double[count];
    int end = 0;
    for (int k = 0; k < count; k++) {
      int at = k;
      double[] values =
          curves.stream().mapToDouble(c -> c[at]).filter(v -> !Double.isNaN(v)).sorted().toArray();
      if (values.length < FEWEST / 2) {
        break;
      }
      middle[k] = values[values.length / 2];
      end = k + 1;
    }
    int kick = (int) (BEFORE / HOP);
    int low = kick;
    for (int k = kick; k < Math.min(end, kick + (int) (0.12 / HOP)); k++) {
      low = middle[k] < middle[low] ? k : low;
    }
    double top = 0;
    for (int k = low; k < end; k++) {
      top = Math.max(top, middle[k]);
    }
    double full = Math.min(Math.max(0, top), 1);
    double depth = full - middle[low];
    if (depth < LEAST_DB || low >= end - 1) {
      return Optional.empty();
    }
    int back = low;
    while (back < end - 1 && middle[back] < middle[low] + BACK * depth) {
      back++;
    }
    return Optional.of(
        new HeardLayer.Duck("kick", depth, 1000 * Math.max(HOP, back * HOP - BEFORE)));
  }
}
