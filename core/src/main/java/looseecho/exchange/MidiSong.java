package looseecho.exchange;

import java.util.ArrayList;
import java.util.List;
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
  public MidiSong {
    beats = List.copyOf(beats);
    markers = List.copyOf(markers);
    tracks = List.copyOf(tracks);
  }

  /** A name at a time. */
  public record Marker(double time, String name) {}

  /** One named track; {@code channel} from 0, drums are 9. */
  public record Track(
      String name, int channel, int program, List<Event> events, List<Control> controls) {
    public Track(String name, int channel, int program, List<Event> events) {
      this(name, channel, program, events, List.of());
    }
  }

  /** A controller's value, 0..127, from a time on. */
  public record Control(double time, int controller, int value) {}

  /** One note; the slide into it is null for most, and so are words about it empty. */
  public record Event(
      double time, double length, int note, int velocity, Slide slide, String words) {
    public Event(double time, double length, int note, int velocity) {
      this(time, length, note, velocity, null, "");
    }
  }

  /** A slide into a note, from so many semitones away, between two seconds. */
  public record Slide(double semitones, double start, double end) {}

  static final int DRUMS = 9;
  private static final int CHANNELS = 16;
  private static final double DRUM_SECONDS = 0.03;

  /** What was heard: drum hits and bass at their heard times. */
  public static MidiSong heard(Analysis a) {
    List<Track> tracks = new ArrayList<>();
    for (Lane lane : Lane.values()) {
      tracks.add(new Track(capital(lane.words()), DRUMS, 0, hits(a.hits(), lane)));
    }
    tracks.add(track(Line.BASS, a.tonality().bass()));
    tracks.add(track(Line.RIFF, a.tonality().riff()));
    tracks.removeIf(track -> track.events().isEmpty());
    List<Marker> markers = new ArrayList<>();
    for (Section s : a.form().sections()) {
      markers.add(new Marker(s.start(), s.label() + " " + s.role()));
    }
    return new MidiSong(
        a.pulse().map(p -> p.beats()).orElse(List.of()),
        a.pulse().map(p -> p.meter().value()).orElse(Meter.FOUR_FOUR),
        a.tonality().key().value(),
        markers,
        tracks);
  }

  private static List<Event> hits(List<Hit> hits, Lane lane) {
    return hits.stream()
        .filter(h -> h.lane() == lane)
        .map(h -> new Event(h.time(), DRUM_SECONDS, lane.midi(), h.velocity()))
        .toList();
  }

  private static Track track(Line line, List<Note> notes) {
    return new Track(capital(line.words()), channel(line.ordinal()), line.program(), events(notes));
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
                        .orElse(null),
                    ""))
        .toList();
  }

  /**
   * The channel of the nth line of notes, from 0: the drums' is left out, past 15 they go round.
   */
  static int channel(int line) {
    int nth = line % (CHANNELS - 1);
    return nth < DRUMS ? nth : nth + 1;
  }

  static String capital(String words) {
    return Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }
}
