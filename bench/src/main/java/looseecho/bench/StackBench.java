package looseecho.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Cell;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.mix.Chain;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Excerpt;
import looseecho.mix.Layer;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.mix.Spread;
import looseecho.mix.Squeeze;
import looseecho.notes.Line;
import looseecho.reading.Progress;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * A minute of eight busy parts of six layers each, every layer driven, pressed and doubled. Notes
 * differ in length and loudness, so that few of them are alike.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Fork(1)
@Warmup(iterations = 3)
@Measurement(iterations = 6)
public class StackBench {
  private static final int BARS = 30; // at 120 beats per minute, a minute
  private static final int LAYERS = 6;
  private static final List<Lane> LANES =
      List.of(Lane.KICK, Lane.SNARE, Lane.CLAP, Lane.HAT_CLOSED, Lane.PERCUSSION);
  private Template template;
  private Sounds sounds;
  private EchoRenderer renderer;

  /** Builds the template. */
  @Setup
  public void build() {
    Map<DrumPart, List<Stroke>> drums = new HashMap<>();
    Map<LinePart, List<Tone>> lines = new HashMap<>();
    for (int step = 0; step < 16 * BARS; step++) {
      int loud = 50 + step * 37 % 60;
      for (Lane lane : LANES) {
        drums
            .computeIfAbsent(Part.of(lane), l -> new ArrayList<>())
            .add(Stroke.onStep(step, 0, loud));
      }
      for (Line line : step % 2 == 0 ? Line.values() : new Line[0]) {
        int pitch = 40 + 12 * line.ordinal() + step * 7 % 5;
        lines
            .computeIfAbsent(Part.of(line), l -> new ArrayList<>())
            .add(Tone.onStep(step, 0, 2, pitch, loud));
      }
    }
    template = Steady.template(BARS, drums, lines);
    sounds = Sounds.plain();
    Chain chain =
        Chain.PLAIN
            .with(Chain.Dial.DRIVE, 2)
            .with(Chain.Dial.LOW_CUT, 60)
            .with(new Squeeze(-20, 3, 10, 120, 0));
    for (Part part : Part.of(template)) {
      Sound sound = sounds.sound(part);
      Layer layer = Layer.of(sound.source()).with(chain).with(new Spread(Spread.Kind.DOUBLED, 0.4));
      Sound stack = sound.with(layer);
      for (int k = 1; k < LAYERS; k++) {
        stack = stack.and(layer.placed(-3 * k, 0));
      }
      sounds = sounds.with(part, stack);
    }
    renderer = new EchoRenderer(sounds);
  }

  @Benchmark
  public Audio minute() {
    return new EchoRenderer(sounds).mix(template, Progress.NONE);
  }

  /** An edit in the middle, until what is played next is there. */
  @Benchmark
  public Excerpt editHeard() {
    Template edited =
        Edits.toggle(template, Cell.step(0, Part.of(Lane.CLAP), 240), 80, false).template();
    return renderer.excerpt(edited, 30, 1.6, Progress.NONE);
  }
}
