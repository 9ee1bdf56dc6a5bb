package looseecho.bench;

import java.io.IOException;
import java.util.concurrent.TimeUnit;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.demo.Demo;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.reading.Progress;
import looseecho.sound.EchoRenderer;
import looseecho.sound.Sounds;
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
 * A four-minute stereo track, made of the demo repeated, through the whole analysis, a correction,
 * and the renderer.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Fork(1)
@Warmup(iterations = 1)
@Measurement(iterations = 4)
public class AnalysisBench {
  private static final int SECONDS = 240;
  private Audio track;
  private Analyzer analyzer;
  private Analyzer.Heard heard;
  private Template template;
  private EchoRenderer renderer;

  @Setup
  public void setUp() throws IOException {
    Audio demo =
        new AudioReader().read(Demo.file(Demo.cache(), Progress.NONE), Progress.NONE).audio();
    float[][] sides = new float[2][SECONDS * demo.sampleRate()];
    for (int i = 0; i < sides[0].length; i++) {
      sides[0][i] = demo.left(i % demo.length());
      sides[1][i] = demo.right(i % demo.length());
    }
    track = new Audio(sides[0], sides[1], demo.sampleRate());
    analyzer = new Analyzer();
    heard = analyzer.listen(track, Progress.NONE);
    template =
        new TemplateBuilder()
            .build(analyzer.read(heard, Corrections.NONE, Progress.NONE))
            .orElseThrow();
    renderer = new EchoRenderer(Sounds.plain());
  }

  @Benchmark
  public Analysis wholeAnalysis() {
    return analyzer.analyse(track, Corrections.NONE, Progress.NONE);
  }

  @Benchmark
  public Analysis correction() {
    return analyzer.read(heard, Corrections.NONE.withBpm(54), Progress.NONE);
  }

  @Benchmark
  public Audio renderTemplate() {
    return renderer.mix(template, Progress.NONE);
  }
}
