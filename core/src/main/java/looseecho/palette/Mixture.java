package looseecho.palette;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.reading.Progress;

/** Stretches of the reference, in bands, and what the echo has to say at the same places. */
final class Mixture {
  private static final int RATE = EchoRenderer.RATE;

  /** The four views of a stereo sound. */
  enum View {
    MIDDLE,
    SIDE,
    LEFT,
    RIGHT
  }

  private final Template template;
  private final List<Stretch> stretches;
  private final List<float[][]> heard;

  /**
   * Listens to stretches in which every part is heard.
   *
   * @param most seconds of one section
   * @param all seconds of all sections together
   */
  Mixture(Audio reference, Template t, double most, double all) {
    template = t;
    stretches = Stretch.of(t, reference.duration(), most, all);
    heard =
        IntStream.range(0, View.values().length)
            .parallel()
            .mapToObj(v -> joined(s -> cut(reference, View.values()[v], s.from(), s.seconds())))
            .toList();
  }

  boolean isEmpty() {
    return stretches.isEmpty();
  }

  /**
   * Weights of the bands, so that every band of the reference counts as much as the others, as it
   * does to the ear: quiet highs as much as loud lows.
   */
  float[] weights() {
    float[] out = new float[Bands.COUNT];
    float[][] middle = heard(View.MIDDLE);
    for (int b = 0; b < out.length; b++) {
      double sum = 0;
      for (float[] frame : middle) {
        sum += frame[b];
      }
      out[b] = (float) (middle.length / Math.max(1e-9, sum));
    }
    return out;
  }

  /** The reference: frames by bands. */
  float[][] heard(View view) {
    return heard.get(view.ordinal());
  }

  private interface Sounding {
    float[] of(Stretch s);
  }

  /** The bands of all stretches, one after another. */
  private float[][] joined(Sounding sound) {
    List<float[]> out = new ArrayList<>();
    stretches.forEach(s -> out.addAll(List.of(Bands.of(sound.of(s), RATE))));
    return out.toArray(float[][]::new);
  }

  /** What a part alone sounds like. */
  float[][] alone(Sounds sounds, Part part) {
    EchoRenderer renderer = new EchoRenderer(sounds);
    return joined(s -> renderer.plain(template, part, s.from(), s.seconds()));
  }

  /** What the whole echo sounds like, by two views. */
  List<float[][]> echo(Sounds sounds, View one, View other) {
    EchoRenderer renderer = new EchoRenderer(sounds);
    List<Audio> parts =
        stretches.parallelStream()
            .map(s -> renderer.excerpt(template, s.from(), s.seconds(), Progress.NONE).audio())
            .toList();
    return List.of(one, other).stream().map(v -> frames(parts, v)).toList();
  }

  private static float[][] frames(List<Audio> parts, View view) {
    List<float[]> out = new ArrayList<>();
    for (Audio a : parts) {
      out.addAll(List.of(Bands.of(cut(a, view, 0, a.duration()), RATE)));
    }
    return out.toArray(float[][]::new);
  }

  private static float[] cut(Audio a, View view, double from, double seconds) {
    int first = (int) Math.round(from * RATE);
    float[] out = new float[(int) Math.round(seconds * RATE)];
    for (int i = 0; i < out.length && first + i < a.length(); i++) {
      float l = a.left(first + i);
      float r = a.right(first + i);
      out[i] =
          switch (view) {
            case MIDDLE -> 0.5f * (l + r);
            case SIDE -> 0.5f * (l - r);
            case LEFT -> l;
            case RIGHT -> r;
          };
    }
    return out;
  }
}
