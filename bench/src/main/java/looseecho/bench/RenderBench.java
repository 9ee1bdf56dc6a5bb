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
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.mix.Bed;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Excerpt;
import looseecho.mix.Sounds;
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
 * Four minutes in which every part there is plays, the drums on every sixteenth and the lines on
 * every eighth in chords of two, through room and delay over a bed of noise.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Fork(1)
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class RenderBench {
  private static final int BARS = 120; // at 120 beats per minute, four minutes
  private Template template;
  private Template many;
  private Sounds sounds;
  private EchoRenderer renderer;

  /** Builds the template. */
  @Setup
  public void build() {
    Map<DrumPart, List<Stroke>> drums = new HashMap<>();
    Map<LinePart, List<Tone>> lines = new HashMap<>();
    for (int step = 0; step < 16 * BARS; step++) {
      for (Lane lane : Lane.values()) {
        drums
            .computeIfAbsent(Part.of(lane), l -> new ArrayList<>())
            .add(Stroke.onStep(step, 0, 60));
      }
      for (Line line : step % 2 == 0 ? Line.values() : new Line[0]) {
        List<Tone> notes = lines.computeIfAbsent(Part.of(line), l -> new ArrayList<>());
        notes.add(Tone.onStep(step, 0, 2, 40 + 12 * line.ordinal(), 70));
        notes.add(Tone.onStep(step, 0, 2, 47 + 12 * line.ordinal(), 70));
      }
    }
    template = Steady.template(BARS, drums, lines);
    sounds = Sounds.plain().with(Bed.OFF.level(-40)).driven(1);
    for (Part p : Part.of(template)) {
      sounds = sounds.with(p, sounds.strip(p).sends(0.2, 0.2).ducked(6, 150));
    }
    renderer = new EchoRenderer(sounds);
    many = template.with(0, thrice(template.sections().get(0)));
  }

  /** Three parts of every kind: 48. */
  private static TemplateSection thrice(TemplateSection all) {
    TemplateSection out = all;
    for (int n = 2; n <= 3; n++) {
      for (DrumPart drum : all.drums().keySet()) {
        out = out.with(drum.numbered(n), all.hits(drum));
      }
      for (LinePart line : all.lines().keySet()) {
        out = out.with(line.numbered(n), all.notes(line));
      }
    }
    return out;
  }

  @Benchmark
  public Audio everyPart() {
    return new EchoRenderer(sounds).mix(template, Progress.NONE);
  }

  /** Forty-eight parts. */
  @Benchmark
  public Audio manyParts() {
    return new EchoRenderer(sounds).mix(many, Progress.NONE);
  }

  /** An edit in the middle, until what is played next is there. */
  @Benchmark
  public Excerpt editHeard() {
    Template edited =
        Edits.toggle(template, Cell.step(0, Part.of(Lane.CLAP), 960), 80, false).template();
    return renderer.excerpt(edited, 120, 1.6, Progress.NONE);
  }
}
