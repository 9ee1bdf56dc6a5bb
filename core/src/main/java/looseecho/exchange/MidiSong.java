package looseecho.exchange;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.form.Section;
import looseecho.hits.Hit;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;

/**
 * What a MIDI file shall hold, in seconds; the writer turns it into ticks.
 *
 * @param beats the tempo map
 * @param meter how long a beat is written: a quarter, or a dotted one in 6/8
 * @param markers names at times, such as section names
 */
public record MidiSong(
    List<Beat> beats, Meter meter, Key key, List<Marker> markers, List<Track> tracks) {
  /** A name at a time. */
  public record Marker(double time, String name) {}

  /** One named track; {@code channel} from 0, drums are 9. */
  public record Track(String name, int channel, int program, List<Event> events) {}

  /** One note; the slide into it is null for most. */
  public record Event(double time, double length, int note, int velocity, Slide slide) {
    public Event(double time, double length, int note, int velocity) {
      this(time, length, note, velocity, null);
    }
  }

  /** A slide into a note, from so many semitones away, between two seconds. */
  public record Slide(double semitones, double start, double end) {}

  static final int DRUMS = 9;
  private static final double DRUM_SECONDS = 0.03;

  /** What was heard: drum hits and bass at their heard times. */
  public static MidiSong heard(Analysis a) {
    Map<Lane, List<Event>> drums = new EnumMap<>(Lane.class);
    for (Hit h : a.hits()) {
      drums
          .computeIfAbsent(h.lane(), l -> new ArrayList<>())
          .add(new Event(h.time(), DRUM_SECONDS, h.lane().midi(), h.velocity()));
    }
    Map<Line, List<Event>> lines = new EnumMap<>(Line.class);
    lines.put(Line.BASS, events(a.tonality().bass()));
    lines.put(Line.RIFF, events(a.tonality().riff()));
    List<Marker> markers = new ArrayList<>();
    for (Section s : a.form().sections()) {
      markers.add(new Marker(s.start(), s.label() + " " + s.role()));
    }
    return of(
        a.pulse().map(p -> p.beats()).orElse(List.of()),
        a.pulse().map(p -> p.meter().value()).orElse(Meter.FOUR_FOUR),
        a.tonality().key().value(),
        markers,
        drums,
        lines);
  }

  private static List<Event> events(List<Note> notes) {
    return notes.stream()
        .map(
            n ->
                new Event(
                    n.start(),
                    n.end() - n.start(),
                    n.pitch(),
                    n.velocity(),
                    n.glide()
                        .map(g -> new Slide(g.from() - n.pitch(), g.start(), g.end()))
                        .orElse(null)))
        .toList();
  }

  /** A song of drum lanes and lines of notes; empty ones get no track. */
  public static MidiSong of(
      List<Beat> beats,
      Meter meter,
      Key key,
      List<Marker> markers,
      Map<Lane, List<Event>> drums,
      Map<Line, List<Event>> lines) {
    List<Track> tracks = new ArrayList<>();
    drums.forEach(
        (lane, events) -> tracks.add(new Track(name(lane.words()), DRUMS, 0, List.copyOf(events))));
    lines.forEach(
        (line, events) -> {
          if (!events.isEmpty()) {
            tracks.add(
                new Track(name(line.words()), line.ordinal(), line.program(), List.copyOf(events)));
          }
        });
    return new MidiSong(List.copyOf(beats), meter, key, List.copyOf(markers), tracks);
  }

  private static String name(String words) {
    return Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }
}
