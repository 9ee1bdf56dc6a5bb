package looseecho.play;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Transmitter;

/** A connected MIDI instrument: every note-on is a stroke. */
public final class MidiInput implements StrokeInput {
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
  public void listen(IntConsumer stroke) {
    try {
      device.open();
      Transmitter t = device.getTransmitter();
      t.setReceiver(receiver(stroke));
    } catch (MidiUnavailableException e) {
      throw new IllegalStateException(name() + " is in use by another program.", e);
    }
  }

  /** Passes on the velocities of note-ons; a note-on of velocity 0 is a note-off (MIDI 1.0). */
  static Receiver receiver(IntConsumer stroke) {
    return new Receiver() {
      @Override
      public void send(MidiMessage message, long timeStamp) {
        if (message instanceof ShortMessage m
            && m.getCommand() == ShortMessage.NOTE_ON
            && m.getData2() > 0) {
          stroke.accept(m.getData2());
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
