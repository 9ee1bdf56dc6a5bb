package looseecho.drawer;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import looseecho.synth.DrumSynth;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;

/**
 * The drawer that comes with the program: some two hundred sounds as recipes, written as files when
 * they are first wanted. Each kind is one recipe whose settings wander between limits; the same on
 * every machine.
 */
public final class ShippedDrawer {
  private static final int RATE = 44100;
  private static final double PEAK = 0.7;
  private static final int SEED = 29;

  /** Settings of a drum between which its sounds lie, in the order of {@link DrumSound}. */
  private record Kind(String name, int count, double[] low, double[] high) {
    DrumSound at(SplittableRandom random) {
      double[] v = new double[low.length];
      for (int k = 0; k < v.length; k++) {
        double way = random.nextDouble();
        v[k] =
            low[k] > 0 && high[k] > low[k]
                ? low[k] * Math.pow(high[k] / low[k], way)
                : low[k] + way * (high[k] - low[k]);
      }
      int bursts = (int) Math.round(v[9]);
      return new DrumSound(
          v[0], v[1], v[2], v[3], v[4], v[5], Math.max(v[5] * 1.5, v[6]), v[7], v[8], bursts);
    }
  }

  private static final List<Kind> DRUMS =
      List.of(
          kind("kick", 36, "40 3 6 60 0 800 3000 2 0 1", "64 9 28 320 0.3 2500 9000 8 0 1"),
          kind(
              "snare", 34, "150 1.2 5 30 0.4 500 6000 40 0 1", "260 2 14 110 1 1800 14000 220 0 1"),
          kind("rim", 8, "420 1.1 3 6 0.3 1500 6000 4 0 1", "900 1.6 8 22 0.7 4000 14000 12 0.1 1"),
          kind("clap", 20, "0 1 1 1 1 500 3500 40 0 2", "0 1 1 1 1 1400 9000 180 0 5"),
          kind("closed hat", 26, "0 1 1 1 0.3 4500 12000 8 0.1 1", "0 1 1 1 1 9000 18000 45 0.8 1"),
          kind(
              "open hat", 18, "0 1 1 1 0.3 4500 12000 110 0.1 1", "0 1 1 1 1 9000 18000 420 0.8 1"),
          kind("tom", 18, "62 1.2 20 90 0 300 2500 8 0 1", "210 2 60 320 0.2 900 6000 25 0 1"),
          kind(
              "cymbal",
              12,
              "0 1 1 1 0.4 2000 11000 350 0.3 1",
              "0 1 1 1 0.9 5500 18000 1400 0.9 1"),
          kind(
              "conga",
              10,
              "180 1.1 6 45 0.05 900 5000 6 0 1",
              "420 1.5 18 160 0.3 3000 9000 20 0 1"),
          kind("shaker", 8, "0 1 1 1 0.6 3500 9000 20 0 1", "0 1 1 1 1 6500 16000 70 0.1 1"));

  private static final String[] BASSES = {"bass", "driven bass", "sub"};
  private static final String[] TONES = {"pluck", "bell", "stab", "reed"};

  private ShippedDrawer() {}

  private static Kind kind(String name, int count, String low, String high) {
    return new Kind(name, count, numbers(low), numbers(high));
  }

  private static double[] numbers(String words) {
    return java.util.Arrays.stream(words.split(" ", -1)).mapToDouble(Double::parseDouble).toArray();
  }

  /** A sound and the name of its file. */
  private record Made(String file, DrumSound drum, ToneSound tone, double pitch, int seed) {}

  private static List<Made> all() {
    List<Made> out = new ArrayList<>();
    SplittableRandom random = new SplittableRandom(SEED);
    for (Kind kind : DRUMS) {
      for (int n = 1; n <= kind.count(); n++) {
        DrumSound sound = kind.at(random);
        out.add(new Made(file(kind.name(), n), sound, null, 0, random.nextInt(1 << 16)));
      }
    }
    for (int n = 0; n < 12; n++) {
      String name = BASSES[n % BASSES.length];
      boolean sub = name.equals("sub");
      ToneSound s =
          new ToneSound(
              sub ? 0 : 0.4 + 0.5 * random.nextDouble(),
              1,
              0,
              sub ? 200 : 200 + 500 * random.nextDouble(),
              sub ? 0 : 1500 * random.nextDouble(),
              3,
              150 + 400 * random.nextDouble(),
              0.5,
              40,
              name.startsWith("driven") ? 2 + 4 * random.nextDouble() : 0.3,
              0,
              Timbre.PLAIN);
      out.add(new Made(file(name, n / BASSES.length + 1), null, s, 31 + n, 0));
    }
    for (int n = 0; n < 12; n++) {
      out.add(
          new Made(
              file(TONES[n % TONES.length], n / TONES.length + 1),
              null,
              tone(n, random),
              55 + n,
              0));
    }
    return out;
  }

  private static ToneSound tone(int n, SplittableRandom random) {
    Timbre timbre =
        switch (n % TONES.length) {
          case 1 ->
              Timbre.PLAIN
                  .with(Timbre.Dial.FM_RATIO, 2 + Math.rint(3 * random.nextDouble()))
                  .with(Timbre.Dial.FM_INDEX, 2 + 3 * random.nextDouble());
          case 3 -> Timbre.PLAIN.wave(Timbre.Wave.PULSE).with(Timbre.Dial.PULSE, 0.3);
          default -> Timbre.PLAIN;
        };
    boolean stab = n % TONES.length == 2;
    return new ToneSound(
        n % TONES.length == 1 ? 0 : 0.8,
        stab ? 3 : 1,
        stab ? 12 : 0,
        800 + 1500 * random.nextDouble(),
        2500 * random.nextDouble(),
        2,
        120 + 300 * random.nextDouble(),
        0.15,
        80,
        0,
        0,
        timbre);
  }

  private static String file(String name, int number) {
    return String.format(Locale.ROOT, "harbour %s %02d.wav", name, number);
  }

  /** How many sounds there are. */
  public static int size() {
    return all().size();
  }

  /** Writes what is missing into a folder. */
  public static void write(Path folder, Progress progress) throws IOException {
    Files.createDirectories(folder);
    List<Made> missing =
        all().stream().filter(m -> !Files.exists(folder.resolve(m.file()))).toList();
    int batch = 32;
    for (int from = 0; from < missing.size(); from += batch) {
      progress.step("Playing the sounds that come with it", (double) from / missing.size());
      List<Made> some = missing.subList(from, Math.min(missing.size(), from + batch));
      List<float[]> played = some.parallelStream().map(ShippedDrawer::play).toList();
      for (int k = 0; k < some.size(); k++) {
        float[] x = played.get(k);
        new WavWriter().write(new Audio(x, x, RATE), folder.resolve(some.get(k).file()));
      }
    }
  }

  private static float[] play(Made m) {
    float[] x =
        m.drum() != null
            ? new DrumSynth().render(m.drum(), RATE, m.seed())
            : new ToneSynth().render(m.tone(), m.pitch(), 0.6, 110, RATE);
    double peak =
        IntStream.range(0, x.length).mapToDouble(i -> Math.abs(x[i])).max().orElse(0) + 1e-9;
    for (int i = 0; i < x.length; i++) {
      x[i] *= (float) (PEAK / peak);
    }
    return x;
  }
}
