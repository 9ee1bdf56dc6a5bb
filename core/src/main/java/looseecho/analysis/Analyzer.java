package looseecho.analysis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import looseecho.audio.Audio;
import looseecho.form.Event;
import looseecho.form.Form;
import looseecho.form.SectionFinder;
import looseecho.hits.Feel;
import looseecho.hits.GridFinder;
import looseecho.hits.Hit;
import looseecho.hits.HitMark;
import looseecho.notes.Chord;
import looseecho.notes.FigureFinder;
import looseecho.notes.Key;
import looseecho.notes.KeyFinder;
import looseecho.notes.Note;
import looseecho.notes.TonalContent;
import looseecho.notes.Tonality;
import looseecho.pulse.Pulse;
import looseecho.pulse.PulseFinder;
import looseecho.pulse.PulseSettings;
import looseecho.reading.Progress;
import looseecho.reading.Reading;
import looseecho.reading.Together;

/**
 * Hears a whole reference. Two steps, so that a correction does not cost the long one again: {@link
 * #listen} does the work that no correction changes, {@link #read} draws the readings from it.
 * Immutable and thread-safe.
 */
public final class Analyzer {
  /**
   * Version of the ear: to be raised when readings change, so that what was kept is known as old.
   */
  public static final int EAR = 18;

  private final PulseFinder pulses = new PulseFinder(PulseSettings.DEFAULTS);
  private final Ear ear = new Ear(pulses);

  /** Both steps at once. */
  public Analysis analyse(Audio audio, Corrections corrections, Progress progress) {
    return read(listen(audio, progress), corrections, progress);
  }

  /** The long step: spectra, the networks, tones and lines. */
  public Heard listen(Audio audio, Progress progress) {
    return listen(audio, half -> {}, progress);
  }

  /**
   * The same, in two halves.
   *
   * @param early takes the first half, beat and drums, as soon as it is there; bass and riff are
   *     heard meanwhile. On a thread of the hearing, which goes on when it returns
   */
  public Heard listen(Audio audio, Consumer<Heard> early, Progress progress) {
    return ear.listen(audio, early, progress);
  }

  /** The quick step: readings under the person's corrections. */
  public Analysis read(Heard heard, Corrections wanted, Progress progress) {
    List<String> notes = new ArrayList<>();
    Optional<Pulse> pulse =
        wanted.pulse().equals(PulseFinder.Wanted.NOTHING)
            ? heard.pulse()
            : pulses.find(
                heard.activity(), heard.chroma(), heard.tempos(), heard.span(), wanted.pulse());
    if (heard.end() - heard.start() < 1) {
      pulse = Optional.empty();
      notes.add("There is next to no sound in this file.");
    } else if (pulse.isEmpty()) {
      notes.add("No beat could be found. Open a longer piece, or one with a clearer pulse.");
    }
    TonalContent content =
        TonalContent.of(heard.chroma(), heard.bass(), heard.riff(), heard.start(), heard.end());
    boolean tonal = content != TonalContent.NONE;
    boolean chordal = content == TonalContent.KEY;
    if (!tonal && wanted.key().isEmpty()) {
      notes.add("No key was heard. Set one if you want to write notes.");
    }
    Form form = new Form(List.of(), List.of(), List.of());
    List<Hit> hits = List.of();
    Feel feel = Feel.NONE;
    List<Chord> chords = List.of();
    CompletableFuture<List<Note>> voiced = CompletableFuture.completedFuture(List.of());
    if (pulse.isPresent()) {
      Pulse beat = pulse.get();
      CompletableFuture<List<Chord>> harmony =
          Together.beside(() -> chordal ? heard.chords(beat) : List.of());
      CompletableFuture<List<Event>> sweeps = Together.beside(() -> heard.sweeps(beat));
      hits = HitMark.apply(wanted.hits(), heard.hits(beat, progress), beat);
      feel = Feel.of(hits, beat);
      hits = new GridFinder(beat, feel.swing()).place(hits);
      chords = Together.joined(harmony);
      List<Chord> found = chords;
      voiced = Together.beside(() -> heard.voiced(found, beat));
      var material =
          new SectionFinder.Material(
              heard.mel(),
              heard.chroma(),
              heard.activity(),
              pulse.get(),
              hits,
              heard.bass(),
              heard.end(),
              heard.levels(),
              heard.moments(Together.joined(sweeps), hits, beat),
              wanted.sections());
      form = new SectionFinder().find(material, progress);
    }
    progress.step("Done", 1);
    return new Analysis(
        heard.duration(),
        pulse,
        form,
        hits,
        feel,
        tonality(heard, content, wanted, chords, form, pulse, Together.joined(voiced)),
        notes);
  }

  private static Tonality tonality(
      Heard heard,
      TonalContent content,
      Corrections wanted,
      List<Chord> chords,
      Form form,
      Optional<Pulse> pulse,
      List<Note> voiced) {
    Reading<Key> key = whole(heard, chords, content);
    // With neither beat nor key it is no music, and a network's notes in it are invented.
    boolean music = content != TonalContent.NONE || pulse.isPresent();
    return new Tonality(
        wanted.key().isPresent() ? TonalContent.KEY : content,
        wanted.key().map(key::corrected).orElse(key),
        form.sections().stream().map(s -> key(heard, chords, s.start(), s.end())).toList(),
        heard.chroma().tuningCents(),
        chords,
        music ? heard.bass() : List.of(),
        music ? heard.riff() : List.of(),
        pulse.map(p -> new FigureFinder().find(heard.riff(), p)).orElse(List.of()),
        voiced);
  }

  /** The key of the whole; where none is heard, one that stands in for it with no confidence. */
  private static Reading<Key> whole(Heard heard, List<Chord> chords, TonalContent content) {
    Reading<Key> key = key(heard, chords, heard.start(), heard.end());
    return switch (content) {
      case KEY -> key;
      case HOME -> homeOnly(heard, key);
      case NONE -> standIn(key.value(), key.alternatives(), "nothing keeps to a few notes", key);
    };
  }

  private static Reading<Key> standIn(
      Key value, List<Reading.Alternative<Key>> others, String why, Reading<Key> of) {
    return new Reading<>(value, 0, why, others, of.settledBy());
  }

  /** Minor stands in, for most of what is made so is; major on the same note is as likely. */
  private static Reading<Key> homeOnly(Heard heard, Reading<Key> key) {
    int home = TonalContent.home(heard.bass());
    Reading.Alternative<Key> major =
        new Reading.Alternative<>(new Key(home, false), 0, "the same home note");
    return standIn(new Key(home, true), List.of(major), "one bass note and no third over it", key);
  }

  private static Reading<Key> key(Heard heard, List<Chord> chords, double from, double to) {
    double[] all = heard.chroma().sum(from, to);
    double[] tones = new double[12];
    for (int c = 0; c < 12; c++) {
      tones[c] = all[c] + 0.5 * all[12 + c];
    }
    double[] bass = new double[12];
    for (Note n : heard.bass()) {
      double overlap = Math.min(to, n.end()) - Math.max(from, n.start());
      bass[n.pitch() % 12] += Math.max(0, overlap);
    }
    Optional<Chord> last =
        chords.stream()
            .filter(c -> c.sounds() && c.start() < to && c.end() > from)
            .reduce((a, b) -> b);
    return new KeyFinder()
        .find(
            new KeyFinder.Evidence(tones, bass, KeyFinder.Evidence.notes(chords, from, to), last));
  }
}
