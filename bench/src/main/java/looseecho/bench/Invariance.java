package looseecho.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.dsp.Biquad;
import looseecho.hits.Hit;
import looseecho.pulse.Beat;
import looseecho.reading.Progress;

/**
 * Whether the ear hears the same in a track that was cut, made softer, faster or duller, or had its
 * sides swapped. It needs no truth, so any folder of music will do: {@code java ... Invariance
 * FOLDER}. Metamorphic testing (Chen, Cheung and Yiu 1998).
 */
public final class Invariance {
  private static final double SEMITONE = Math.pow(2, 1 / 12.0);
  private static final double CUT = 7.3; // seconds, no multiple of usual beats
  private static final double NEAR = 0.07; // seconds, as the MIREX beat task has it
  private static final double NEAR_HIT = 0.05;

  private Invariance() {}

  /**
   * A change, and what becomes of a time and of the key by it.
   *
   * @param time seconds there of a second here
   * @param up semitones
   */
  private record Change(UnaryOperator<Audio> how, UnaryOperator<Double> time, int up) {}

  private static Map<String, Change> changes() {
    Map<String, Change> out = new LinkedHashMap<>();
    out.put(
        "cut", new Change(a -> a.slice((int) (CUT * a.sampleRate()), a.length()), t -> t - CUT, 0));
    out.put("12 dB softer", new Change(a -> each(a, x -> scaled(x, 0.25f)), t -> t, 0));
    out.put(
        "a semitone up",
        new Change(
            a -> new Audio(a.channel(0), a.channel(1), (int) Math.round(SEMITONE * a.sampleRate())),
            t -> t / SEMITONE,
            1));
    out.put("dull above 5 kHz", new Change(a -> each(a, x -> dull(x, a.sampleRate())), t -> t, 0));
    out.put(
        "sides swapped",
        new Change(a -> new Audio(a.channel(1), a.channel(0), a.sampleRate()), t -> t, 0));
    return out;
  }

  private static Audio each(Audio a, UnaryOperator<float[]> how) {
    return new Audio(how.apply(a.channel(0)), how.apply(a.channel(1)), a.sampleRate());
  }

  private static float[] scaled(float[] x, float by) {
    float[] out = new float[x.length];
    for (int i = 0; i < x.length; i++) {
      out[i] = by * x[i];
    }
    return out;
  }

  private static float[] dull(float[] x, int rate) {
    float[] out = x.clone();
    for (int order = 0; order < 2; order++) {
      Biquad.lowPass(rate, 5000, Biquad.BUTTERWORTH).run(out);
    }
    return out;
  }

  public static void main(String[] args) throws IOException {
    List<Path> files;
    try (Stream<Path> all = Files.list(Path.of(args[0]))) {
      files =
          all.filter(f -> AudioReader.ENDINGS.contains(f.toString().replaceFirst(".*\\.", "")))
              .sorted()
              .toList();
    }
    Map<String, List<double[]>> kept = new LinkedHashMap<>();
    for (Path file : files) {
      Audio audio = new AudioReader().read(file, Progress.NONE).audio();
      Analysis before = hear(audio);
      for (Map.Entry<String, Change> e : changes().entrySet()) {
        Analysis after = hear(e.getValue().how().apply(audio));
        double[] row = compare(before, after, e.getValue());
        kept.computeIfAbsent(e.getKey(), k -> new ArrayList<>()).add(row);
        say(file.getFileName() + ", " + e.getKey(), List.of(row));
      }
    }
    kept.forEach((change, rows) -> say("ALL, " + change, rows));
  }

  private static Analysis hear(Audio audio) {
    return new Analyzer().analyse(audio, Corrections.NONE, Progress.NONE);
  }

  /** Shares that are kept: tempo, bar lines, key, kicks, snares, hats. */
  private static double[] compare(Analysis a, Analysis b, Change c) {
    double ratio = tempo(b) / tempo(a) * (c.time().apply(1.0) - c.time().apply(0.0));
    boolean key =
        b.tonality().key().value().tonic() == (a.tonality().key().value().tonic() + c.up()) % 12
            && b.tonality().key().value().scale() == a.tonality().key().value().scale();
    return new double[] {
      Math.abs(ratio - 1) < 0.02 ? 1 : 0,
      same(bars(a), bars(b), c, NEAR),
      key ? 1 : 0,
      same(hits(a, Lane.KICK), hits(b, Lane.KICK), c, NEAR_HIT),
      same(hits(a, Lane.SNARE), hits(b, Lane.SNARE), c, NEAR_HIT),
      same(hits(a, Lane.HAT_CLOSED), hits(b, Lane.HAT_CLOSED), c, NEAR_HIT)
    };
  }

  private static double tempo(Analysis a) {
    return a.pulse().map(p -> p.tempo().value()).orElse(1.0);
  }

  private static double[] bars(Analysis a) {
    return a.pulse().stream()
        .flatMap(p -> p.beats().stream())
        .filter(b -> b.position() == 1)
        .mapToDouble(Beat::time)
        .toArray();
  }

  private static double[] hits(Analysis a, Lane lane) {
    return a.hits().stream()
        .filter(h -> h.lane().base() == lane)
        .mapToDouble(Hit::time)
        .sorted()
        .toArray();
  }

  /** F of what is heard after the change against what was heard before it; 1 for none in both. */
  private static double same(double[] before, double[] after, Change c, double near) {
    double[] want =
        Arrays.stream(before).map(t -> c.time().apply(t)).filter(t -> t > -near).toArray();
    boolean[] used = new boolean[after.length];
    int both = 0;
    for (double t : want) {
      for (int k = 0; k < after.length; k++) {
        if (!used[k] && Math.abs(after[k] - t) <= near) {
          used[k] = true;
          both++;
          break;
        }
      }
    }
    int all = want.length + after.length;
    return all == 0 ? 1 : 2.0 * both / all;
  }

  private static void say(String what, List<double[]> rows) {
    String[] names = {"tempo", "bar lines", "key", "kick", "snare", "hats"};
    StringBuilder out = new StringBuilder(what);
    for (int k = 0; k < names.length; k++) {
      int at = k;
      double mean = rows.stream().mapToDouble(r -> r[at]).average().orElse(0);
      out.append(String.format(Locale.ROOT, "  %s %.2f", names[k], mean));
    }
    System.out.println(out);
  }
}
