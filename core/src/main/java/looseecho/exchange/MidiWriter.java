package looseecho.exchange;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import looseecho.disk.Seal;
import looseecho.disk.WholeFile;
import looseecho.notes.Key;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.reading.Ordered;

/**
 * Writes a Standard MIDI File 1.0, type 1 (MIDI Manufacturers Association, 1996): a tempo map that
 * follows the beats, then one named track per part.
 *
 * <p>The sound before the first beat becomes a bar of its own, so that bar lines fall where they
 * are heard; a bar that is cut short gets its own time signature.
 */
public final class MidiWriter {
  private static final int PPQ = 960;
  private static final int DEFAULT_US = 500000;
  private static final double MAX_LEAD_SECONDS = 8; // a quarter note's tempo is at most 16.7 s

  /** Writes the file, whole or not at all. */
  public void write(MidiSong song, Path path) throws IOException {
    try {
      Sequence sequence = sequence(song);
      WholeFile.write(
          path,
          part -> {
            MidiSystem.write(sequence, 1, part.toFile());
            Seal.close(part);
          });
    } catch (InvalidMidiDataException e) {
      throw new IOException("the notes can't be written as MIDI", e);
    }
  }

  /** One stretch of constant tempo. */
  private record Stretch(double time, long tick, int usPerQuarter) {}

  private static Sequence sequence(MidiSong song) throws InvalidMidiDataException {
    Sequence sequence = new Sequence(Sequence.PPQ, PPQ);
    Track head = sequence.createTrack();
    meta(head, 0, 0x03, "Tempo and sections".getBytes(StandardCharsets.UTF_8));
    meta(head, 0, 0x01, Seal.BLANK.getBytes(StandardCharsets.UTF_8));
    List<Stretch> map = tempoMap(song.beats(), song.meter(), head);
    Key key = song.key();
    meta(head, 0, 0x59, new byte[] {(byte) key.fifths(), (byte) (key.minor() ? 1 : 0)});
    for (MidiSong.Marker m : song.markers()) {
      meta(head, tick(map, m.time()), 0x06, m.name().getBytes(StandardCharsets.UTF_8));
    }
    for (MidiSong.Track part : song.tracks()) {
      Track track = sequence.createTrack();
      meta(track, 0, 0x03, part.name().getBytes(StandardCharsets.UTF_8));
      if (part.channel() != MidiSong.DRUMS) {
        track.add(
            new MidiEvent(
                new ShortMessage(ShortMessage.PROGRAM_CHANGE, part.channel(), part.program(), 0),
                0));
        if (part.events().stream().anyMatch(e -> e.slide() != null)) {
          MidiBend.range(track, part.channel());
        }
      }
      for (MidiSong.Control c : part.controls()) {
        ShortMessage message =
            new ShortMessage(
                ShortMessage.CONTROL_CHANGE, part.channel(), c.controller(), c.value());
        track.add(new MidiEvent(message, tick(map, c.time())));
      }
      for (MidiSong.Event e : part.events()) {
        long on = tick(map, e.time());
        long off = Math.max(on + 1, tick(map, e.time() + e.length()));
        int velocity = Math.max(1, Math.min(127, e.velocity()));
        if (!e.words().isEmpty()) {
          meta(track, on, 0x01, e.words().getBytes(StandardCharsets.UTF_8));
        }
        track.add(
            new MidiEvent(
                new ShortMessage(ShortMessage.NOTE_ON, part.channel(), e.note(), velocity), on));
        track.add(
            new MidiEvent(
                new ShortMessage(ShortMessage.NOTE_OFF, part.channel(), e.note(), 64), off));
        if (e.slide() != null) {
          MidiBend.slide(track, part.channel(), e, t -> tick(map, t));
        }
      }
    }
    return sequence;
  }

  private static List<Stretch> tempoMap(List<Beat> beats, Meter meter, Track head)
      throws InvalidMidiDataException {
    List<Stretch> map = new ArrayList<>();
    if (beats.size() < 2) {
      map.add(new Stretch(0, 0, DEFAULT_US));
      return map;
    }
    long tick = 0;
    double clock = 0; // the time that the whole microseconds add up to
    double lead = beats.get(0).time();
    int leadQuarters = lead < 0.001 ? 0 : (int) Math.max(1, Math.ceil(lead / MAX_LEAD_SECONDS));
    if (leadQuarters > 0) {
      int us = (int) Math.round(lead * 1e6 / leadQuarters);
      map.add(new Stretch(0, 0, us));
      tick = (long) leadQuarters * PPQ;
      clock = us * leadQuarters / 1e6;
    }
    double quarters = meter.quartersPerBeat();
    signatures(beats, meter, leadQuarters, head);
    for (int k = 0; k + 1 < beats.size(); k++) {
      int us = (int) Math.max(1, Math.round((beats.get(k + 1).time() - clock) * 1e6 / quarters));
      map.add(new Stretch(clock, tick, us));
      tick += Math.round(PPQ * quarters);
      clock += us * quarters / 1e6;
    }
    int last = -1;
    for (Stretch s : map) {
      if (Math.abs(s.usPerQuarter() - last) > 1) {
        tempo(head, s);
        last = s.usPerQuarter();
      }
    }
    return map;
  }

  private static void tempo(Track head, Stretch s) throws InvalidMidiDataException {
    int us = s.usPerQuarter();
    meta(head, s.tick(), 0x51, new byte[] {(byte) (us >> 16), (byte) (us >> 8), (byte) us});
  }

  /** A time signature wherever the number of beats in the bar changes. */
  private static void signatures(List<Beat> beats, Meter meter, int leadQuarters, Track head)
      throws InvalidMidiDataException {
    int last = -1;
    int start = meter.compound() ? 0 : -leadQuarters;
    double perBeat = PPQ * meter.quartersPerBeat();
    for (int k = 0; k <= beats.size(); k++) {
      boolean ends = k == beats.size() || beats.get(k).position() == 1;
      if (!ends || k == start) {
        continue;
      }
      int length = k - start;
      boolean tail = k == beats.size() && length < last;
      if (length != last && !tail) {
        byte[] data = {
          (byte) (meter.compound() ? 3 * length : length),
          (byte) (meter.compound() ? 3 : 2),
          (byte) (meter.compound() ? 36 : 24),
          8
        };
        meta(head, (long) leadQuarters * PPQ + Math.round(start * perBeat), 0x58, data);
        last = length;
      }
      start = k;
    }
  }

  private static long tick(List<Stretch> map, double time) {
    Stretch s = map.get(Ordered.last(map, Stretch::time, time));
    return Math.max(0, s.tick() + Math.round((time - s.time()) * 1e6 / s.usPerQuarter() * PPQ));
  }

  private static void meta(Track track, long tick, int type, byte[] data)
      throws InvalidMidiDataException {
    track.add(new MidiEvent(new MetaMessage(type, data, data.length), tick));
  }
}
