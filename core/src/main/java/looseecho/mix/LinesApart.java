package looseecho.mix;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import looseecho.audio.Audio;
import looseecho.audio.SampleSink;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.notes.Line;
import looseecho.reading.Progress;

/**
 * A mix, and what bass, chords and riff are in it, each with all of its parts.
 *
 * @param mix as it is heard
 * @param lines by themselves; none of what plays nothing
 */
public record LinesApart(Audio mix, Map<Line, Audio> lines) {
  public LinesApart {
    lines = Map.copyOf(lines);
  }

  /** Renders both at once. */
  public static LinesApart of(EchoRenderer renderer, Template t, Progress progress) {
    SampleSink mix = SampleSink.at(EchoRenderer.RATE);
    Map<Line, SampleSink> sinks = new EnumMap<>(Line.class);
    for (Part part : Part.of(t)) {
      part.asLine()
          .ifPresent(l -> sinks.computeIfAbsent(l.line(), k -> SampleSink.at(EchoRenderer.RATE)));
    }
    try {
      renderer.stream(
          t,
          true,
          (whole, stems, course) -> {
            whole.into(mix, course);
            for (Map.Entry<Line, SampleSink> e : sinks.entrySet()) {
              sum(t, e.getKey(), stems, whole.length()).into(e.getValue(), course);
            }
          },
          progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Map<Line, Audio> lines = new EnumMap<>(Line.class);
    sinks.forEach((line, sink) -> lines.put(line, sink.audio()));
    return new LinesApart(mix.audio(), lines);
  }

  private static Bus sum(Template t, Line line, Map<String, Bus> stems, int length) {
    Bus sum = new Bus(length, EchoRenderer.RATE);
    for (Part part : Part.of(t)) {
      Bus stem = stems.get(t.name(part)); // none where it is muted
      if (stem != null && part.asLine().filter(l -> l.line() == line).isPresent()) {
        sum.add(stem, 1);
      }
    }
    return sum;
  }
}
