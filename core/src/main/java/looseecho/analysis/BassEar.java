package looseecho.analysis;

import java.util.List;
import java.util.Optional;
import java.util.function.DoublePredicate;
import looseecho.activity.LineActivity;
import looseecho.activity.LineNet;
import looseecho.activity.Register;
import looseecho.notes.BassDetails;
import looseecho.notes.LineFinder;
import looseecho.notes.Note;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import looseecho.separate.KickWave;

/**
 * Hears the line of the bass, first under everything else and then once more without the kick,
 * where its wave is known. What is heard then counts, unless much of the bass went out with the
 * kick: one that plays the same with or behind every stroke is taken for its wave. Immutable.
 */
final class BassEar {
  private static final double LEFT = 0.7; // of the time that the notes last

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

    Sound without(KickWave kick) {
      return new Sound(kick.without(mono, Register.BASS.rate()), rms, tuningCents, kickAt);
    }
  }

  /** How likely each pitch sounds. */
  LineActivity listen(Sound sound, Progress progress) {
    return net.run(sound.mono(), sound.rms(), sound.tuningCents(), progress);
  }

  /** The notes. */
  List<Note> find(
      Sound sound, LineActivity first, Optional<Pulse> pulse, KickWave kick, Progress progress) {
    List<Note> heard = finder.find(first, pulse);
    if (kick == KickWave.NONE) {
      return complete(sound, heard);
    }
    Sound clear = sound.without(kick);
    List<Note> again = finder.find(listen(clear, progress), pulse);
    return shared(heard, again) < LEFT * seconds(heard)
        ? complete(sound, heard)
        : complete(clear, again);
  }

  private static List<Note> complete(Sound sound, List<Note> notes) {
    return new BassDetails(sound.mono(), Register.BASS.rate(), sound.tuningCents(), sound.kickAt())
        .complete(notes);
  }

  private static double seconds(List<Note> notes) {
    return notes.stream().mapToDouble(n -> n.end() - n.start()).sum();
  }

  /** Seconds in which two lines sound the same pitch; each is in order of time. */
  private static double shared(List<Note> a, List<Note> b) {
    double sum = 0;
    int first = 0;
    for (Note n : a) {
      while (first < b.size() && b.get(first).end() <= n.start()) {
        first++;
      }
      for (int k = first; k < b.size() && b.get(k).start() < n.end(); k++) {
        if (b.get(k).pitch() == n.pitch()) {
          sum += Math.min(n.end(), b.get(k).end()) - Math.max(n.start(), b.get(k).start());
        }
      }
    }
    return sum;
  }
}
