package looseecho.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import looseecho.audio.Audio;
import looseecho.dsp.Loudness;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Placed;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.hits.Hit;
import looseecho.layers.HeardLayer;
import looseecho.layers.Played;
import looseecho.mix.EchoRenderer;
import looseecho.mix.LinesApart;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.reading.Progress;
import looseecho.separate.StemPowers;

/**
 * One of two that are compared.
 *
 * @param name as it is shown
 * @param template what plays
 * @param audio its sound, on the template's times
 * @param lines bass, chords and riff by themselves, where they are known
 */
public record Side(String name, Template template, Audio audio, Map<Line, Audio> lines) {
  private static final double SAME = 0.9995; // of the square of the correlation: -33 dB are left

  /** Of which the mix alone is known. */
  public Side(String name, Template template, Audio audio) {
    this(name, template, audio, Map.of());
  }

  /** An echo, rendered now. */
  public static Side echo(String name, Template t, EchoRenderer renderer, Progress progress) {
    LinesApart apart = LinesApart.of(renderer, t, progress);
    return new Side(name, t, apart.mix(), apart.lines());
  }

  /**
   * Decibels of a line by itself against the whole while it plays; empty where its own sound is not
   * known.
   */
  OptionalDouble levelDb(HeardLayer layer) {
    Optional<Audio> own =
        lines.entrySet().stream()
            .filter(e -> e.getKey().words().equals(layer.family()))
            .map(Map.Entry::getValue)
            .findFirst();
    return own.isEmpty()
        ? OptionalDouble.empty()
        : OptionalDouble.of(
            10 * Math.log10((power(own.get(), layer) + 1e-15) / (power(audio, layer) + 1e-15)));
  }

  /** Weighted power of a sound while a layer plays. */
  private static double power(Audio x, HeardLayer layer) {
    return Loudness.gated(x, layer::sounds);
  }

  /** True when both sound alike sample by sample, as a mix and its file do, at any level. */
  public static boolean same(Audio a, Audio b) {
    if (a.sampleRate() != b.sampleRate()) {
      return false;
    }
    double both = 0;
    double one = 1e-12;
    double other = 1e-12;
    for (int i = 0; i < Math.max(a.length(), b.length()); i++) {
      for (int side = 0; side < 2; side++) {
        double x = i >= a.length() ? 0 : side == 0 ? a.left(i) : a.right(i);
        double y = i >= b.length() ? 0 : side == 0 ? b.left(i) : b.right(i);
        both += x * y;
        one += x * x;
        other += y * y;
      }
    }
    return both * both > SAME * one * other;
  }

  /** The same with all in one section: for two whose sections were found each by itself. */
  public Side whole() {
    int beats = template.sections().stream().mapToInt(TemplateSection::beats).sum();
    TemplateSection all = new TemplateSection("A", "", Math.max(1, beats), Map.of(), Map.of());
    for (Part part : Part.of(template)) {
      if (part instanceof DrumPart drum) {
        all = all.with(drum, joined(s -> s.hits(drum)));
      } else if (part instanceof LinePart line) {
        all = all.with(line, joined(s -> s.notes(line)));
      }
    }
    return new Side(name, template.with(List.of(all)), audio, lines);
  }

  private <E extends Placed<E>> List<E> joined(Function<TemplateSection, List<E>> events) {
    List<E> out = new ArrayList<>();
    int from = 0;
    for (TemplateSection s : template.sections()) {
      for (E e : events.apply(s)) {
        out.add(e.at(from + e.tick(), e.offsetMs()));
      }
      from += s.beats() * template.meter().ticksPerBeat();
    }
    return out;
  }

  /** What plays, in seconds. */
  Played played() {
    double beat = 60 / template.bpm();
    return new Played(
        beat * template.beatsPerBar(),
        beat,
        List.of(),
        hits(),
        notes(Line.BASS),
        notes(Line.CHORDS),
        notes(Line.RIFF));
  }

  /** Its groups of sound, parted now. */
  StemPowers parted(Progress progress) {
    return StemPowers.of(audio, hits(), progress);
  }

  /** All strokes in order of time; the parts of a lane are one. */
  public List<Hit> hits() {
    List<Hit> out = new ArrayList<>();
    for (int k = 0; k < template.sections().size(); k++) {
      for (var drum : template.sections().get(k).drums().entrySet()) {
        for (Stroke s : drum.getValue()) {
          out.add(hit(drum.getKey(), k, s));
        }
      }
    }
    out.sort(Comparator.comparingDouble(Hit::time));
    return out;
  }

  private Hit hit(DrumPart drum, int section, Stroke s) {
    double time = Math.max(0, template.time(section, s));
    return new Hit(drum.lane(), time, s.velocity(), 1, 1, s.offsetMs(), 1);
  }

  private List<Note> notes(Line line) {
    List<Note> out = new ArrayList<>();
    for (int k = 0; k < template.sections().size(); k++) {
      TemplateSection section = template.sections().get(k);
      for (var own : section.lines().entrySet()) {
        if (own.getKey().line() == line) {
          for (Tone n : own.getValue()) {
            double start = Math.max(0, template.time(k, n));
            double end = Math.max(start + 0.02, template.time(k, n.end(), n.offsetMs()));
            out.add(new Note(start, end, n.pitch(), n.velocity(), 1));
          }
        }
      }
    }
    out.sort(Comparator.comparingDouble(Note::start));
    return out;
  }
}
