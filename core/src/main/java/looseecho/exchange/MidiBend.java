package looseecho.exchange;

import java.util.function.DoubleToLongFunction;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/**
 * Writes slides as pitch bend.
 *
 * <p>Source: MIDI 1.0 Detailed Specification (MIDI Manufacturers Association, 1996): pitch bend
 * change with its centre at 8192; registered parameter 0, pitch bend sensitivity.
 */
final class MidiBend {
  static final int RANGE = 24; // semitones
  private static final int CENTRE = 8192;
  private static final double STEP_SECONDS = 0.005;

  private MidiBend() {}

  /** Tells the receiver how far a full bend reaches. */
  static void range(Track track, int channel) throws InvalidMidiDataException {
    int[][] controllers = {{101, 0}, {100, 0}, {6, RANGE}, {38, 0}};
    for (int[] c : controllers) {
      track.add(
          new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, channel, c[0], c[1]), 0));
    }
  }

  /** Bends from where the note begins to its own pitch. */
  static void slide(Track track, int channel, MidiSong.Event e, DoubleToLongFunction tick)
      throws InvalidMidiDataException {
    double start = Math.max(e.time(), e.slide().start());
    double length = e.slide().end() - e.slide().start();
    bend(track, channel, tick.applyAsLong(e.time()), away(e.slide(), start, length));
    for (double t = start; t < e.slide().end(); t += STEP_SECONDS) {
      bend(track, channel, tick.applyAsLong(t), away(e.slide(), t, length));
    }
    bend(track, channel, tick.applyAsLong(Math.max(e.time(), e.slide().end())), 0);
  }

  private static double away(MidiSong.Slide s, double t, double length) {
    return length <= 0 ? 0 : s.semitones() * Math.max(0, (s.end() - t) / length);
  }

  private static void bend(Track track, int channel, long tick, double semitones)
      throws InvalidMidiDataException {
    int value =
        (int) Math.max(0, Math.min(2 * CENTRE - 1, Math.round(CENTRE * (1 + semitones / RANGE))));
    track.add(
        new MidiEvent(
            new ShortMessage(ShortMessage.PITCH_BEND, channel, value & 0x7f, value >> 7), tick));
  }
}
