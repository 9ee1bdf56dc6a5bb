package looseecho.echo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import looseecho.audio.Audio;
import looseecho.hits.Sides;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;

/**
 * Which of a part's hits or notes go into a part of their own.
 *
 * @param words what goes, to follow the part's name
 */
public record Split(String words, Choice choice) {
  private static final double SOFT = 0.75; // of the middle loudness

  /** Says of each hit or note whether it goes. */
  public interface Choice {
    boolean takes(Template t, int section, Placed<?> event);
  }

  /** All of one section. */
  public static Split section(int only) {
    return new Split("of this section", (t, s, e) -> s == only);
  }

  /** What lies on one place of the bar, in every section. */
  public static Split place(int inBar, Grid grid) {
    return new Split(
        "on " + Words.step(inBar),
        (t, s, e) -> {
          BarGrid bars = t.grid(s);
          return Math.abs(bars.inBar(e.tick()) - inBar) <= grid.ticks() / 2;
        });
  }

  /** What lies between the beats. */
  public static Split offBeats() {
    return new Split(
        "between the beats",
        (t, s, e) -> {
          int beat = t.meter().ticksPerBeat();
          return Math.abs(t.grid(s).inBar(e.tick()) % beat - beat / 2.0) < beat / 2.0 - 60;
        });
  }

  /** The soft ones: a quarter below the middle loudness or more. */
  public static Split soft(Template of, Part part) {
    double limit = SOFT * middle(of, part, Split::loudness);
    return new Split("that are soft", (t, s, e) -> loudness(e) < limit);
  }

  /** The upper half by pitch; of hits, those that are tuned higher than the middle one. */
  public static Split high(Template of, Part part) {
    double limit = middle(of, part, Split::pitch);
    return new Split("that are higher", (t, s, e) -> pitch(e) > limit);
  }

  /**
   * Those that are heard further right in a recording; empty where all stand in one place.
   *
   * @param of laid in time as it was heard
   */
  public static Optional<Split> right(Template of, DrumPart drum, Audio audio) {
    List<Double> times = new ArrayList<>();
    for (int s = 0; s < of.sections().size(); s++) {
      for (Stroke h : of.sections().get(s).hits(drum)) {
        times.add(of.time(s, h));
      }
    }
    double[] all = times.stream().mapToDouble(x -> x).toArray();
    return Sides.right(audio, drum.lane(), all)
        .map(
            right -> {
              Set<Double> taken = new HashSet<>();
              IntStream.range(0, all.length).filter(k -> right[k]).forEach(k -> taken.add(all[k]));
              return new Split(
                  "that stand further right", (t, s, e) -> taken.contains(t.time(s, e)));
            });
  }

  private static double loudness(Placed<?> e) {
    return e instanceof Stroke h ? h.velocity() : ((Tone) e).velocity();
  }

  private static double pitch(Placed<?> e) {
    return e instanceof Stroke h ? h.manner().pitch() : ((Tone) e).pitch();
  }

  private static double middle(Template t, Part part, ToDoubleFunction<Placed<?>> value) {
    double[] all =
        t.sections().stream().flatMap(s -> events(s, part)).mapToDouble(value).sorted().toArray();
    return all.length == 0
        ? 0
        : Arrays.stream(all, (all.length - 1) / 2, all.length / 2 + 1).sum()
            / (all.length / 2 + 1 - (all.length - 1) / 2);
  }

  static Stream<? extends Placed<?>> events(TemplateSection s, Part part) {
    return part instanceof DrumPart drum
        ? s.hits(drum).stream()
        : s.notes((LinePart) part).stream();
  }
}
