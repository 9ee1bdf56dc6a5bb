package looseecho.palette;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import looseecho.dsp.Biquad;
import looseecho.echo.DrumPart;
import looseecho.echo.HeardDrums;
import looseecho.echo.Part;
import looseecho.hits.Hit;
import looseecho.layers.HeardLayer;
import looseecho.layers.RoomMeter;
import looseecho.reading.Progress;
import looseecho.separate.Separator;
import looseecho.separate.Stem;
import looseecho.separate.StemSound;

/**
 * Cuts the sounds of a reference's drums out: of each part the strokes that most play alone,
 * aligned by their attacks, and the median of their pictures, which leaves out what plays beside
 * some of them only.
 */
public final class HeardSounds {
  private static final int RATE = Picture.RATE;
  private static final int MOST = 16; // strokes
  private static final double MOST_SECONDS = 15 * 60; // that are held as a whole
  private static final double BEFORE = 0.03; // seconds in which another stroke disturbs
  private static final double AFTER = 0.25;
  private static final double LONGEST = 0.8;
  private static final double AROUND = 2; // seconds that the separator wants to hear around it
  private static final double SEARCH = 0.012;
  private static final double KICK_HZ = 350; // below it the kick's wave is known

  private HeardSounds() {}

  private record Stroke(Hit hit, double clean) {}

  /** All sounds of a track, drums first; of a long one, those of its beginning. */
  public static List<HeardSound> of(Audio reference, Analysis heard) {
    Audio at = beginning(reference);
    Separator parted = new Separator(at, heard.hits());
    List<HeardSound> drums = of(parted, heard.hits(), Set.of());
    Map<Part, HeardLayer.Room> rooms = RoomMeter.behind(at, heard.hits());
    List<HeardSound> out = new ArrayList<>();
    drums.forEach(d -> out.add(d.in(Optional.ofNullable(rooms.get(d.part())))));
    out.addAll(new HeardNotes(parted, heard).find());
    return out;
  }

  private static Audio beginning(Audio reference) {
    int most = (int) Math.min(reference.length(), MOST_SECONDS * reference.sampleRate());
    return new Resampler().resample(reference.slice(0, most), RATE);
  }

  /** The drums' sounds, in the order of their parts; of a long track, those of its beginning. */
  public static List<HeardSound> of(Audio reference, List<Hit> all) {
    return of(reference, all, Set.of());
  }

  /**
   * The same from some strokes only, where a part has any of them: two recordings are compared by
   * the same strokes of both.
   */
  public static List<HeardSound> of(Audio reference, List<Hit> all, Set<Hit> only) {
    return of(new Separator(beginning(reference), all), all, only);
  }

  private static List<HeardSound> of(Separator parted, List<Hit> all, Set<Hit> only) {
    Audio at = parted.audio();
    Song song = Song.of(parted);
    List<Hit> hits = all.stream().filter(h -> h.time() < at.duration()).toList();
    HeardDrums drums = HeardDrums.of(hits);
    List<HeardSound> out = new ArrayList<>();
    drums
        .hits()
        .forEach(
            (part, own) -> {
              String name = drums.names().getOrDefault(part, part.words());
              List<Hit> wanted = own.stream().filter(only::contains).toList();
              if (!own.isEmpty()) {
                out.add(
                    sound(part, name, cleanest(wanted.isEmpty() ? own : wanted, hits), hits, song));
              }
            });
    return out;
  }

  /** The strokes of all parts that others disturb least: those that sounds are cut from. */
  public static List<Hit> cleanest(List<Hit> all) {
    return HeardDrums.of(all).hits().values().stream()
        .flatMap(own -> cleanest(own, all).stream())
        .map(Stroke::hit)
        .toList();
  }

  private static List<Stroke> cleanest(List<Hit> own, List<Hit> all) {
    List<Stroke> strokes =
        own.stream()
            .map(h -> new Stroke(h, clean(h, all)))
            .sorted(
                Comparator.comparingDouble((Stroke s) -> -s.clean())
                    .thenComparing(s -> -s.hit().velocity()))
            .limit(MOST)
            .toList();
    return strokes.stream().filter(s -> s.clean() > strokes.get(0).clean() - 0.25).toList();
  }

  private static HeardSound sound(
      DrumPart part, String name, List<Stroke> taken, List<Hit> all, Song song) {
    float[] mono = song.mono();
    List<Integer> attacks = taken.stream().map(t -> attack(mono, t.hit().time())).toList();
    List<Integer> ends = taken.stream().map(t -> next(t.hit(), all, mono.length)).toList();
    int from = attack(mono, taken.get(0).hit().time());
    return new HeardSound(
        part,
        name,
        List.of(),
        cut(
            song.sound(),
            from,
            end(part, taken.get(0).hit(), all, mono.length),
            Stem.of(part.lane())),
        Picture.heard(song.near(part), attacks, ends),
        taken.size(),
        taken.get(0).clean(),
        Optional.empty());
  }

  /**
   * A song, and both sides as one.
   *
   * @param kick without what sounds beside the kick's low end, where that is known
   */
  private record Song(Separator sound, float[] mono, float[] kick) {
    static Song of(Separator sound) {
      float[] mono = sound.audio().mono();
      float[] kick = mono.clone();
      Biquad.highPass(RATE, KICK_HZ, Biquad.BUTTERWORTH).run(kick);
      Biquad.highPass(RATE, KICK_HZ, Biquad.BUTTERWORTH).run(kick);
      return new Song(sound, mono, sound.addKick(0, kick, 1) ? kick : mono);
    }

    /** Where a part is least covered by others. */
    float[] near(DrumPart part) {
      return part.lane().base() == Lane.KICK ? kick : mono;
    }
  }

  /** The sample at which the next stroke of the same group falls, or the sound is long enough. */
  private static int end(DrumPart part, Hit h, List<Hit> all, int length) {
    List<Hit> group = all.stream().filter(o -> Stem.of(o.lane()) == Stem.of(part.lane())).toList();
    int longest = (int) (h.time() * RATE + LONGEST * RATE);
    return Math.min(Math.min(longest, length), next(h, group, length));
  }

  /** A stretch of a group of sounds, parted from what else plays. */
  static float[] cut(Separator song, int from, int to, Stem stem) {
    int begin = (int) Math.max(0, from - AROUND * RATE);
    int end = (int) Math.min(song.audio().length(), to + AROUND * RATE);
    if (to <= from) {
      return new float[1];
    }
    float[] group =
        new StemSound().of(song.stretch(begin, end), EnumSet.of(stem), Progress.NONE).mono();
    float[] out = java.util.Arrays.copyOfRange(group, from - begin, to - begin);
    int fade = Math.min(out.length, RATE / 100);
    for (int i = 0; i < fade; i++) {
      out[out.length - 1 - i] *= (float) i / fade;
    }
    return out;
  }

  /** The sample at which the next stroke of anything falls, or the sound ends. */
  private static int next(Hit h, List<Hit> all, int end) {
    return all.stream()
        .mapToDouble(Hit::time)
        .filter(t -> t > h.time() + BEFORE)
        .mapToInt(t -> (int) (t * RATE))
        .min()
        .orElse(end);
  }

  /** 1 where nothing else is struck near a stroke, 0 where another falls on it. */
  private static double clean(Hit h, List<Hit> all) {
    double clean = 1;
    for (Hit o : all) {
      double apart = o.time() - h.time();
      if (o != h && apart > -AFTER && apart < AFTER) {
        double cost =
            Math.abs(apart) < BEFORE && o.lane() != h.lane()
                ? 1
                : apart > 0 ? 0.5 * (1 - apart / AFTER) : 0.3 * (1 + apart / AFTER);
        clean -=
            cost * (0.4 + 0.6 * Math.min(1, o.velocity() / (double) Math.max(1, h.velocity())));
      }
    }
    return Math.max(0, clean);
  }

  /** The sample near a time at which the sound rises most steeply. */
  static int attack(float[] x, double time) {
    int centre = (int) (time * RATE);
    int reach = (int) (SEARCH * RATE);
    int step = 16;
    int best = centre;
    double most = -1;
    for (int at = centre - reach; at <= centre + reach; at += step) {
      double before = energy(x, at - 132, at);
      double after = energy(x, at, at + 132);
      double rise = (after - before) * (after / (before + 1e-7) > 2 ? 1 : 0.3);
      if (rise > most) {
        most = rise;
        best = at;
      }
    }
    return Math.max(0, best - 24);
  }

  private static double energy(float[] x, int from, int to) {
    double sum = 0;
    for (int i = Math.max(0, from); i < Math.min(x.length, to); i++) {
      sum += x[i] * x[i];
    }
    return sum;
  }
}
