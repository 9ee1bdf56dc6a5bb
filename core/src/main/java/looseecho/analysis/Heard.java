package looseecho.analysis;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Stream;
import looseecho.activity.Activities;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.audio.Audio;
import looseecho.dsp.Chroma;
import looseecho.form.BandLevels;
import looseecho.form.Event;
import looseecho.form.SweepFinder;
import looseecho.form.ThrowFinder;
import looseecho.hits.Envelope;
import looseecho.hits.HatSense;
import looseecho.hits.Hit;
import looseecho.hits.HitDetails;
import looseecho.hits.HitFinder;
import looseecho.hits.KickSense;
import looseecho.hits.PercussionSense;
import looseecho.hits.Strokes;
import looseecho.notes.Chord;
import looseecho.notes.ChordFinder;
import looseecho.notes.Note;
import looseecho.notes.VoicingFinder;
import looseecho.pulse.Beat;
import looseecho.pulse.Pulse;
import looseecho.pulse.Tempos;
import looseecho.reading.Progress;

/** What the ear took in; independent of corrections. Safe to use from several threads. */
public final class Heard {
  private static final double AUDIBLE_DB =
      -50; // below the loudest frame: music begins and ends here

  private final Audio audio;
  private final MelSpectra mel;
  private final Activities activity;
  private final Tempos tempos;
  private final Optional<Pulse> pulse; // as heard, without corrections
  private final Chroma chroma;
  private final Lines lines;
  private final Span music;

  /** Made when they are first needed. */
  private final AtomicReference<BandLevels> levels = new AtomicReference<>();

  private final Latest<Pulse, List<Hit>> hits;
  private final Latest<Pulse, List<Chord>> chords = new Latest<>();
  private final Latest<Held, List<Note>> voiced = new Latest<>();
  private final Latest<Beats, List<Event>> sweeps;
  private final ThrowFinder thrown;
  private final Envelope envelope;
  private final Strokes strokes;
  private final KickSense kicks;
  private final VoicingFinder voicings;

  Heard(
      Audio audio,
      MelSpectra mel,
      Activities activity,
      Tempos tempos,
      Optional<Pulse> pulse,
      Chroma chroma,
      Lines lines,
      Span music) {
    this.audio = audio;
    this.mel = mel;
    this.activity = activity;
    this.tempos = tempos;
    this.pulse = pulse;
    this.chroma = chroma;
    this.lines = lines;
    this.music = music;
    this.hits = new Latest<>();
    this.sweeps = new Latest<>();
    this.thrown = new ThrowFinder(audio);
    this.envelope = new Envelope(mel);
    this.strokes = new Strokes(audio);
    this.kicks = new KickSense(audio);
    this.voicings = new VoicingFinder(audio, lines.bass(), chroma.tuningCents());
  }

  /** False where the lines were not listened for to the end. */
  public boolean isWhole() {
    return lines != Lines.NONE;
  }

  private Heard(Heard half, Lines heard) {
    audio = half.audio;
    mel = half.mel;
    activity = half.activity;
    tempos = half.tempos;
    pulse = half.pulse;
    chroma = half.chroma;
    lines = heard;
    music = half.music;
    hits = half.hits;
    sweeps = half.sweeps;
    thrown = half.thrown;
    envelope = half.envelope;
    strokes = half.strokes;
    kicks = half.kicks;
    voicings = new VoicingFinder(audio, lines.bass(), chroma.tuningCents());
    levels.set(half.levels.get());
  }

  /** The same with its lines; what was measured already stays measured. */
  Heard with(Lines heard) {
    return new Heard(this, heard);
  }

  /** Chords under a pulse. */
  private record Held(List<Chord> chords, Pulse pulse) {}

  /** All of a pulse that moves of level and filter depend on. */
  private record Beats(List<Double> times, int perBar) {}

  /** Both lines of notes as the networks hear them. */
  record Lines(List<Note> bass, List<Note> riff) {
    /** Not heard yet. */
    static final Lines NONE = new Lines(List.of(), List.of());

    Lines {
      bass = List.copyOf(bass);
      riff = List.copyOf(riff);
    }
  }

  /** Where the music begins and ends, and how long the file is, in seconds. */
  record Span(double start, double end, double duration) {
    double[] seconds() {
      return new double[] {start, end};
    }

    static Span of(MelSpectra mel, double duration) {
      int first = 0;
      while (first < mel.frames() - 1 && mel.decibels(first) < AUDIBLE_DB) {
        first++;
      }
      int last = mel.frames() - 1;
      while (last > first && mel.decibels(last) < AUDIBLE_DB) {
        last--;
      }
      return new Span(
          MelSpectra.FRAMES.seconds(first),
          Math.min(duration, MelSpectra.FRAMES.seconds(last + 1)),
          duration);
    }
  }

  /** The hits that belong to a pulse, before the person's decisions about them. */
  List<Hit> hits(Pulse pulse, Progress progress) {
    return hits.get(
        pulse,
        p -> {
          HitFinder finder = new HitFinder(HitFinder.Settings.DEFAULTS);
          List<Hit> found = finder.find(activity, p, progress);
          List<Hit> kicked = kicks.judge(found, finder.faint(activity, Lane.KICK, p));
          List<Hit> played = new PercussionSense(strokes).judge(kicked);
          List<Hit> judged = new HatSense(audio).judge(played);
          return new HitDetails(envelope, strokes, p).complete(judged);
        });
  }

  /** The chords under a pulse. */
  List<Chord> chords(Pulse pulse) {
    return chords.get(pulse, p -> new ChordFinder().find(chroma, lines.bass(), p));
  }

  /** The chords as they are held under a pulse. */
  List<Note> voiced(List<Chord> under, Pulse pulse) {
    return voiced.get(
        new Held(under, pulse), h -> List.copyOf(voicings.find(h.chords(), h.pulse())));
  }

  /** Moves of level and filter over a pulse. */
  List<Event> sweeps(Pulse pulse) {
    List<Double> times = pulse.beats().stream().map(Beat::time).toList();
    return sweeps.get(new Beats(times, pulse.beatsPerBar()), b -> SweepFinder.find(mel, pulse));
  }

  /** The same moves, and the strokes that are thrown into a delay. */
  List<Event> moments(List<Event> sweeps, List<Hit> under, Pulse pulse) {
    return Stream.concat(sweeps.stream(), thrown.find(under, pulse).stream()).toList();
  }

  /** Powers in third octaves, measured when they are first asked for. */
  BandLevels levels() {
    return levels.updateAndGet(l -> l == null ? BandLevels.of(audio) : l);
  }

  MelSpectra mel() {
    return mel;
  }

  Activities activity() {
    return activity;
  }

  Tempos tempos() {
    return tempos;
  }

  /** As heard, without corrections. */
  Optional<Pulse> pulse() {
    return pulse;
  }

  Chroma chroma() {
    return chroma;
  }

  List<Note> bass() {
    return lines.bass();
  }

  List<Note> riff() {
    return lines.riff();
  }

  /** Seconds of the file. */
  double duration() {
    return music.duration();
  }

  /** First and last second of the music. */
  double[] span() {
    return music.seconds();
  }

  /** Second at which the music begins. */
  double start() {
    return music.start();
  }

  /** Second at which the music ends. */
  double end() {
    return music.end();
  }
}
