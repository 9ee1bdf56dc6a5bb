package looseecho.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.dsp.Loudness;
import looseecho.layers.HeardLayer;
import looseecho.layers.LayerFinder;
import looseecho.reading.Progress;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How loud the demo's layers are heard, against the same drums rendered by themselves. */
class DemoLayersTest {
  private static final Tune TUNE = HarbourTune.write();
  private static Audio audio;
  private static List<HeardLayer> layers;

  @BeforeAll
  static void hear() throws IOException {
    audio =
        new AudioReader()
            .read(Demo.file(Path.of("target/demo"), Progress.NONE), Progress.NONE)
            .audio();
    layers =
        new LayerFinder(
                audio,
                new Analyzer().analyse(audio, Corrections.NONE, Progress.NONE),
                Progress.NONE)
            .find();
  }

  /** Against the snare, since the whole is limited and a drum by itself is not. */
  @ParameterizedTest
  @CsvSource({"kick, KICK", "clap, CLAP", "open hat, HAT_OPEN"})
  void aDrumIsAsLoudAgainstTheSnareAsItsSourceIs(String name, Lane lane) {
    double heard = layer(name).levelDb() - layer("snare").levelDb();
    double source = alone(lane, layer(name)) - alone(Lane.SNARE, layer("snare"));
    assertEquals(source, heard, 2.5);
  }

  private static HeardLayer layer(String name) {
    return layers.stream().filter(l -> l.name().equals(name)).findFirst().orElseThrow();
  }

  /** Decibels of a drum's own sound against the whole while its layer plays. */
  private static double alone(Lane lane, HeardLayer layer) {
    Tune one =
        new Tune(
            TUNE.bpm(),
            TUNE.key(),
            TUNE.beats(),
            TUNE.parts(),
            TUNE.hits().stream().filter(h -> h.lane().base() == lane).toList(),
            List.of(),
            List.of(),
            List.of(),
            TUNE.stopStart(),
            TUNE.stopEnd(),
            TUNE.riseStart(),
            TUNE.riseStart() + 0.01,
            TUNE.duration());
    Audio own = new HarbourMix().render(one, Progress.NONE);
    return 10
        * Math.log10(Loudness.gated(own, layer::sounds) / Loudness.gated(audio, layer::sounds));
  }
}
