package looseecho.palette;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Colour;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.palette.Mixture.View;
import looseecho.reading.Progress;

/**
 * Brings the echo's sounds near the reference, by analysis through synthesis: it renders what each
 * part would sound like alone, tries other lengths and pitches of it, finds the gains by which all
 * together come nearest to the reference, and sets level, colour, place and width of each by them;
 * what is then still missing is laid on the whole. Deterministic.
 */
public final class SoundMatcher {
  private static final double SECTION_SECONDS = 12; // listened to for levels and colours
  private static final double MOST_SECONDS = 44;
  private static final double SHAPE_SECTION_SECONDS = 6; // listened to for lengths and pitches
  private static final double MOST_SHAPE_SECONDS = 20;
  private static final double MOST_COLOUR_DB = 15; // of one part
  private static final double FAINT = 0.01; // share of a part's sound in an octave to be coloured
  private static final double MOST_WIDE = 0.8; // side that the widest part has, see Strip
  private static final double MOST_LIFT_DB = 9; // over what the parts are usually lifted by
  private static final double LEAST_SHARE = 0.004; // of the reference, to tell its place by
  private static final double IN_THE_MIDDLE = 0.06;
  private static final int ROUNDS = 3;
  private static final double BETTER = 0.998; // of the misfit, to be worth another shape

  /**
   * Matches.
   *
   * @param reference what is heard
   * @param t its exact template
   * @param from the sounds to begin with
   */
  public Sounds match(Audio reference, Template t, Sounds from, Progress progress) {
    Audio at = new Resampler().resample(reference, EchoRenderer.RATE);
    List<Part> parts = parts(t);
    Mixture some = new Mixture(at, t, SHAPE_SECTION_SECONDS, MOST_SHAPE_SECONDS);
    if (some.isEmpty() || parts.isEmpty()) {
      return from;
    }
    return settled(at, t, shaped(from, parts, some, progress), progress);
  }

  /**
   * Sets level, colour, place and width alone; the sounds themselves stay what they are.
   *
   * @param from sounds whose strips are as they are built in
   */
  public Sounds settled(Audio reference, Template t, Sounds from, Progress progress) {
    Audio at = new Resampler().resample(reference, EchoRenderer.RATE);
    List<Part> parts = parts(t);
    Mixture mixture = new Mixture(at, t, SECTION_SECONDS, MOST_SECONDS);
    if (mixture.isEmpty() || parts.isEmpty()) {
      return from;
    }
    Sounds out = levelled(from, parts, mixture);
    for (int round = 0; round < ROUNDS; round++) {
      progress.step("Matching sounds", 0.8 + 0.2 * round / ROUNDS);
      out = whole(out, parts, mixture);
    }
    return out;
  }

  private static List<Part> parts(Template t) {
    return Part.of(t).stream()
        .filter(p -> t.sections().stream().anyMatch(s -> p.size(s) > 0))
        .toList();
  }

  private static float[][][] alone(Sounds sounds, List<Part> parts, Mixture mixture) {
    return parts.parallelStream().map(p -> mixture.alone(sounds, p)).toArray(float[][][]::new);
  }

  /** Other lengths, then other pitches, where the parts then make up the reference better. */
  private static Sounds shaped(Sounds from, List<Part> parts, Mixture mixture, Progress progress) {
    float[] weights = mixture.weights();
    float[][][] alone = alone(from, parts, mixture);
    for (int p = 0; p < alone.length; p++) {
      alone[p] = Bands.weighed(alone[p], weights);
    }
    float[][] heard = Bands.weighed(mixture.heard(View.MIDDLE), weights);
    Sounds out = from;
    int done = 0;
    for (BiFunction<Sounds, Part, List<Sounds>> others :
        List.<BiFunction<Sounds, Part, List<Sounds>>>of(Shapes::lengths, Shapes::pitches)) {
      for (int p = 0; p < parts.size(); p++) {
        progress.step("Matching sounds", 0.7 * done++ / (2 * parts.size()));
        List<Sounds> tries = others.apply(out, parts.get(p));
        Optional<Tried> best = best(tries, parts.get(p), p, alone, heard, mixture);
        if (best.isPresent()) {
          out = best.get().sounds();
          alone[p] = best.get().bands();
        }
      }
    }
    return out;
  }

  private record Tried(Sounds sounds, float[][] bands, double misfit) {}

  private static Optional<Tried> best(
      List<Sounds> tries, Part part, int p, float[][][] alone, float[][] heard, Mixture mixture) {
    int frames = Math.min(heard.length, alone[p].length);
    float[][] others = new Shares(alone, frames).others(heard, p);
    double before = Shares.misfit(heard, others, alone[p]);
    return tries.parallelStream()
        .map(
            s -> {
              float[][] bands = Bands.weighed(mixture.alone(s, part), mixture.weights());
              return new Tried(s, bands, Shares.misfit(heard, others, bands));
            })
        .min(Comparator.comparingDouble(Tried::misfit))
        .filter(x -> x.misfit() < BETTER * before);
  }

  /** Level, colour, place and width of every part. */
  private static Sounds levelled(Sounds from, List<Part> parts, Mixture mixture) {
    float[][][] alone = alone(from, parts, mixture);
    Shares shares = new Shares(alone, Math.min(mixture.heard(View.MIDDLE).length, alone[0].length));
    List<double[][]> solved =
        IntStream.range(0, View.values().length)
            .parallel()
            .mapToObj(
                v ->
                    v == View.MIDDLE.ordinal()
                        ? shares.coloured(mixture.heard(View.MIDDLE))
                        : new double[][] {shares.gains(mixture.heard(View.values()[v]))})
            .toList();
    double[] left = solved.get(View.LEFT.ordinal())[0];
    double[] right = solved.get(View.RIGHT.ordinal())[0];
    double[] side = solved.get(View.SIDE.ordinal())[0];
    Strip[] strips = new Strip[parts.size()];
    double[] lifts = new double[parts.size()];
    for (int p = 0; p < strips.length; p++) {
      Strip base = from.strip(parts.get(p));
      strips[p] = strip(base, solved.get(0)[p], alone[p]);
      lifts[p] = strips[p].levelDb() - base.levelDb();
    }
    double usual = Arrays.stream(lifts).sorted().toArray()[lifts.length / 2];
    double all = sum(mixture.heard(View.MIDDLE));
    Sounds out = from;
    for (int p = 0; p < strips.length; p++) {
      double over = Math.max(0, lifts[p] - usual - MOST_LIFT_DB);
      Strip strip = strips[p].level(strips[p].levelDb() - over);
      boolean told = sum(alone[p]) * Math.pow(10, lifts[p] / 20) > LEAST_SHARE * all && over == 0;
      out = out.with(parts.get(p), told ? placed(strip, left[p], right[p], side[p]) : strip);
    }
    return out;
  }

  private static double sum(float[][] frames) {
    double sum = 0;
    for (float[] frame : frames) {
      for (float x : frame) {
        sum += x;
      }
    }
    return sum;
  }

  /** Level and colour by the gains of the octaves. */
  private static Strip strip(Strip base, double[] gains, float[][] alone) {
    double[] energy = new double[Colour.BANDS];
    double all = 1e-12;
    double lifted = 1e-12;
    for (float[] frame : alone) {
      for (int b = 0; b < frame.length; b++) {
        energy[Bands.octave(b)] += frame[b] * frame[b];
      }
    }
    for (int o = 0; o < energy.length; o++) {
      all += energy[o];
      lifted += gains[o] * gains[o] * energy[o];
    }
    double level = 10 * Math.log10(lifted / all);
    double[] db = new double[Colour.BANDS];
    for (int o = 0; o < db.length; o++) {
      double off = 20 * Math.log10(Math.max(1e-6, gains[o])) - level;
      db[o] =
          energy[o] < FAINT * FAINT * all
              ? 0
              : Math.max(-MOST_COLOUR_DB, Math.min(MOST_COLOUR_DB, off));
    }
    return base.level(base.levelDb() + level).coloured(Colour.of(db));
  }

  /** Place and width by what is heard of the part on both sides and between them. */
  private static Strip placed(Strip strip, double left, double right, double side) {
    double both = left + right;
    if (!(both > 1e-6)) {
      return strip;
    }
    double pan = 4 / Math.PI * Math.atan2(right, left) - 1;
    double kept = Math.abs(pan) < IN_THE_MIDDLE ? 0 : Math.max(-1, Math.min(1, pan));
    double bySide = Math.abs(left - right) / 2;
    double more = Math.sqrt(Math.max(0, side * side - bySide * bySide)) / (both / 2);
    double angle = (kept + 1) * Math.PI / 4;
    double middle = (Math.cos(angle) + Math.sin(angle)) / Math.sqrt(2); // of what is panned
    return strip
        .panned(kept)
        .wide(Math.min(1, more / MOST_WIDE))
        .level(strip.levelDb() - 20 * Math.log10(middle));
  }

  /** Lays what the echo still lacks on the whole: its level, its colour, that of its sides. */
  private static Sounds whole(Sounds now, List<Part> parts, Mixture mixture) {
    List<float[][]> echo = mixture.echo(now, View.MIDDLE, View.SIDE);
    double[] wanted = Bands.octaves(mixture.heard(View.MIDDLE));
    double[] have = Bands.octaves(echo.get(0));
    double[] wantedSide = Bands.octaves(mixture.heard(View.SIDE));
    double[] haveSide = Bands.octaves(echo.get(1));
    double level = total(wanted) - total(have);
    double[] colour = new double[Colour.BANDS];
    double[] sides = new double[Colour.BANDS];
    for (int o = 0; o < colour.length; o++) {
      colour[o] = now.colour().db().get(o) + wanted[o] - have[o] - level;
      sides[o] = now.sides().db().get(o) + (wantedSide[o] - wanted[o]) - (haveSide[o] - have[o]);
    }
    Sounds out = now.coloured(Colour.of(colour), Colour.of(sides));
    for (Part p : parts) {
      out = out.with(p, out.strip(p).level(out.strip(p).levelDb() + level));
    }
    return out;
  }

  private static double total(double[] octaves) {
    double sum = 0;
    for (double db : octaves) {
      sum += Math.pow(10, db / 10);
    }
    return 10 * Math.log10(sum);
  }
}
