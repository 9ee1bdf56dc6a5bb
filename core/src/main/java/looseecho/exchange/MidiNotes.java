package looseecho.exchange;

import java.io.EOFException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;

/**
 * The notes of a Standard MIDI File in order, its bars, and its first tempo.
 *
 * @param bars in whatever meters the file has
 * @param msPerTick at the file's first tempo
 * @param tracks their names; empty for those that have none
 */
record MidiNotes(BarGrid bars, double msPerTick, List<Note> notes, List<String> tracks) {
  private static final int TEXT = 1; // kinds of meta events
  private static final int NAME = 3;
  private static final int DEFAULT_US = 500_000;
  private static final long MOST_BYTES = 32L << 20;
  private static final int MOST_BARS = 100_000;
  private static final double LAST_TICK = 1e9;
  private static final int SMALLEST = 6; // a 64th, as a power of two

  /**
   * One note; places and lengths in ticks, 960 to a quarter; the track counts from 0; the words are
   * those of a text event at its beginning, or empty.
   */
  record Note(
      double tick, double length, int track, int channel, int pitch, int velocity, String words) {}

  /** Reads a file; the message of the exception says what is wrong with it. */
  static MidiNotes read(Path file) throws IOException {
    Sequence sequence = sequence(file);
    if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() < 1) {
      throw new IOException(file.getFileName() + " counts in film frames and has no beats.");
    }
    double scale = (double) Meter.QUARTER / sequence.getResolution();
    List<Note> notes = new ArrayList<>();
    List<String> names = new ArrayList<>();
    for (Track track : sequence.getTracks()) {
      notes(track, names.size(), scale, notes);
      names.add(name(track));
    }
    notes.sort(Comparator.comparingDouble(Note::tick).thenComparingInt(Note::pitch));
    return new MidiNotes(
        grid(sequence, scale),
        tempo(sequence) / 1000.0 / Meter.QUARTER,
        List.copyOf(notes),
        List.copyOf(names));
  }

  private static Sequence sequence(Path file) throws IOException {
    if (!Files.isRegularFile(file)) {
      throw new IOException(file.getFileName() + " is not a file that can be read.");
    }
    if (Files.size(file) > MOST_BYTES) {
      throw new IOException(file.getFileName() + " is far too large for a MIDI file.");
    }
    try {
      return MidiSystem.getSequence(file.toFile());
    } catch (EOFException e) {
      throw new IOException(file.getFileName() + " is empty or cut off.", e);
    } catch (InvalidMidiDataException | IOException | RuntimeException e) {
      throw new IOException(file.getFileName() + " is not a MIDI file that can be read.", e);
    }
  }

  private static void notes(Track track, int number, double scale, List<Note> out) {
    Map<Integer, MidiEvent> open = new TreeMap<>();
    Map<Long, String> words = texts(track);
    for (int i = 0; i < track.size(); i++) {
      MidiEvent e = track.get(i);
      MidiMessage message = e.getMessage();
      if (!(message instanceof ShortMessage m)
          || m.getCommand() != ShortMessage.NOTE_ON && m.getCommand() != ShortMessage.NOTE_OFF) {
        continue;
      }
      int key = m.getChannel() * 128 + m.getData1();
      MidiEvent begun = open.remove(key);
      if (begun != null) {
        out.add(note(begun, e.getTick(), number, scale, words));
      }
      if (m.getCommand() == ShortMessage.NOTE_ON && m.getData2() > 0) {
        open.put(key, e);
      }
    }
    open.values().forEach(e -> out.add(note(e, e.getTick(), number, scale, words))); // never let go
  }

  private static Map<Long, String> texts(Track track) {
    Map<Long, String> out = new HashMap<>();
    for (int i = 0; i < track.size(); i++) {
      if (track.get(i).getMessage() instanceof MetaMessage m && m.getType() == TEXT) {
        out.put(track.get(i).getTick(), new String(m.getData(), StandardCharsets.UTF_8));
      }
    }
    return out;
  }

  private static Note note(
      MidiEvent on, long off, int track, double scale, Map<Long, String> words) {
    ShortMessage m = (ShortMessage) on.getMessage();
    return new Note(
        on.getTick() * scale,
        (off - on.getTick()) * scale,
        track,
        m.getChannel(),
        m.getData1(),
        m.getData2(),
        words.getOrDefault(on.getTick(), ""));
  }

  private static String name(Track track) {
    for (int i = 0; i < track.size(); i++) {
      if (track.get(i).getMessage() instanceof MetaMessage m && m.getType() == NAME) {
        return new String(m.getData(), StandardCharsets.UTF_8).strip();
      }
    }
    return "";
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
