package looseecho.play;

import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Transmitter;

/** A connected MIDI instrument: every note-on is a stroke. */
public final class MidiInput implements StrokeInput {
  private static final int DRUMS = 9; // channel 10 of General MIDI
  private final MidiDevice device;

  private MidiInput(MidiDevice device) {
    this.device = device;
  }

  /** All instruments that are connected now. */
  public static List<StrokeInput> connected() {
    List<StrokeInput> out = new ArrayList<>();
    for (MidiDevice.Info info : MidiSystem.getMidiDeviceInfo()) {
      try {
        MidiDevice d = MidiSystem.getMidiDevice(info);
        if (d.getMaxTransmitters() != 0 && !(d instanceof javax.sound.midi.Sequencer)) {
          out.add(new MidiInput(d));
        }
      } catch (MidiUnavailableException e) {
        System.getLogger(MidiInput.class.getName())
            .log(System.Logger.Level.INFO, "not available: " + info.getName(), e);
      }
    }
    return out;
  }

  @Override
  public void listen(Listener to) {
    try {
      device.open();
      Transmitter t = device.getTransmitter();
      t.setReceiver(receiver(to));
    } catch (MidiUnavailableException e) {
      throw new IllegalStateException(name() + " is in use by another program.", e);
    }
  }

  /** Passes on note-ons; a note-on of velocity 0 is a note-off (MIDI 1.0). */
  static Receiver receiver(Listener to) {
    return new Receiver() {
      @Override
      public void send(MidiMessage message, long timeStamp) {
        if (message instanceof ShortMessage m
            && m.getCommand() == ShortMessage.NOTE_ON
            && m.getData2() > 0) {
          to.struck(m.getChannel() == DRUMS ? m.getData1() : 0, m.getData2());
        }
      }

      @Override
      public void close() {
        // nothing is held
      }
    };
  }

  @Override
  public String name() {
    return device.getDeviceInfo().getName();
  }

  @Override
  public void close() {
    device.close();
  }
}
