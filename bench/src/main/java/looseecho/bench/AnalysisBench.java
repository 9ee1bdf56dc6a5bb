package looseecho.bench;

import java.io.IOException;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import looseecho.activity.Activities;
import looseecho.activity.ActivityNet;
import looseecho.activity.Lane;
import looseecho.activity.LineNet;
import looseecho.activity.MelSpectra;
import looseecho.activity.Register;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.analysis.Heard;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.demo.Demo;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.hits.Envelope;
import looseecho.hits.HitDetails;
import looseecho.hits.HitFinder;
import looseecho.hits.Strokes;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.BassDetails;
import looseecho.notes.LineFinder;
import looseecho.pulse.Pulse;
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
 * A four-minute stereo track, made of the demo repeated, through the whole analysis, a correction,
 * and the renderer.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Fork(1)
@Warmup(iterations = 1)
@Measurement(iterations = 3)
public class AnalysisBench {
  private static final int SECONDS = 240;
  private Audio track;
  private Analyzer analyzer;
  private Heard heard;
  private Template template;
  private EchoRenderer renderer;
  private final ActivityNet net = ActivityNet.load();
  private final LineNet bassNet = LineNet.load(Register.BASS);
  private final LineNet riffNet = LineNet.load(Register.RIFF);
  private float[] mono;
  private float[] low;
  private float[] middle;
  private Pulse pulse;

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
    renderer.mix(template, Progress.NONE);
    mono = new Resampler().resample(track.mono(), demo.sampleRate(), MelSpectra.RATE);
    low = new Resampler().resample(mono, MelSpectra.RATE, Register.BASS.rate());
    middle = new Resampler().resample(mono, MelSpectra.RATE, Register.RIFF.rate());
    pulse = analyzer.read(heard, Corrections.NONE, Progress.NONE).pulse().orElseThrow();
  }

  @Benchmark
  public Analysis wholeAnalysis() {
    return analyzer.analyse(track, Corrections.NONE, Progress.NONE);
  }

  /** Spectra and the network for drums and beats, the hits picked from it and measured. */
  @Benchmark
  public Object hitsStage() {
    MelSpectra mel = MelSpectra.of(mono, Progress.NONE);
    Activities a = net.run(mel, Progress.NONE);
    return new HitDetails(new Envelope(mel), new Strokes(track), pulse)
        .complete(new HitFinder(HitFinder.Settings.DEFAULTS).find(a, pulse, Progress.NONE));
  }

  /** Both line networks and their notes, the sound already at their rates. */
  @Benchmark
  public Object notesStage() {
    var bass =
        new BassDetails(low, Register.BASS.rate(), 0, t -> false)
            .complete(
                new LineFinder(LineFinder.Settings.BASS)
                    .find(bassNet.run(low, 0, Progress.NONE), Optional.of(pulse)));
    var riff =
        new LineFinder(LineFinder.Settings.RIFF)
            .find(riffNet.run(middle, 0, Progress.NONE), Optional.empty());
    return bass.size() + riff.size();
  }

  @Benchmark
  public Analysis correction() {
    return analyzer.read(heard, Corrections.NONE.withBpm(54), Progress.NONE);
  }

  @Benchmark
  public Audio renderTemplate() {
    return new EchoRenderer(Sounds.plain()).mix(template, Progress.NONE);
  }

  /** One step put in: only that part is rendered anew, and all are mixed. */
  @Benchmark
  public Audio renderEdit() {
    template = Edits.toggle(template, Cell.step(0, Part.of(Lane.CLAP), 5), 80, false).template();
    return renderer.mix(template, Progress.NONE);
  }

  /** One step put in, until what is played next is there. */
  @Benchmark
  public Object editHeard() {
    Template edited =
        Edits.toggle(template, Cell.step(2, Part.of(Lane.CLAP), 5), 80, false).template();
    return renderer.excerpt(edited, 60, 2.5, Progress.NONE);
  }
}
