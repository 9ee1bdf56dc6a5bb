package looseecho.mix;

import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListSet;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.synth.DrumSound;
import looseecho.synth.DrumSynth;
import looseecho.synth.SampleSound;
import looseecho.synth.Shot;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;

/**
 * The one-shots: recordings are read at once, so that missing ones are told; recipes are played
 * when they are first needed. Safe to use from several threads.
 */
final class Shots {
  private static final Shot SILENCE = Shot.of(new float[1]);

  private record Recipe(DrumSound sound, int seed) {}

  private final Map<Recipe, Shot> played = new ConcurrentHashMap<>();
  private final Map<SampleSound, Shot> read = new ConcurrentHashMap<>();
  private final NoteShelf notes = new NoteShelf();
  private final Map<String, Shot> files = new ConcurrentHashMap<>();
  private final Set<String> missing = new ConcurrentSkipListSet<>();

  Shots(Sounds sounds) {
    all(sounds.parts());
    sounds.letters().values().forEach(this::all);
  }

  private void all(Map<Part, Sound> sounds) {
    sounds.entrySet().stream()
        .sorted(Comparator.comparing(e -> e.getKey().toString()))
        .forEach(e -> e.getValue().layers().forEach(l -> read(e.getKey(), l)));
  }

  private void read(Part part, Layer layer) {
    if (layer.source() instanceof SampleSound sample && !read.containsKey(sample)) {
      try {
        read.put(sample, sample.render(EchoRenderer.RATE));
      } catch (IOException | InvalidPathException e) {
        missing.add(
            "The sample for the "
                + part.words()
                + " can't be used, the built-in "
                + (part instanceof DrumPart ? "drum" : "sound")
                + " stands in. "
                + e.getMessage());
      }
    }
  }

  /** A recipe's one-shot; the lane picks its noise. */
  Shot of(DrumSound sound, Lane lane) {
    return played.computeIfAbsent(
        new Recipe(sound, 17 + lane.ordinal()),
        r -> Shot.of(new DrumSynth().render(r.sound(), EchoRenderer.RATE, r.seed())));
  }

  /** A note, made once while there is room to keep it. */
  Shot note(ToneSound sound, ToneSynth.Played played) {
    return notes.get(sound, played);
  }

  /** A drum's recording; the built-in drum where it can't be read. */
  Shot of(SampleSound sample, DrumPart drum) {
    Shot shot = read.get(sample);
    return shot != null ? shot : of(Sounds.builtIn(drum), drum.lane());
  }

  /** A recording by itself; silence where it can't be read. */
  Shot of(SampleSound sample) {
    return read.getOrDefault(sample, SILENCE);
  }

  /** A recording that leads in, read once; silence where it can't be read, which is told. */
  Shot file(String path) {
    return files.computeIfAbsent(
        path,
        p -> {
          try {
            return SampleSound.of(Path.of(p)).render(EchoRenderer.RATE);
          } catch (IOException | InvalidPathException e) {
            missing.add("The recording that leads in can't be used. " + e.getMessage());
            return SILENCE;
          }
        });
  }

  /** True where a recording could be read. */
  boolean has(SampleSound sample) {
    return read.containsKey(sample);
  }

  /** Sentences about recordings that could not be read, in order. */
  List<String> missing() {
    return List.copyOf(missing);
  }
}
