package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.Arrays;
import looseecho.activity.Lane;
import looseecho.audio.WavWriter;
import looseecho.echo.Part;
import looseecho.mix.Bus;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

/** Commands, and a beat to try them on. */
abstract class CommandTest {
  @TempDir protected Path dir;
  protected final StringWriter out = new StringWriter();
  protected final StringWriter err = new StringWriter();

  int run(Object... args) {
    out.getBuffer().setLength(0);
    err.getBuffer().setLength(0);
    String[] words = Arrays.stream(args).map(String::valueOf).toArray(String[]::new);
    return new CommandLine(new Main())
        .setOut(new PrintWriter(out))
        .setErr(new PrintWriter(err))
        .execute(words);
  }

  /** Sixteen seconds of a plain beat at 120. */
  Path beat() throws IOException {
    return beat(dir, "pier beat.wav", 0.25, 16);
  }

  /** A plain beat whose eighths last so many seconds. */
  Path beat(Path folder, String name, double eighthSeconds, int seconds) throws IOException {
    EchoRenderer kit = new EchoRenderer(Sounds.plain());
    Bus bus = new Bus(seconds * EchoRenderer.RATE, EchoRenderer.RATE);
    for (int eighth = 0; eighth * eighthSeconds < seconds - 1; eighth++) {
      double at = eighthSeconds * eighth;
      bus.add(kit.oneShot(Part.of(Lane.HAT_CLOSED), eighth % 2 == 0 ? 100 : 70), at, 1, 0);
      if (eighth % 2 == 0) {
        Lane lane = eighth % 4 == 0 ? Lane.KICK : Lane.SNARE;
        bus.add(kit.oneShot(Part.of(lane), 110), at, 1, 0);
      }
    }
    Path file = folder.resolve(name);
    new WavWriter().write(bus.audio(0.5), file);
    return file;
  }
}
