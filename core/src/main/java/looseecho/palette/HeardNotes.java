package looseecho.palette;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import looseecho.analysis.Analysis;
import looseecho.echo.Part;
import looseecho.hits.Hit;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.reading.Ordered;
import looseecho.separate.Separator;
import looseecho.separate.Stem;

/**
 * Cuts the sounds of a reference's lines out: of each line the note, or the chord, that is most
 * often heard clear of the drums, parted from what else plays, and the median of its pictures.
 * Notes of one pitch only are put together, since a median over several pitches is none of them.
 */
final class HeardNotes {
  private static final int RATE = Picture.RATE;
  private static final int MOST = 8; // notes
  private static final double BEFORE = 0.12; // seconds that a picture looks at ahead of a note
  private static final double LONGEST = 1.5;
  private static final double SHORTEST = 0.08;
  private static final double FULL = 0.3; // seconds from which on a note tells all of its sound
  private static final double STRUCK_WITH = 0.03;
  private static final double DISTURBED = 0.25; // seconds in which a drum disturbs
  private static final double WORSE = 0.25; // than the cleanest, and no longer taken
  private static final double SILENT = 1e-4; // root mean square of nothing

  private final Separator song;
  private final Analysis heard;

  /** For a track whose sound can be parted. */
  HeardNotes(Separator song, Analysis heard) {
    this.song = song;
    this.heard = heard;
  }

  /** A note or a chord. */
  private record Event(double start, double end, List<Integer> pitches, double clean) {
    double weight() {
      return clean * Math.min(1, (end - start) / FULL);
    }
  }

  /** The sounds of the lines that play, from the bottom up. */
  List<HeardSound> find() {
    return Stream.of(Line.values()).parallel().flatMap(l -> sound(l).stream()).toList();
  }

  private Optional<HeardSound> sound(Line line) {
    Map<String, List<Event>> alike =
        events(line).stream()
            .collect(
                Collectors.groupingBy(
                    e -> e.pitches().toString(), TreeMap::new, Collectors.toList()));
    return alike.values().stream()
        .map(HeardNotes::cleanest)
        .max(Comparator.comparingDouble(all -> all.stream().mapToDouble(Event::weight).sum()))
        .flatMap(taken -> sound(line, taken));
  }

  private List<Event> events(Line line) {
    List<Note> notes =
        switch (line) {
          case BASS -> heard.tonality().bass();
          case RIFF -> heard.tonality().riff();
          case CHORDS -> heard.tonality().voiced();
        };
    Map<Double, List<Note>> together =
        notes.stream()
            .collect(Collectors.groupingBy(Note::start, TreeMap::new, Collectors.toList()));
    List<Event> out = new ArrayList<>();
    together.forEach(
        (start, chord) -> {
          double end = Math.min(start + LONGEST, chord.get(0).end());
          if (end - start >= SHORTEST && end < song.audio().duration()) {
            List<Integer> pitches = chord.stream().map(Note::pitch).sorted().distinct().toList();
            out.add(new Event(start, end, pitches, clean(start)));
          }
        });
    return out;
  }

  /** 1 where no drum falls on a note's beginning, less where some do. */
  private double clean(double start) {
    List<Hit> hits = heard.hits();
    double clean = 1;
    for (int i = Ordered.first(hits, Hit::time, start - STRUCK_WITH);
        i < hits.size() && hits.get(i).time() < start + DISTURBED;
        i++) {
      double apart = hits.get(i).time() - start;
      double cost = apart < STRUCK_WITH ? 0.5 : 0.2 * (1 - apart / DISTURBED);
      clean -= cost * hits.get(i).velocity() / 127;
    }
    return Math.max(0.05, clean);
  }

  private static List<Event> cleanest(List<Event> all) {
    double best = all.stream().mapToDouble(Event::weight).max().orElse(0);
    return all.stream()
        .filter(e -> e.weight() > best - WORSE)
        .sorted(Comparator.comparingDouble(e -> -e.weight()))
        .limit(MOST)
        .toList();
  }

  private Optional<HeardSound> sound(Line line, List<Event> taken) {
    List<float[]> parted = taken.stream().map(e -> parted(line, e)).toList();
    int before = (int) (BEFORE * RATE);
    float[] row = new float[parted.stream().mapToInt(x -> x.length).sum() + before];
    List<Integer> attacks = new ArrayList<>();
    List<Integer> ends = new ArrayList<>();
    int at = 0;
    for (float[] x : parted) {
      attacks.add(at + HeardSounds.attack(x, Math.min(BEFORE, taken.get(ends.size()).start())));
      System.arraycopy(x, 0, row, at, x.length);
      at += x.length;
      ends.add(at);
    }
    float[] sound = java.util.Arrays.copyOfRange(row, attacks.get(0), ends.get(0));
    double power = 0;
    for (float v : sound) {
      power += v * v / sound.length;
    }
    return power < SILENT * SILENT
        ? Optional.empty()
        : Optional.of(
            new HeardSound(
                Part.of(line),
                line.words(),
                taken.get(0).pitches(),
                sound,
                Picture.heard(row, attacks, ends),
                taken.size(),
                taken.get(0).clean(),
                Optional.empty()));
  }

  /** A note with a little of what comes before it. */
  private float[] parted(Line line, Event e) {
    int from = (int) Math.max(0, (e.start() - BEFORE) * RATE);
    int to = (int) Math.min(song.audio().length(), e.end() * RATE);
    Stem stem =
        switch (line) {
          case BASS -> Stem.BASS;
          case CHORDS -> Stem.CHORDS;
          case RIFF -> Stem.RIFF;
        };
    return HeardSounds.cut(song, from, to, stem);
  }
}
