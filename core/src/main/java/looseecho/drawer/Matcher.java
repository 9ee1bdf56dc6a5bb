package looseecho.drawer;

import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.palette.HeardSound;
import looseecho.palette.Picture;
import looseecho.palette.PictureDistance;
import looseecho.palette.Region;
import looseecho.palette.SoundClass;
import looseecho.reading.Progress;
import looseecho.synth.Retuner;

/**
 * Finds the samples of the drawer that come nearest to a heard sound: all by their kept pictures,
 * the nearest of these again, tuned up and down by at most two semitones.
 */
public final class Matcher {
  private static final int RATE = 44100;
  private static final int CLOSER = 40; // samples that are looked at again
  private static final int MOST_SEMITONES = 2; // common practice: kicks and snares bear no more
  private static final int MOST_FOR_NOTES = 24; // an instrument's sample still sounds like itself
  private static final double TUNED_DB = 0.25; // that being tuned has to be worth, per semitone
  private static final double OTHER_CLASS_DB = 2.5; // that another kind of sound has to be nearer

  private record Rough(Entry entry, double distance) {}

  /** The nearest samples, the best first. */
  public List<Match> match(HeardSound heard, List<Entry> drawer, int most, Progress progress) {
    return match(heard, Region.WHOLE, drawer, most, progress);
  }

  /** The nearest in one region of the sound, whatever they are: a tail for a snare. */
  public List<Match> match(
      HeardSound heard, Region region, List<Entry> drawer, int most, Progress progress) {
    if (region != Region.WHOLE) {
      return drawer.parallelStream()
          .map(e -> of(heard, region, e, e.picture(), 0, 0))
          .sorted(Comparator.comparingDouble(Match::distance))
          .filter(m -> there(m.entry()))
          .limit(most)
          .toList();
    }
    SoundClass wanted = heard.what();
    List<Rough> rough =
        drawer.parallelStream()
            .map(e -> new Rough(e, rough(heard, e) + cost(e, wanted)))
            .sorted(Comparator.comparingDouble(Rough::distance))
            .filter(r -> there(r.entry()))
            .limit(CLOSER)
            .toList();
    progress.at("Looking through the drawer", 0.5);
    return rough.parallelStream()
        .map(r -> closer(heard, r.entry(), cost(r.entry(), wanted)))
        .sorted(Comparator.comparingDouble(Match::distance))
        .limit(most)
        .toList();
  }

  /** Folders come and go with their disks; what is not there now can't be taken. */
  private static boolean there(Entry e) {
    return Files.exists(e.file());
  }

  private static double cost(Entry e, SoundClass wanted) {
    return e.what() == wanted ? 0 : OTHER_CLASS_DB * e.confidence();
  }

  /** By the kept picture, moved by whole bands for what may be tuned. */
  private static double rough(HeardSound heard, Entry e) {
    if (isNote(heard)) {
      Picture there = e.picture().moved(Picture.bands(interval(heard, e)));
      return PictureDistance.between(heard.picture(), there).distance();
    }
    double best = PictureDistance.between(heard.picture(), e.picture()).distance();
    for (int bands : new int[] {-1, 1}) {
      Picture there = e.picture().moved(bands);
      best = Math.min(best, PictureDistance.between(heard.picture(), there).distance() + 0.3);
    }
    return best;
  }

  private static boolean isNote(HeardSound heard) {
    return !heard.pitches().isEmpty();
  }

  /** Semitones from a sample's pitch to the lowest that is heard; 0 where it has none. */
  private static int interval(HeardSound heard, Entry e) {
    if (e.like().pitchHz() <= 0) {
      return 0;
    }
    double own = 69 + 12 * Math.log(e.like().pitchHz() / 440) / Math.log(2);
    int by = (int) Math.round(heard.pitches().get(0) - own);
    return Math.max(-MOST_FOR_NOTES, Math.min(MOST_FOR_NOTES, by));
  }

  /** How a sample may be tuned: a drum a little either way, a note to the pitch that is heard. */
  private static int[] tunings(HeardSound heard, Entry e) {
    return isNote(heard)
        ? new int[] {interval(heard, e)}
        : IntStream.rangeClosed(-MOST_SEMITONES, MOST_SEMITONES).toArray();
  }

  private static Match closer(HeardSound heard, Entry e, double cost) {
    List<Match> tries = new ArrayList<>();
    tries.add(of(heard, Region.WHOLE, e, e.picture(), 0, cost));
    try {
      Audio audio = new AudioReader().oneShot(e.file(), Progress.NONE);
      float[] x = new Resampler().resample(audio, RATE).mono();
      Retuner retuner = new Retuner(RATE);
      for (int by : tunings(heard, e)) {
        if (by != 0) {
          float[] tuned = retuner.bySpeed(x, by);
          tries.add(of(heard, Region.WHOLE, e, Picture.of(tuned, Picture.attack(tuned)), by, cost));
        }
      }
    } catch (IOException gone) {
      System.getLogger(Matcher.class.getName())
          .log(System.Logger.Level.DEBUG, "can't be read any more: " + e.file(), gone);
    }
    return tries.stream().min(Comparator.comparingDouble(Match::distance)).orElseThrow();
  }

  private static Match of(
      HeardSound heard, Region region, Entry e, Picture p, int semitones, double cost) {
    PictureDistance.Found f = PictureDistance.between(heard.picture(), p, region);
    double tuned = isNote(heard) ? 0 : TUNED_DB * Math.abs(semitones);
    return new Match(
        e, f.distance() + cost + tuned, semitones, f.gainDb(), f.shorterDbPerSecond() > 0);
  }
}
