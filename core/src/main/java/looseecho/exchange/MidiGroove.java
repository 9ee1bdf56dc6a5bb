package looseecho.exchange;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.GrooveLift;
import looseecho.echo.Part;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;

/**
 * Reads the groove of a Standard MIDI File: drum notes (channel 10, General MIDI percussion)
 * against the sixteenths of its bars, in whatever meter, at its first tempo.
 */
public final class MidiGroove {
  private MidiGroove() {}

  /** The groove; the message of the exception says what is wrong with the file. */
  public static GrooveLift read(Path file) throws IOException {
    MidiNotes midi = MidiNotes.read(file);
    Map<Lane, Map<Integer, List<double[]>>> all = new EnumMap<>(Lane.class);
    for (MidiNotes.Note n : drums(midi, file)) {
      int line = Grid.SIXTEENTH.nearest(n.tick());
      all.computeIfAbsent(Lane.of(n.pitch()), l -> new TreeMap<>())
          .computeIfAbsent(midi.bars().spot(line).inBar(), k -> new ArrayList<>())
          .add(new double[] {(n.tick() - line) * midi.msPerTick(), n.velocity()});
    }
    Map<DrumPart, Map<Integer, GrooveLift.Feel>> drums = new TreeMap<>();
    all.forEach(
        (lane, steps) -> {
          Map<Integer, GrooveLift.Feel> feel = new TreeMap<>();
          steps.forEach((place, hits) -> feel.put(place, mean(hits)));
          drums.put(Part.of(lane), feel);
        });
    return new GrooveLift(usual(midi.bars()), drums);
  }

  private static List<MidiNotes.Note> drums(MidiNotes midi, Path file) throws IOException {
    List<MidiNotes.Note> drums =
        midi.notes().stream().filter(n -> n.channel() == MidiSong.DRUMS).toList();
    if (drums.isEmpty()) {
      throw new IOException(file.getFileName() + " has no drums on channel 10.");
    }
    return drums;
  }

  /** The bar that lasts longest in the file; a lead-in may have one of its own. */
  static int usual(BarGrid grid) {
    Map<Integer, Long> ticks = new TreeMap<>();
    grid.bars().forEach(b -> ticks.merge(b.ticks(), (long) b.ticks(), Long::sum));
    return ticks.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
  }

  private static GrooveLift.Feel mean(List<double[]> hits) {
    return new GrooveLift.Feel(
        hits.stream().mapToDouble(h -> h[0]).average().orElse(0),
        hits.stream().mapToDouble(h -> h[1]).average().orElse(0));
  }
}
