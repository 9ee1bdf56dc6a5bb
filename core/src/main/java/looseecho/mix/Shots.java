package looseecho.mix;

import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import looseecho.echo.DrumPart;
import looseecho.synth.DrumSynth;

/**
 * The drums' one-shots: samples are read at once, so that missing ones are told; recipes are played
 * when they are first needed. Safe to use from several threads.
 */
final class Shots {
  private final Sounds sounds;
  private final Map<DrumPart, float[]> made = new ConcurrentHashMap<>();
  private final List<String> missing = new ArrayList<>();

  Shots(Sounds sounds) {
    this.sounds = sounds;
    sounds
        .samples()
        .forEach(
            (drum, sample) -> {
              try {
                made.put(drum, sample.render(EchoRenderer.RATE));
              } catch (IOException | InvalidPathException e) {
                missing.add(
                    "The sample for the "
                        + drum.words()
                        + " can't be used, the built-in drum stands in. "
                        + e.getMessage());
              }
            });
  }

  /** A drum's one-shot; the synthesised one where a sample can't be read. Not to be changed. */
  float[] of(DrumPart drum) {
    return made.computeIfAbsent(
        sounds.source(drum),
        d -> new DrumSynth().render(sounds.drum(d), EchoRenderer.RATE, 17 + d.lane().ordinal()));
  }

  /** Sentences about samples that could not be read, in the parts' order. */
  List<String> missing() {
    return missing.stream().sorted().toList();
  }
}
