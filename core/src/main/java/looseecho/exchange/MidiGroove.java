package looseecho.exchange;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.echo.Elsewhere;
import looseecho.echo.GrooveLift;
import looseecho.echo.Stroke;
import looseecho.echo.Tone;
import looseecho.notes.Line;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;

/**
 * Reads the groove or the parts of a Standard MIDI File: drum notes (channel 10, General MIDI
 * percussion) against the sixteenths of its bars, in whatever meter, at its first tempo; other
 * notes as bass, chords or riff by how low they lie and how many sound together.
 */
public final class MidiGroove {
  private static final int LOW = 48; // mean pitch below which a track is a bass
  private static final double CHORDAL = 1.8; // notes that begin together on average

  private MidiGroove() {}

  /** The groove; the message of the exception says what is wrong with the file. */
  public static GrooveLift read(Path file) throws IOException {
    MidiNotes midi = MidiNotes.read(file);
    Map<Lane, Map<Integer, List<double[]>>> all = new EnumMap<>(Lane.class);
    for (MidiNotes.Note n : drums(midi, file)) {
      int line = Grid.SIXTEENTH.nearest(n.tick());
      all.computeIfAbsent(lane(n.pitch()), l -> new TreeMap<>())
          .computeIfAbsent(midi.bars().spot(line).inBar(), k -> new ArrayList<>())
          .add(new double[] {(n.tick() - line) * midi.msPerTick(), n.velocity()});
    }
    Map<Lane, Map<Integer, GrooveLift.Feel>> lanes = new EnumMap<>(Lane.class);
    all.forEach(
        (lane, steps) -> {
          Map<Integer, GrooveLift.Feel> feel = new TreeMap<>();
          steps.forEach((place, hits) -> feel.put(place, mean(hits)));
          lanes.put(lane, feel);
        });
    return new GrooveLift(usual(midi.bars()), lanes);
  }

  private static List<MidiNotes.Note> drums(MidiNotes midi, Path file) throws IOException {
    List<MidiNotes.Note> drums =
        midi.notes().stream().filter(n -> n.channel() == MidiSong.DRUMS).toList();
    if (drums.isEmpty()) {
      throw new IOException(file.getFileName() + " has no drums on channel 10.");
    }
    return drums;
  }

  /** All parts, with their hits and notes; the message of the exception says what is wrong. */
  public static Elsewhere parts(Path file) throws IOException {
    MidiNotes midi = MidiNotes.read(file);
    if (midi.notes().isEmpty()) {
      throw new IOException(file.getFileName() + " has no notes.");
    }
    Map<Lane, List<Stroke>> drums = new EnumMap<>(Lane.class);
    Map<Integer, List<MidiNotes.Note>> others = new TreeMap<>();
    for (MidiNotes.Note n : midi.notes()) {
      if (n.channel() == MidiSong.DRUMS) {
        Grid grid = fine(n.tick());
        int line = grid.nearest(n.tick());
        double late = (n.tick() - line) * midi.msPerTick();
        drums
            .computeIfAbsent(lane(n.pitch()), l -> new ArrayList<>())
            .add(new Stroke(line, late, n.velocity()));
      } else {
        others.computeIfAbsent(n.channel(), c -> new ArrayList<>()).add(n);
      }
    }
    Map<Line, List<Tone>> lines = new EnumMap<>(Line.class);
    for (List<MidiNotes.Note> track : others.values()) {
      lines
          .computeIfAbsent(line(track), l -> new ArrayList<>())
          .addAll(track.stream().map(n -> tone(n, midi.msPerTick())).toList());
    }
    int bar = usual(midi.bars());
    return new Elsewhere((midi.bars().ticks() + bar - 1) / bar * bar, drums, lines);
  }

  private static Tone tone(MidiNotes.Note n, double msPerTick) {
    int line = fine(n.tick()).nearest(n.tick());
    int length = (int) Math.max(1, Math.round(n.length()));
    return new Tone(line, (n.tick() - line) * msPerTick, length, n.pitch(), n.velocity());
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

  private static Line line(List<MidiNotes.Note> track) {
    double mean = track.stream().mapToInt(MidiNotes.Note::pitch).average().orElse(60);
    long starts = track.stream().mapToLong(n -> Math.round(n.tick() / 30)).distinct().count();
    return mean < LOW ? Line.BASS : track.size() > CHORDAL * starts ? Line.CHORDS : Line.RIFF;
  }

  /** The bar that lasts longest in the file; a lead-in may have one of its own. */
  private static int usual(BarGrid grid) {
    Map<Integer, Long> ticks = new TreeMap<>();
    grid.bars().forEach(b -> ticks.merge(b.ticks(), (long) b.ticks(), Long::sum));
    return ticks.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
  }

  private static GrooveLift.Feel mean(List<double[]> hits) {
    return new GrooveLift.Feel(
        hits.stream().mapToDouble(h -> h[0]).average().orElse(0),
        hits.stream().mapToDouble(h -> h[1]).average().orElse(0));
  }

  private static Lane lane(int note) {
    return switch (note) {
      case 35, 36 -> Lane.KICK;
      case 37, 38, 40 -> Lane.SNARE;
      case 39 -> Lane.CLAP;
      case 42, 44 -> Lane.HAT_CLOSED;
      case 46 -> Lane.HAT_OPEN;
      case 41, 43, 45 -> Lane.TOM_LOW;
      case 47 -> Lane.TOM;
      case 48, 50 -> Lane.TOM_HIGH;
      case 51, 53, 59 -> Lane.RIDE;
      case 49, 52, 55, 57 -> Lane.CYMBAL;
      default -> Lane.PERCUSSION;
    };
  }
}
