package looseecho.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import looseecho.Metrics;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.analysis.Heard;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.dsp.Loudness;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.form.Event;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.notes.Note;
import looseecho.reading.Progress;
import looseecho.reading.Reading.Settled;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The demo against its own truth, through the same analysis as any file. */
class DemoTest {
  private static final Tune TUNE = HarbourTune.write();
  private static final int HEARD_AGAIN = 40; // seconds of the echo
  private static Audio audio;
  private static Analyzer analyzer;
  private static Heard early;
  private static Heard heard;
  private static Analysis analysis;

  @BeforeAll
  static void hear() throws IOException {
    audio =
        new AudioReader()
            .read(Demo.file(Path.of("target/demo"), Progress.NONE), Progress.NONE)
            .audio();
    analyzer = new Analyzer();
    heard = analyzer.listen(audio, half -> early = half, Progress.NONE);
    analysis = analyzer.read(heard, Corrections.NONE, Progress.NONE);
  }

  private static double lanes(Analysis a, double window, Lane... lanes) {
    List<Lane> wanted = Arrays.asList(lanes);
    return Metrics.f(
        TUNE.hits().stream()
            .filter(h -> wanted.contains(h.lane()))
            .mapToDouble(Tune.DrumHit::time)
            .toArray(),
        a.hits().stream()
            .filter(h -> wanted.contains(h.lane()))
            .mapToDouble(h -> h.time())
            .toArray(),
        window);
  }

  /** What is shown while the notes are heard is what the whole has. */
  @Test
  void theFirstHalfHasBeatBarsAndDrums() {
    Analysis half = analyzer.read(early, Corrections.NONE, Progress.NONE);
    assertEquals(analysis.pulse(), half.pulse());
    assertEquals(analysis.hits(), half.hits());
    assertEquals(List.of(), half.tonality().bass());
    assertTrue(analysis.tonality().bass().size() > 20);
  }

  /** Slow measurements that a correction leaves as they are are not made again. */
  @Test
  void aCorrectionOfTheKeyMeasuresNothingAgain() {
    Corrections key = Corrections.NONE.withKey(new Key(4, true));
    Analysis corrected = analyzer.read(heard, key, Progress.NONE);
    assertEquals(new Key(4, true), corrected.tonality().key().value());
    assertSame(
        analyzer.read(heard, Corrections.NONE, Progress.NONE).tonality().voiced(),
        corrected.tonality().voiced());
  }

  @Test
  void theTuneIsAMusicalReference() {
    assertTrue(TUNE.duration() >= 60 && TUNE.duration() <= 95, "length " + TUNE.duration());
    assertTrue(TUNE.parts().size() >= 5 && TUNE.parts().stream().anyMatch(p -> p.bars() % 2 == 1));
    assertEquals(TUNE.duration(), audio.duration(), 0.1);
    assertTrue(audio.peak() <= 0.9);
    double lufs = new Loudness().integrated(audio).orElseThrow();
    assertTrue(lufs > -20 && lufs < -9, "loudness " + lufs);
    double side = 0;
    for (int i = 0; i < audio.length(); i++) {
      side += Math.abs(audio.left(i) - audio.right(i)) / audio.length();
    }
    assertTrue(side > 0.005, "the mix has width");
  }

  @Test
  void tempoBarsAndKeyAreRight() {
    var pulse = analysis.pulse().orElseThrow();
    assertEquals(TUNE.bpm(), pulse.tempo().value(), 0.02);
    assertTrue(pulse.steady());
    double[] beats = pulse.beats().stream().mapToDouble(b -> b.time()).toArray();
    assertTrue(Metrics.f(TUNE.beats().stream().mapToDouble(t -> t).toArray(), beats, 0.02) > 0.97);
    List<Double> downs = new ArrayList<>();
    for (int k = 0; k < TUNE.beats().size(); k += 4) {
      downs.add(TUNE.beats().get(k));
    }
    double[] ones =
        pulse.beats().stream().filter(b -> b.position() == 1).mapToDouble(b -> b.time()).toArray();
    assertTrue(
        Metrics.f(downs.stream().mapToDouble(t -> t).toArray(), ones, 0.07) > 0.9, "downbeats");
    assertEquals(TUNE.key(), analysis.tonality().key().value());
    assertEquals(0, analysis.tonality().tuningCents(), 5);
  }

  /**
   * The floors for snares and hats are low as yet: the demo's hand drums pass for snares, its
   * shaker for a hat (docs/accuracy.md, known faults).
   */
  @Test
  void hitsAreFoundAtTheirTimes() {
    assertTrue(lanes(analysis, 0.05, Lane.KICK) > 0.9, "kick " + lanes(analysis, 0.05, Lane.KICK));
    assertTrue(
        lanes(analysis, 0.05, Lane.SNARE, Lane.CLAP) > 0.6,
        "snare, clap " + lanes(analysis, 0.05, Lane.SNARE, Lane.CLAP));
    assertTrue(
        lanes(analysis, 0.05, Lane.HAT_CLOSED, Lane.HAT_OPEN) > 0.7,
        "hats " + lanes(analysis, 0.05, Lane.HAT_CLOSED, Lane.HAT_OPEN));
    double[] errors =
        TUNE.hits().stream()
            .filter(t -> t.lane() == Lane.SNARE)
            .flatMap(
                t ->
                    analysis.hits().stream()
                        .filter(h -> h.lane() == Lane.SNARE && Math.abs(h.time() - t.time()) < 0.03)
                        .map(h -> 1000 * (h.time() - t.time())))
            .mapToDouble(e -> e)
            .sorted()
            .toArray();
    assertTrue(errors.length > 30, "snares found: " + errors.length);
    assertEquals(0, errors[errors.length / 2], 5, "the late snare is heard at its own time, in ms");
  }

  /**
   * Loud and soft hats are told apart: Pearson's correlation of heard and true loudness over
   * matched hits.
   */
  @Test
  void loudnessFollowsTheStrokes() {
    List<double[]> pairs = new ArrayList<>();
    for (Tune.DrumHit t : TUNE.hits()) {
      if (t.lane() == Lane.HAT_CLOSED) {
        analysis.hits().stream()
            .filter(h -> h.lane() == t.lane() && Math.abs(h.time() - t.time()) < 0.02)
            .findFirst()
            .ifPresent(h -> pairs.add(new double[] {t.velocity(), h.velocity()}));
      }
    }
    assertTrue(pairs.size() > 200, "hats found: " + pairs.size());
    double mx = pairs.stream().mapToDouble(p -> p[0]).average().orElse(0);
    double my = pairs.stream().mapToDouble(p -> p[1]).average().orElse(0);
    double xy = pairs.stream().mapToDouble(p -> (p[0] - mx) * (p[1] - my)).sum();
    double xx = pairs.stream().mapToDouble(p -> (p[0] - mx) * (p[0] - mx)).sum();
    double yy = pairs.stream().mapToDouble(p -> (p[1] - my) * (p[1] - my)).sum();
    assertTrue(xy / Math.sqrt(xx * yy) > 0.5, "correlation " + xy / Math.sqrt(xx * yy));
  }

  @Test
  void bassSectionsAndTheStopAreFound() {
    double[] truth = TUNE.bass().stream().mapToDouble(Tune.Tone::start).toArray();
    double[] found = analysis.tonality().bass().stream().mapToDouble(n -> n.start()).toArray();
    assertTrue(
        Metrics.f(truth, found, 0.05) > 0.6, "bass attacks " + Metrics.f(truth, found, 0.05));
    double[] edges = TUNE.parts().stream().skip(1).mapToDouble(Tune.Part::start).toArray();
    double[] cuts =
        analysis.form().sections().stream().skip(1).mapToDouble(s -> s.start()).toArray();
    assertTrue(
        Metrics.f(edges, cuts, 3) > 0.7,
        Arrays.toString(cuts) + " against " + Arrays.toString(edges));
    assertEquals(
        1,
        analysis.form().events(Event.Kind.STOP).stream()
            .filter(s -> Math.abs(s.end() - TUNE.stopEnd()) < 0.1)
            .count(),
        analysis.form().events(Event.Kind.STOP).toString());
  }

  /**
   * Notes of a line with their pitch: onset within 50 ms, the same semitone (MIREX note tracking).
   */
  private static double noteF(List<Tune.Tone> truth, List<Note> found) {
    double[] t = truth.stream().mapToDouble(n -> 1000 * n.pitch() + n.start()).sorted().toArray();
    double[] f = found.stream().mapToDouble(n -> 1000 * n.pitch() + n.start()).sorted().toArray();
    return Metrics.f(t, f, 0.05);
  }

  @Test
  void bassAndRiffAreWrittenDownAsNotes() {
    double bass = noteF(TUNE.bass(), analysis.tonality().bass());
    double riff = noteF(TUNE.riff(), analysis.tonality().riff());
    assertTrue(bass > 0.6, "bass " + bass);
    assertTrue(riff > 0.6, "riff " + riff);
    assertTrue(!analysis.tonality().figures().isEmpty(), "the riff comes back");
    assertEquals(0, analysis.tonality().tuningCents(), 3);
  }

  @Test
  void theAnalysisIsAPureFunctionAndCorrectionsFlowDownstream() {
    assertEquals(analysis, analyzer.read(heard, Corrections.NONE, Progress.NONE));
    Corrections wanted = Corrections.NONE.withBpm(54).withKey(new Key(5, false));
    Analysis half = analyzer.read(heard, wanted, Progress.NONE);
    assertEquals(54, half.pulse().orElseThrow().tempo().value(), 0.02);
    assertEquals(Settled.CORRECTED, half.tonality().key().settledBy());
    assertEquals(
        analysis.tonality().key().value(), half.tonality().key().alternatives().get(0).value());
    Template template = new TemplateBuilder().build(half).orElseThrow();
    assertEquals(54, template.bpm(), 0.02);
    assertEquals(new Key(5, false), template.key());
    int last = half.hits().stream().mapToInt(h -> h.bar()).max().orElse(0);
    assertTrue(
        last < 0.6 * analysis.hits().stream().mapToInt(h -> h.bar()).max().orElse(0),
        "half as many bars");
  }

  /**
   * An exact echo keeps every hit at its heard time, and sounds its own hits when it is heard
   * again.
   */
  @Test
  void theExactEchoKeepsWhatWasHeard() {
    Template t = new TemplateBuilder().build(analysis).orElseThrow();
    List<Double> echoed = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      int section = s;
      t.sections().get(s).hits(Lane.KICK).forEach(h -> echoed.add(t.time(section, h)));
    }
    double[] kicks =
        analysis.hits().stream()
            .filter(h -> h.lane() == Lane.KICK)
            .mapToDouble(h -> h.time())
            .toArray();
    assertTrue(Metrics.f(kicks, echoed.stream().mapToDouble(d -> d).toArray(), 0.001) > 0.99);
    Audio mix =
        new EchoRenderer(Sounds.plain()).mix(t, Progress.NONE).slice(0, HEARD_AGAIN * 44100);
    Analysis again = analyzer.analyse(mix, Corrections.NONE, Progress.NONE);
    assertEquals(108, again.pulse().orElseThrow().tempo().value(), 0.02);
    double closed =
        Metrics.f(
            Arrays.stream(kicks).filter(k -> k < HEARD_AGAIN).toArray(),
            again.hits().stream()
                .filter(h -> h.lane() == Lane.KICK)
                .mapToDouble(h -> h.time())
                .toArray(),
            0.03);
    assertTrue(closed > 0.85, "kicks heard again: " + closed);
  }

  @Test
  void oddInputGivesSentencesNotCrashes() {
    Audio silence = new Audio(new float[44100 * 4], new float[44100 * 4], 44100);
    Analysis none = analyzer.analyse(silence, Corrections.NONE, Progress.NONE);
    assertEquals(Optional.empty(), none.pulse());
    assertTrue(none.notes().get(0).contains("no sound"), none.notes().toString());
    float[] noise = new float[8000 * 3];
    new java.util.Random(1)
        .doubles(noise.length)
        .forEach(
            new java.util.function.DoubleConsumer() {
              private int i;

              @Override
              public void accept(double x) {
                noise[i++] = (float) (4 * x - 2);
              }
            });
    Analysis clipped =
        analyzer.analyse(new Audio(noise, noise.clone(), 8000), Corrections.NONE, Progress.NONE);
    assertEquals(3, clipped.duration(), 1e-6);
  }
}
