package looseecho.desktop;

import java.io.IOException;
import java.nio.file.Path;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.echo.Part;
import looseecho.mix.Bus;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;

/** A plain beat as a file, where a test needs a short track. */
public final class ClickTrack {
  private ClickTrack() {}

  public static void write(Path file, int seconds) throws IOException {
    int rate = EchoRenderer.RATE;
    EchoRenderer kit = new EchoRenderer(Sounds.plain());
    Bus bus = new Bus(seconds * rate, rate);
    float[] hat = kit.oneShot(Part.of(Lane.HAT_CLOSED), 90);
    float[] kick = kit.oneShot(Part.of(Lane.KICK), 110);
    float[] snare = kit.oneShot(Part.of(Lane.SNARE), 110);
    for (int eighth = 0; eighth * 0.25 < seconds - 1; eighth++) {
      bus.add(hat, eighth * 0.25, 1, 0);
      if (eighth % 2 == 0) {
        bus.add(eighth % 4 == 0 ? kick : snare, eighth * 0.25, 1, 0);
      }
    }
    Audio audio = bus.audio(0.5);
    new WavWriter().write(audio, file);
  }
}
