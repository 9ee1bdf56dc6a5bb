package looseecho.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Path;
import java.util.function.IntToDoubleFunction;
import looseecho.Metrics;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.exchange.JamsWriter;
import looseecho.mix.Bus;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Odd but ordinary material: loops, silence, fades, single bars, extreme tempos, other tunings. */
class RobustTest {
  private static final int RATE = EchoRenderer.RATE;
  @TempDir private Path dir;

  private static final Analyzer ANALYZER = new Analyzer();
  private static final EchoRenderer KIT = new EchoRenderer(Sounds.plain());

  /** Kick and snare in turn, hats on eighths; the same bar over and over. */
  private static Bus beat(double bpm, double seconds, double start, IntToDoubleFunction gain) {
    Bus bus = new Bus((int) (seconds * RATE), RATE);
    double eighth = 30 / bpm;
    for (int k = 0; start + k * eighth < seconds - 0.2; k++) {
      double t = start + k * eighth;
      double g = gain.applyAsDouble(k);
      bus.add(KIT.oneShot(Part.of(Lane.HAT_CLOSED), k % 2 == 0 ? 100 : 70), t, g, 0);
      if (k % 2 == 0) {
        bus.add(KIT.oneShot(k % 4 == 0 ? Part.of(Lane.KICK) : Part.of(Lane.SNARE), 112), t, g, 0);
      }
    }
    return bus;
  }

  private static void chord(Bus bus, double at, double seconds, double cents, int... pitches) {
    for (int p : pitches) {
      float[] tone = new ToneSynth().render(ToneSound.PAD, p + cents / 100, seconds, 100, RATE);
      bus.add(tone, at, 0.12, 0);
    }
  }

  private static Analysis hear(Bus bus) {
    Audio audio = bus.audio(0.5);
    return ANALYZER.analyse(audio, Corrections.NONE, Progress.NONE);
  }

  /** Felt tempo within 4 % of the written one or of its double, half, triple or third (MIREX). */
  @ParameterizedTest
  @CsvSource({"50", "92.5", "125", "128", "174", "220"})
  void loopsOfAllTemposAreSteadyAndOneSection(double bpm) {
    Analysis a = hear(beat(bpm, 24, 0.3, k -> 1));
    Pulse p = a.pulse().orElseThrow();
    assertTrue(
        Metrics.tempoOrRelated(bpm, p.tempo().value()), bpm + " heard as " + p.tempo().value());
    assertTrue(p.steady(), "a loop is steady");
    assertTrue(a.form().sections().size() <= 2, a.form().sections().toString());
    double[] kicks =
        a.hits().stream().filter(h -> h.lane() == Lane.KICK).mapToDouble(h -> h.time()).toArray();
    double[] truth = new double[(int) ((24 - 0.5) / (120 / bpm)) + 1];
    for (int k = 0; k < truth.length; k++) {
      truth[k] = 0.3 + k * 120 / bpm;
    }
    assertTrue(
        Metrics.f(truth, kicks, Metrics.ONSET) > 0.9, "kicks " + Metrics.f(truth, kicks, 0.05));
  }

  @Test
  void silenceAtTheStartGetsNoBeats() {
    Analysis a = hear(beat(120, 30, 8, k -> 1));
    double first = a.pulse().orElseThrow().beats().get(0).time();
    assertTrue(first > 7.4, "the first beat is at " + first);
    assertTrue(a.hits().stream().allMatch(h -> h.time() > 7.8));
    assertEquals(120, a.pulse().orElseThrow().tempo().value(), 0.05);
  }

  @Test
  void aFadeInKeepsItsTempo() {
    Analysis a = hear(beat(110, 30, 0.2, k -> Math.min(1, 0.02 + k / 40.0)));
    assertEquals(110, a.pulse().orElseThrow().tempo().value(), 0.05);
  }

  /**
   * One bar alone: whatever is said about it, it is said without a fault, and its hits are there.
   */
  @Test
  void oneBarIsHeard() {
    Analysis a = hear(beat(100, 2.6, 0.05, k -> 1));
    assertTrue(a.pulse().isPresent() || !a.notes().isEmpty(), "a pulse or a sentence");
    a.pulse().ifPresent(p -> assertTrue(a.hits().stream().anyMatch(h -> h.lane() == Lane.KICK)));
    assertEquals(2.6, a.duration(), 0.01);
  }

  /** Equal temperament a third of a semitone up: 35 cents over 440 Hz. */
  @Test
  void anOffTuneRecordingIsMeasuredAndItsKeyStays() {
    Bus bus = beat(100, 24, 0.1, k -> 0.5);
    int[][] chords = {{57, 60, 64}, {53, 57, 60}, {48, 52, 55}, {55, 59, 62}};
    for (int k = 0; k < 10; k++) {
      chord(bus, 0.1 + 2.4 * k, 2.2, 35, chords[k % 4]);
      bus.add(
          new ToneSynth().render(ToneSound.BASS, chords[k % 4][0] - 24.0 + 0.35, 2, 100, RATE),
          0.1 + 2.4 * k,
          0.4,
          0);
    }
    Analysis a = hear(bus);
    assertEquals(35, a.tonality().tuningCents(), 4);
    Key key = a.tonality().key().value();
    assertTrue(
        key.fifths() == 0
            || a.tonality().key().alternatives().stream()
                .anyMatch(k -> k.value().equals(new Key(9, true))),
        "A minor or C major: " + key.words());
    double[] bass =
        a.tonality().bass().stream()
            .filter(n -> n.pitch() % 12 == 9)
            .mapToDouble(n -> n.start())
            .toArray();
    assertTrue(bass.length >= 2, "the bass is found at its pitch in spite of the tuning");
  }

  /** What is no music is said to be none: noise, a lone tone, a constant, silence. */
  @ParameterizedTest
  @ValueSource(strings = {"noise", "sine", "constant", "silence"})
  void whatIsNoMusicHasNeitherBeatNorKeyNorNotes(String kind) throws IOException {
    java.util.SplittableRandom random = new java.util.SplittableRandom(1);
    float[] x = new float[12 * RATE];
    for (int i = 0; i < x.length; i++) {
      x[i] =
          switch (kind) {
            case "noise" -> (float) random.nextDouble(-0.4, 0.4);
            case "sine" -> (float) (0.5 * Math.sin(2 * Math.PI * 440 * i / RATE));
            case "constant" -> 0.3f;
            default -> 0;
          };
    }
    Analysis a = ANALYZER.analyse(new Audio(x, x, RATE), Corrections.NONE, Progress.NONE);
    assertTrue(a.pulse().isEmpty() && a.hits().isEmpty(), "no beat");
    assertTrue(a.tonality().bass().isEmpty() && a.tonality().riff().isEmpty(), "no notes");
    assertFalse(a.tonality().tonal());
    assertEquals(0, a.tonality().key().confidence());
    assertTrue(a.notes().stream().anyMatch(n -> n.contains("No key")), a.notes().toString());
    new JamsWriter().write(a, kind, dir.resolve("a.jams"));
    var annotations =
        new ObjectMapper().readTree(dir.resolve("a.jams").toFile()).path("annotations");
    for (var n : annotations) {
      assertNotEquals("beat", n.path("namespace").asText());
      if (n.path("namespace").asText().equals("key_mode")) {
        assertEquals("N", n.at("/data/0/value").asText());
      }
    }
  }

  /** Tempos at both ends of what may be set, and such as a person comes by in halving twice. */
  @Test
  void everyTempoThatMayBeSetCanBeHeard() {
    Heard heard = ANALYZER.listen(beat(84, 16, 0.1, k -> 1).audio(0.5), Progress.NONE);
    for (double bpm : new double[] {20, 21, 21.7, 42, 168, 370, 390, 400}) {
      Analysis a = ANALYZER.read(heard, Corrections.NONE.withBpm(bpm), Progress.NONE);
      assertTrue(a.pulse().isPresent(), bpm + " BPM");
    }
  }

  @Test
  void tonesWithoutDrumsHaveAKey() {
    Bus bus = new Bus(20 * RATE, RATE);
    for (int k = 0; k < 8; k++) {
      chord(bus, 2.4 * k, 2.3, 0, k % 2 == 0 ? new int[] {50, 57, 62, 65} : new int[] {55, 58, 62});
    }
    Analysis a = hear(bus);
    assertEquals(-1, a.tonality().key().value().fifths(), a.tonality().key().value().words());
    assertTrue(a.hits().size() < 40, "hardly any drums: " + a.hits().size());
  }
}
