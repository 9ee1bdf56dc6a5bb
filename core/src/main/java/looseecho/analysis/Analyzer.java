package looseecho.analysis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Activities;
import looseecho.activity.ActivityNet;
import looseecho.activity.BassNet;
import looseecho.activity.MelSpectra;
import looseecho.audio.Audio;
import looseecho.audio.MonoBlocks;
import looseecho.audio.Resampler;
import looseecho.dsp.Chroma;
import looseecho.dsp.ToneSpectra;
import looseecho.form.Form;
import looseecho.form.SectionFinder;
import looseecho.hits.Feel;
import looseecho.hits.Hit;
import looseecho.hits.HitDetails;
import looseecho.hits.HitFinder;
import looseecho.hits.HitMark;
import looseecho.notes.BassFinder;
import looseecho.notes.Chord;
import looseecho.notes.ChordFinder;
import looseecho.notes.Key;
import looseecho.notes.KeyFinder;
import looseecho.notes.Note;
import looseecho.notes.Tonality;
import looseecho.pulse.Pulse;
import looseecho.pulse.PulseFinder;
import looseecho.pulse.PulseSettings;
import looseecho.pulse.Tempos;
import looseecho.reading.Progress;
import looseecho.reading.Reading;

/**
 * Hears a whole reference. Two steps, so that a correction does not cost the long one again: {@link
 * #listen} does the work that no correction changes, {@link #read} draws the readings from it.
 * Immutable and thread-safe.
 */
public final class Analyzer {
  private static final int CHROMA_HOP = 2205; // 50 ms

  private final ActivityNet net = ActivityNet.load();
  private final BassNet bassNet = BassNet.load();
  private final PulseFinder pulses = new PulseFinder(PulseSettings.DEFAULTS);

  /** What the ear took in; independent of corrections. */
  public static final class Heard {
    private final MelSpectra mel;
    private final Activities activity;
    private final Tempos tempos;
    private final Chroma chroma;
    private final List<Note> bass;
    private final double duration;
    private final double start;
    private final double end;

    private Heard(
        MelSpectra mel,
        Activities activity,
        Tempos tempos,
        Chroma chroma,
        List<Note> bass,
        double duration) {
      this.mel = mel;
      this.activity = activity;
      this.tempos = tempos;
      this.chroma = chroma;
      this.bass = List.copyOf(bass);
      this.duration = duration;
      int first = 0;
      while (first < mel.frames() - 1 && mel.decibels(first) < AUDIBLE_DB) {
        first++;
      }
      int last = mel.frames() - 1;
      while (last > first && mel.decibels(last) < AUDIBLE_DB) {
        last--;
      }
      this.start = (double) first / MelSpectra.FPS;
      this.end = Math.min(duration, (last + 1.0) / MelSpectra.FPS);
    }
  }

  private static final double AUDIBLE_DB =
      -50; // below the loudest frame: music begins and ends here

  /** Both steps at once. */
  public Analysis analyse(Audio audio, Corrections corrections, Progress progress) {
    return read(listen(audio, progress), corrections, progress);
  }

  /** The long step: spectra, the network, tones and bass. */
  public Heard listen(Audio audio, Progress progress) {
    MonoBlocks blocks = new MonoBlocks(audio, MelSpectra.RATE);
    MelSpectra.Builder mels = new MelSpectra.Builder(blocks.length(), blocks.rms());
    Chroma.Builder tones = new Chroma.Builder((double) CHROMA_HOP / MelSpectra.RATE);
    float[] low =
        new float[(int) Math.ceil((double) blocks.length() * BassNet.RATE / MelSpectra.RATE)];
    for (int i = 0; i < blocks.count(); i++) {
      MonoBlocks.Block b = blocks.get(i);
      mels.add(b.samples(), b.first(), b.from(), lastOf(blocks, i), progress);
      tones.add(tones(b, progress));
      low(b, low);
    }
    MelSpectra mel = mels.done();
    Activities activity = net.run(mel, progress);
    Tempos tempos = pulses.hear(activity, progress);
    Chroma chroma = tones.done();
    List<Note> bass =
        new BassFinder(BassFinder.Settings.DEFAULTS)
            .find(bassNet.run(low, chroma.tuningCents(), progress));
    return new Heard(mel, activity, tempos, chroma, bass, audio.duration());
  }

  /** The last block also takes the frame that is centred behind the last sample. */
  private static int lastOf(MonoBlocks blocks, int i) {
    int next = (i + 1) * MonoBlocks.SECONDS * MelSpectra.RATE;
    return i == blocks.count() - 1 ? blocks.length() + MelSpectra.HOP : next;
  }

  private static ToneSpectra tones(MonoBlocks.Block b, Progress progress) {
    int from = (b.from() - b.first()) / CHROMA_HOP;
    int to = (b.to() - b.first() + CHROMA_HOP - 1) / CHROMA_HOP;
    return ToneSpectra.of(b.samples(), MelSpectra.RATE, 8192, 8192, CHROMA_HOP, from, to, progress);
  }

  private static void low(MonoBlocks.Block b, float[] low) {
    float[] part = new Resampler().resample(b.samples(), MelSpectra.RATE, BassNet.RATE);
    int skip = (int) ((long) (b.from() - b.first()) * BassNet.RATE / MelSpectra.RATE);
    int at = (int) ((long) b.from() * BassNet.RATE / MelSpectra.RATE);
    int count = (int) Math.ceil((double) (b.to() - b.from()) * BassNet.RATE / MelSpectra.RATE);
    System.arraycopy(
        part, skip, low, at, Math.min(count, Math.min(part.length - skip, low.length - at)));
  }

  /** The quick step: readings under the person's corrections. */
  public Analysis read(Heard heard, Corrections wanted, Progress progress) {
    List<String> notes = new ArrayList<>();
    Optional<Pulse> pulse =
        pulses.find(heard.activity, heard.tempos, heard.start, heard.end, wanted.pulse());
    if (heard.end - heard.start < 1) {
      pulse = Optional.empty();
      notes.add("There is next to no sound in this file.");
    } else if (pulse.isEmpty()) {
      notes.add("No beat could be found. Open a longer piece, or one with a clearer pulse.");
    }
    Form form = new Form(List.of(), List.of(), List.of());
    List<Hit> hits = List.of();
    Feel feel = Feel.NONE;
    List<Chord> chords = List.of();
    if (pulse.isPresent()) {
      List<Hit> found =
          new HitFinder(HitFinder.Settings.DEFAULTS).find(heard.activity, pulse.get(), progress);
      hits =
          HitMark.apply(
              wanted.hits(), new HitDetails(heard.mel, pulse.get()).complete(found), pulse.get());
      feel = Feel.of(hits, pulse.get());
      chords = new ChordFinder().find(heard.chroma, heard.bass, pulse.get());
      var material =
          new SectionFinder.Material(
              heard.mel,
              heard.chroma,
              heard.activity,
              pulse.get(),
              hits,
              heard.bass,
              heard.end,
              wanted.sections());
      form = new SectionFinder().find(material, progress);
    }
    Reading<Key> key = key(heard);
    Reading<Key> settled = wanted.key().map(key::corrected).orElse(key);
    progress.step("Done", 1);
    return new Analysis(
        heard.duration,
        pulse,
        form,
        hits,
        feel,
        new Tonality(settled, heard.chroma.tuningCents(), chords, heard.bass),
        notes);
  }

  private static Reading<Key> key(Heard heard) {
    double[] all = heard.chroma.sum(heard.start, heard.end);
    double[] tones = new double[12];
    for (int c = 0; c < 12; c++) {
      tones[c] = all[c] + 0.5 * all[12 + c];
    }
    double[] bass = new double[12];
    for (Note n : heard.bass) {
      bass[n.pitch() % 12] += n.end() - n.start();
    }
    return new KeyFinder().find(tones, bass);
  }
}
