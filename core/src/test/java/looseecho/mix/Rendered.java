package looseecho.mix;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.LinkedHashMap;
import java.util.Map;
import looseecho.audio.Audio;
import looseecho.audio.SampleSink;
import looseecho.echo.Template;
import looseecho.reading.Progress;

/** A short rendering as a whole: the mix and its stems, all before the limiter, and its course. */
record Rendered(Audio mix, Map<String, Audio> stems, Audio course) {
  static Rendered of(EchoRenderer renderer, Template t) {
    Map<String, SampleSink> sinks = new LinkedHashMap<>();
    try {
      renderer.stream(
          t,
          true,
          (mix, stems, course) -> {
            add(sinks, "mix of all", mix);
            stems.forEach((name, stem) -> add(sinks, name, stem));
            float[] pair = new float[2];
            for (float g : course) {
              pair[0] = g;
              pair[1] = g;
              sinks.computeIfAbsent("course", n -> SampleSink.at(mix.rate())).add(pair, 2);
            }
          },
          Progress.NONE);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Audio mix = sinks.remove("mix of all").audio();
    Audio course = sinks.remove("course").audio();
    Map<String, Audio> stems = new LinkedHashMap<>();
    sinks.forEach((name, sink) -> stems.put(name, sink.audio()));
    return new Rendered(mix, stems, course);
  }

  private static void add(Map<String, SampleSink> sinks, String name, Bus bus) {
    SampleSink sink = sinks.computeIfAbsent(name, n -> SampleSink.at(bus.rate()));
    for (int i = 0; i < bus.length(); i++) {
      sink.add(new float[] {bus.left(i), bus.right(i)}, 2);
    }
  }
}
