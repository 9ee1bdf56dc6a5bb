package looseecho.notes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.dsp.Goertzel;
import looseecho.pulse.Pulse;
import looseecho.reading.Together;

/**
 * Hears what is held of a chord: in which octaves its tones lie, and when they sound.
 *
 * <p>Octaves by harmonic summation with cancellation: of the chord's pitches the one with the
 * strongest partials is taken, its partials are taken off the spectrum, and so on (Klapuri,
 * "Multiple fundamental frequency estimation by summing harmonic amplitudes", ISMIR 2006); those of
 * the bass are taken off first. Gates by the level of the voicing's first partials, sixteenth by
 * sixteenth, through a window that is shorter than one.
 */
public final class VoicingFinder {
  private static final int LOWEST = 48; // MIDI numbers of what a chord is made of
  private static final int HIGHEST = 84;
  private static final int MOST = 6; // tones
  private static final int PARTIALS = 8;
  private static final double FALL = 0.85; // weight from one partial to the next
  private static final double LEAST = 0.3; // of the strongest tone, for one that repeats another
  private static final int WINDOW = 8192;
  private static final int LOOKS = 6; // spectra a chord
  private static final double TAKEN = 0.9; // of a partial that is explained
  private static final double OFF_DB = 10; // below the loud steps of a chord
  private static final double AGAIN_DB = 9; // a rise that is a new stroke
  private static final double LOUD = 0.8; // the quantile that stands for the loud steps
  private static final double SHORT_SECONDS = 0.075;
  private static final int LOUDNESS = 72;

  private final Audio audio;
  private final List<Note> bass;
  private final double tuning;

  /** What was heard before, so that a beat that is moved lets no chord be heard again. */
  private final Map<Chord, Set<Integer>> voicings = new ConcurrentHashMap<>();

  private final Map<Moment, Double> levels = new ConcurrentHashMap<>();

  private record Moment(Set<Integer> voicing, int centre) {}

  /**
   * For a track; any thread.
   *
   * @param bass its notes, whose partials are none of a chord's
   * @param tuningCents against 440 Hz
   */
  public VoicingFinder(Audio audio, List<Note> bass, double tuningCents) {
    this.audio = audio;
    this.bass = List.copyOf(bass);
    this.tuning = Math.pow(2, tuningCents / 1200);
  }

  /** The notes of all chords under a pulse, in order of time; those of "no chord" are none. */
  public List<Note> find(List<Chord> chords, Pulse pulse) {
    List<Chord> sounding = chords.stream().filter(Chord::sounds).toList();
    return Together.map(sounding, c -> notes(c, pulse)).stream()
        .flatMap(List::stream)
        .sorted(java.util.Comparator.comparingDouble(Note::start).thenComparingInt(Note::pitch))
        .toList();
  }

  private List<Note> notes(Chord c, Pulse pulse) {
    Set<Integer> voicing = voicings.computeIfAbsent(c, this::voicing);
    List<Note> out = new ArrayList<>();
    for (double[] gate : gates(c, voicing, pulse)) {
      for (int pitch : voicing) {
        out.add(new Note(gate[0], gate[1], pitch, LOUDNESS, c.confidence()));
      }
    }
    return out;
  }

  private double hertz(int pitch) {
    return 440 * tuning * Math.pow(2, (pitch - 69) / 12.0);
  }

  private Set<Integer> voicing(Chord c) {
    double[] spectrum = spectrum(c);
    double binHz = (double) audio.sampleRate() / WINDOW;
    bass.stream()
        .filter(n -> n.start() < c.end() && n.end() > c.start())
        .mapToInt(Note::pitch)
        .distinct()
        .forEach(p -> take(spectrum, hertz(p), binHz, 2));
    int[] allowed =
        IntStream.rangeClosed(LOWEST, HIGHEST)
            .filter(
                p -> Arrays.stream(c.kind().tones()).anyMatch(t -> (c.root() + t) % 12 == p % 12))
            .toArray();
    Set<Integer> out = new TreeSet<>();
    Set<Integer> classes = new HashSet<>();
    Set<Integer> tried = new HashSet<>();
    double first = 0;
    for (int round = 0; round < allowed.length && out.size() < MOST; round++) {
      int best = -1;
      double most = 0;
      for (int p : allowed) {
        double s = tried.contains(p) ? 0 : salience(spectrum, hertz(p), binHz);
        if (s > most) {
          most = s;
          best = p;
        }
      }
      if (best < 0) {
        break;
      }
      first = Math.max(first, most);
      tried.add(best);
      // A class of its own is part of the chord however soft; a doubling has to be heard.
      if (most >= LEAST * first || !classes.contains(best % 12)) {
        out.add(best);
        classes.add(best % 12);
      }
      take(spectrum, hertz(best), binHz, 1);
    }
    return out;
  }

  /** Mean magnitudes over the chord. */
  private double[] spectrum(Chord c) {
    Fft fft = new Fft(WINDOW, WINDOW);
    double[] sum = new double[fft.bins()];
    float[] magnitudes = new float[fft.bins()];
    double from = c.start() * audio.sampleRate() + WINDOW / 4.0;
    double to = Math.max(from, c.end() * audio.sampleRate() - WINDOW / 4.0);
    for (int k = 0; k < LOOKS; k++) {
      int centre = (int) (from + (to - from) * (k + 0.5) / LOOKS);
      int start = Math.max(0, Math.min(audio.length(), centre - WINDOW / 2));
      int end = Math.max(start, Math.min(audio.length(), centre + WINDOW / 2));
      fft.magnitudes(audio.mono(start, end), centre - start, magnitudes);
      for (int b = 0; b < sum.length; b++) {
        sum[b] += magnitudes[b] / LOOKS;
      }
    }
    return sum;
  }

  private static double salience(double[] spectrum, double hz, double binHz) {
    double sum = 0;
    double weight = 1;
    for (int h = 1; h <= PARTIALS; h++) {
      sum += weight * peak(spectrum, h * hz / binHz);
      weight *= FALL;
    }
    return sum * (0.2 + peak(spectrum, hz / binHz) / (1e-9 + sum)); // a tone has its own pitch
  }

  private static double peak(double[] spectrum, double bin) {
    double most = 0;
    int reach = (int) Math.max(1, Math.round(0.02 * bin));
    for (int b = (int) Math.round(bin) - reach; b <= Math.round(bin) + reach; b++) {
      most = b >= 0 && b < spectrum.length ? Math.max(most, spectrum[b]) : most;
    }
    return most;
  }

  /** Takes a tone's partials off: the first few as strong as they are, the others as a saw's. */
  private static void take(double[] spectrum, double hz, double binHz, int full) {
    double own = peak(spectrum, hz / binHz);
    for (int h = 1; h <= PARTIALS; h++) {
      double most = Math.min(h <= full ? own : own / h, peak(spectrum, h * hz / binHz));
      int centre = (int) Math.round(h * hz / binHz);
      int reach = (int) Math.max(2, Math.round(0.02 * centre));
      for (int b = Math.max(0, centre - reach);
          b <= Math.min(spectrum.length - 1, centre + reach);
          b++) {
        spectrum[b] = Math.max((1 - TAKEN) * spectrum[b], spectrum[b] - TAKEN * most);
      }
    }
  }

  /** Stretches in which a chord's tones sound, from and to in seconds. */
  private List<double[]> gates(Chord c, Set<Integer> voicing, Pulse pulse) {
    int steps = pulse.stepsPerBeat();
    long first = Math.round(pulse.beatsAt(c.start()) * steps);
    int count = (int) Math.max(1, Math.round(pulse.beatsAt(c.end()) * steps) - first);
    double[] level = new double[count];
    for (int k = 0; k < count; k++) {
      double time = pulse.timeAt((double) (first + k) / steps);
      double next = pulse.timeAt((double) (first + k + 1) / steps);
      int centre = (int) ((time + next) / 2 * audio.sampleRate());
      level[k] = levels.computeIfAbsent(new Moment(voicing, centre), this::level);
    }
    double[] sorted = level.clone();
    Arrays.sort(sorted);
    double off = sorted[(int) (LOUD * (count - 1))] - OFF_DB;
    List<double[]> out = new ArrayList<>();
    int open = -1;
    for (int k = 0; k <= count; k++) {
      boolean on = k < count && level[k] > off;
      boolean again = on && k > 0 && level[k] > level[k - 1] + AGAIN_DB;
      if (open >= 0 && (!on || again)) {
        out.add(
            new double[] {
              pulse.timeAt((double) (first + open) / steps),
              pulse.timeAt((double) (first + k) / steps)
            });
        open = -1;
      }
      open = on && open < 0 ? k : open;
    }
    return out;
  }

  /** Decibels of the voicing's first two partials around a moment. */
  private double level(Moment m) {
    int half = (int) (SHORT_SECONDS / 2 * audio.sampleRate());
    int from = Math.max(0, Math.min(audio.length(), m.centre() - half));
    int to = Math.max(from, Math.min(audio.length(), m.centre() + half));
    Goertzel tones = new Goertzel(audio.mono(from, to), audio.sampleRate());
    double power = 1e-12;
    for (int pitch : m.voicing()) {
      power += tones.power(hertz(pitch)) + tones.power(2 * hertz(pitch));
    }
    return 10 * Math.log10(power);
  }
}
