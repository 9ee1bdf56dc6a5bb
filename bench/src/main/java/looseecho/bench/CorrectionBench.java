package looseecho.bench;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.TimeUnit;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.analysis.Heard;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.SampleSink;
import looseecho.demo.Demo;
import looseecho.form.SectionMark;
import looseecho.hits.HitMark;
import looseecho.notes.Key;
import looseecho.reading.Progress;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long a correction takes until its readings are there, on a long track heard before. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx4g")
@Warmup(iterations = 3)
@Measurement(iterations = 5)
public class CorrectionBench {
  /** Length of the track: the demo over and over. */
  @Param({"600", "7200"})
  private int seconds;

  @Param({"KEY", "TEMPO", "BAR_ONE", "HIT", "SECTION"})
  private Kind kind;

  private Analyzer analyzer;
  private Heard heard;

  /** What is corrected. */
  public enum Kind {
    KEY,
    TEMPO,
    BAR_ONE,
    HIT,
    SECTION;

    Corrections of() {
      Corrections none = Corrections.NONE;
      return switch (this) {
        case KEY -> none.withKey(new Key(4, true));
        case TEMPO -> none.withBpm(54);
        case BAR_ONE -> none.withBarOneAt(4.5);
        case HIT -> none.withHits(List.of(HitMark.add(Lane.CLAP, 31.4, 90)));
        case SECTION -> none.withSections(List.of(new SectionMark(0, "A", "verse")));
      };
    }
  }

  /** Hears the track once. */
  @Setup
  public void hear() throws IOException {
    Audio demo =
        new AudioReader().read(Demo.file(Demo.cache(), Progress.NONE), Progress.NONE).audio();
    SampleSink sink = SampleSink.at(demo.sampleRate());
    float[] pair = new float[2];
    for (long i = 0; i < (long) seconds * demo.sampleRate(); i++) {
      pair[0] = demo.left((int) (i % demo.length()));
      pair[1] = demo.right((int) (i % demo.length()));
      sink.add(pair, 2);
    }
    analyzer = new Analyzer();
    heard = analyzer.listen(sink.audio(), Progress.NONE);
  }

  /** Back to what was heard, so that each correction is a new one. */
  @Setup(Level.Iteration)
  public void back() {
    analyzer.read(heard, Corrections.NONE, Progress.NONE);
  }

  @Benchmark
  public Analysis correction() {
    return analyzer.read(heard, kind.of(), Progress.NONE);
  }
}
