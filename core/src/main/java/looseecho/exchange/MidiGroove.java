package looseecho.exchange;

import java.io.EOFException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import looseecho.activity.Lane;
import looseecho.echo.GrooveLift;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/**
 * Reads the groove of a Standard MIDI File: drum notes (channel 10, General MIDI percussion)
 * against the sixteenths of its bars, in whatever meter, at its first tempo.
 */
public final class MidiGroove {
  private static final int DEFAULT_US = 500_000;
  private static final long MOST_BYTES = 32L << 20;
  private static final int SMALLEST = 6; // a 64th, as a power of two
  private static final int MOST_BARS = 100_000;
  private static final double LAST_TICK = 1e9;

  private MidiGroove() {}

  /** The groove; the message of the exception says what is wrong with the file. */
  public static GrooveLift read(Path file) throws IOException {
    Sequence sequence;
    if (!Files.isRegularFile(file)) {
      throw new IOException(file.getFileName() + " is not a file that can be read.");
    }
    if (Files.size(file) > MOST_BYTES) {
      throw new IOException(file.getFileName() + " is far too large for a MIDI file.");
    }
    try {
      sequence = MidiSystem.getSequence(file.toFile());
    } catch (EOFException e) {
      throw new IOException(file.getFileName() + " is empty or cut off.", e);
    } catch (InvalidMidiDataException | IOException | RuntimeException e) {
      throw new IOException(file.getFileName() + " is not a MIDI file that can be read.", e);
    }
    if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() < 1) {
      throw new IOException(file.getFileName() + " counts in film frames and has no beats.");
    }
    double scale = (double) Meter.QUARTER / sequence.getResolution();
    double msPerTick = tempo(sequence) / 1000.0 / Meter.QUARTER;
    BarGrid grid = grid(sequence, scale);
    Map<Lane, Map<Integer, List<double[]>>> all = new EnumMap<>(Lane.class);
    for (Track track : sequence.getTracks()) {
      for (int i = 0; i < track.size(); i++) {
        MidiEvent e = track.get(i);
        if (e.getMessage() instanceof ShortMessage m
            && m.getCommand() == ShortMessage.NOTE_ON
            && m.getChannel() == MidiSong.DRUMS
            && m.getData2() > 0) {
          double tick = e.getTick() * scale;
          int line = Grid.SIXTEENTH.nearest(tick);
          lane(m.getData1(), all)
              .computeIfAbsent(grid.spot(line).inBar(), k -> new ArrayList<>())
              .add(new double[] {(tick - line) * msPerTick, m.getData2()});
        }
      }
    }
    if (all.isEmpty()) {
      throw new IOException(file.getFileName() + " has no drums on channel 10.");
    }
    Map<Lane, Map<Integer, GrooveLift.Feel>> lanes = new EnumMap<>(Lane.class);
    all.forEach(
        (lane, steps) -> {
          Map<Integer, GrooveLift.Feel> feel = new TreeMap<>();
          steps.forEach((place, hits) -> feel.put(place, mean(hits)));
          lanes.put(lane, feel);
        });
    return new GrooveLift(usual(grid), lanes);
  }

  /** The file's bars by its time signatures; four quarters where there is none. */
  private static BarGrid grid(Sequence sequence, double scale) {
    TreeMap<Integer, Integer> lengths = new TreeMap<>(Map.of(0, Meter.FOUR_FOUR.ticksPerBar()));
    for (Track track : sequence.getTracks()) {
      for (int i = 0; i < track.size(); i++) {
        if (track.get(i).getMessage() instanceof MetaMessage m && m.getType() == 0x58) {
          byte[] d = m.getData();
          boolean whole = d.length >= 2 && d[0] > 0 && d[1] >= 0 && d[1] <= SMALLEST;
          if (whole && 4 * Meter.QUARTER * d[0] >> d[1] >= Meter.STEP) {
            double at = Math.min(LAST_TICK, track.get(i).getTick() * scale);
            lengths.put((int) at, 4 * Meter.QUARTER * d[0] >> d[1]);
          }
        }
      }
    }
    int end = (int) Math.min(LAST_TICK, sequence.getTickLength() * scale);
    List<Integer> bars = new ArrayList<>();
    for (Map.Entry<Integer, Integer> m : lengths.entrySet()) {
      Integer next = lengths.higherKey(m.getKey());
      int until = next == null ? Math.max(end, m.getKey() + 1) : next;
      for (int at = m.getKey(); at < until && bars.size() < MOST_BARS; at += m.getValue()) {
        bars.add(next == null ? m.getValue() : Math.min(m.getValue(), until - at));
      }
    }
    return BarGrid.of(bars.stream().mapToInt(b -> b).toArray());
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

  private static Map<Integer, List<double[]>> lane(
      int note, Map<Lane, Map<Integer, List<double[]>>> all) {
    Lane lane =
        switch (note) {
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
    return all.computeIfAbsent(lane, l -> new TreeMap<>());
  }

  /** Microseconds of a quarter at the file's first tempo. */
  private static int tempo(Sequence sequence) {
    for (Track track : sequence.getTracks()) {
      for (int i = 0; i < track.size(); i++) {
        if (track.get(i).getMessage() instanceof MetaMessage m && m.getType() == 0x51) {
          byte[] d = m.getData();
          int us = d.length < 3 ? 0 : (d[0] & 0xff) << 16 | (d[1] & 0xff) << 8 | d[2] & 0xff;
          if (us > 0) {
            return us;
          }
        }
      }
    }
    return DEFAULT_US;
  }
}
