package looseecho.analysis;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoublePredicate;
import looseecho.activity.LineNet;
import looseecho.activity.Register;
import looseecho.notes.BassDetails;
import looseecho.notes.LineFinder;
import looseecho.notes.Note;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import looseecho.separate.KickWave;

/**
 * Hears the line of the bass: without the kick where its wave is known, unless much of the bass
 * goes out with it, as one does that plays the same with or behind every stroke and so is taken for
 * a part of the wave. A stretch of the mix as it is tells. Immutable.
 */
final class BassEar {
  private static final double LEFT = 0.7; // of the time that the notes last
  private static final int TRIED = 40; // seconds in the middle of a song

  private final LineNet net = LineNet.load(Register.BASS);
  private final LineFinder finder = new LineFinder(LineFinder.Settings.BASS);

  /**
   * The sound that a bass is heard in.
   *
   * @param mono at the rate of {@link Register#BASS}
   * @param rms of the whole mix
   * @param tuningCents above 440 Hz
   * @param kickAt true where a kick drum sounds at a second
   */
  record Sound(float[] mono, double rms, double tuningCents, DoublePredicate kickAt) {
    static Sound of(float[] mix, double tuningCents, DoublePredicate kickAt) {
      return new Sound(mix, LineNet.level(mix), tuningCents, kickAt);
    }

    /** Some seconds in the middle. */
    Sound middle(int seconds) {
      int from = from(seconds);
      int to = Math.min(mono.length, from + seconds * Register.BASS.rate());
      return new Sound(Arrays.copyOfRange(mono, from, to), rms, tuningCents, kickAt);
    }

    /** The sample at which they begin. */
    int from(int seconds) {
      return Math.max(0, (mono.length - seconds * Register.BASS.rate()) / 2);
    }

    Sound without(KickWave kick) {
      return new Sound(kick.without(mono, Register.BASS.rate()), rms, tuningCents, kickAt);
    }
  }

  /** The notes. */
  List<Note> find(Sound sound, Optional<Pulse> pulse, KickWave kick, Progress progress) {
    if (kick != KickWave.NONE) {
      Sound clear = sound.without(kick);
      List<Note> notes = listen(clear, pulse, progress);
      double from = (double) sound.from(TRIED) / Register.BASS.rate();
      List<Note> mixed = listen(sound.middle(TRIED), Optional.empty(), progress);
      if (shared(mixed, from, notes) >= LEFT * seconds(mixed)) {
        return complete(clear, notes);
      }
    }
    return complete(sound, listen(sound, pulse, progress));
  }

  private List<Note> listen(Sound sound, Optional<Pulse> pulse, Progress progress) {
    return finder.find(net.run(sound.mono(), sound.rms(), sound.tuningCents(), progress), pulse);
  }

  private static List<Note> complete(Sound sound, List<Note> notes) {
    return new BassDetails(sound.mono(), Register.BASS.rate(), sound.tuningCents(), sound.kickAt())
        .complete(notes);
  }

  private static double seconds(List<Note> notes) {
    return notes.stream().mapToDouble(n -> n.end() - n.start()).sum();
  }

  /**
   * Seconds in which two lines sound the same pitch; each is in order of time.
   *
   * @param later by how much the times of {@code a} are to be moved
   */
  private static double shared(List<Note> a, double later, List<Note> b) {
    double sum = 0;
    int first = 0;
    for (Note n : a) {
      double start = n.start() + later;
      double end = n.end() + later;
      while (first < b.size() && b.get(first).end() <= start) {
        first++;
      }
      for (int k = first; k < b.size() && b.get(k).start() < end; k++) {
        if (b.get(k).pitch() == n.pitch()) {
          sum += Math.min(end, b.get(k).end()) - Math.max(start, b.get(k).start());
        }
      }
    }
    return sum;
  }
}
