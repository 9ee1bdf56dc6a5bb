package looseecho.exchange;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Elsewhere;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Tone;
import looseecho.notes.Line;
import looseecho.pulse.Grid;

/**
 * Reads the parts of a Standard MIDI File with their hits and notes: drum notes (channel 10) by
 * their General MIDI percussion and track, other tracks as bass, chords or riff by how low they lie
 * and how many sound together. Several tracks of a kind are several parts.
 */
public final class MidiParts {
  private static final int LOW = 48; // mean pitch below which a track is a bass
  private static final double CHORDAL = 1.8; // notes that begin together on average
  private static final int CHANNELS = 16;

  private final MidiNotes midi;
  private final Map<DrumPart, List<Stroke>> drums = new HashMap<>();
  private final Map<LinePart, List<Tone>> lines = new HashMap<>();
  private final Map<Part, String> names = new HashMap<>();

  private MidiParts(MidiNotes midi) {
    this.midi = midi;
  }

  /** All parts; the message of the exception says what is wrong with the file. */
  public static Elsewhere read(Path file) throws IOException {
    MidiNotes midi = MidiNotes.read(file);
    if (midi.notes().isEmpty()) {
      throw new IOException(file.getFileName() + " has no notes.");
    }
    return new MidiParts(midi).parts();
  }

  private Elsewhere parts() {
    Map<Integer, List<MidiNotes.Note>> tracks = new TreeMap<>();
    for (MidiNotes.Note n : midi.notes()) {
      int track = n.track() * CHANNELS + n.channel();
      tracks.computeIfAbsent(track, c -> new ArrayList<>()).add(n);
    }
    for (List<MidiNotes.Note> track : tracks.values()) {
      if (track.get(0).channel() == MidiSong.DRUMS) {
        drums(track);
      } else {
        line(track);
      }
    }
    int bar = MidiGroove.usual(midi.bars());
    return new Elsewhere((midi.bars().ticks() + bar - 1) / bar * bar, drums, lines, names);
  }

  private void drums(List<MidiNotes.Note> track) {
    Map<Lane, List<Stroke>> own = new TreeMap<>();
    for (MidiNotes.Note n : track) {
      int line = fine(n.tick()).nearest(n.tick());
      double late = (n.tick() - line) * midi.msPerTick();
      own.computeIfAbsent(Lane.of(n.pitch()), l -> new ArrayList<>())
          .add(new Stroke(line, late, n.velocity(), MidiManner.read(n.words())));
    }
    own.forEach(
        (lane, hits) -> {
          DrumPart drum = Part.of(lane);
          while (drums.containsKey(drum) && drum.number() < Part.MOST) {
            drum = drum.numbered(drum.number() + 1);
          }
          drums.computeIfAbsent(drum, d -> new ArrayList<>()).addAll(hits);
          if (own.size() == 1) {
            name(drum, track);
          }
        });
  }

  private void line(List<MidiNotes.Note> track) {
    LinePart line = Part.of(kind(track));
    while (lines.containsKey(line) && line.number() < Part.MOST) {
      line = line.numbered(line.number() + 1);
    }
    lines
        .computeIfAbsent(line, l -> new ArrayList<>())
        .addAll(track.stream().map(this::tone).toList());
    name(line, track);
  }

  /** A track's name, where it says more than the part's kind does. */
  private void name(Part part, List<MidiNotes.Note> track) {
    String name = midi.tracks().get(track.get(0).track());
    if (!name.isEmpty() && !name.equalsIgnoreCase(part.words())) {
      names.put(part, name);
    }
  }

  private Tone tone(MidiNotes.Note n) {
    int line = fine(n.tick()).nearest(n.tick());
    int length = (int) Math.max(1, Math.round(n.length()));
    double late = (n.tick() - line) * midi.msPerTick();
    return new Tone(line, late, length, n.pitch(), n.velocity());
  }

  /** Of sixteenths, 32nds and sixteenth triplets the coarsest that is right to a 64th's half. */
  private static Grid fine(double tick) {
    for (Grid g : List.of(Grid.SIXTEENTH, Grid.SIXTEENTH_TRIPLET, Grid.THIRTY_SECOND)) {
      if (Math.abs(tick - g.nearest(tick)) < Grid.THIRTY_SECOND.ticks() / 4.0) {
        return g;
      }
    }
    return Grid.SIXTEENTH;
  }

  private static Line kind(List<MidiNotes.Note> track) {
    double mean = track.stream().mapToInt(MidiNotes.Note::pitch).average().orElse(60);
    long starts = track.stream().mapToLong(n -> Math.round(n.tick() / 30)).distinct().count();
    return mean < LOW ? Line.BASS : track.size() > CHORDAL * starts ? Line.CHORDS : Line.RIFF;
  }
}
