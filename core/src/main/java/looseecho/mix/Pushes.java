package looseecho.mix;

import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.Template;
import looseecho.pulse.BarGrid;

/** What pushes a part down. */
final class Pushes {
  private Pushes() {}

  /** Samples at which a part is pushed down. */
  static int[] of(Template t, Strip strip) {
    Duck duck = strip.duck();
    int[] out = duck.first() == Duck.First.NONE ? new int[0] : LayerScore.times(t, strip.duckBy());
    for (Lane lane : duck.also()) {
      out = LayerScore.joined(out, LayerScore.times(t, lane));
    }
    if (duck.everyBeat()) {
      out =
          LayerScore.joined(
              out, t.beats().stream().mapToInt(b -> LayerScore.at(b.time())).toArray());
    }
    if (duck.everyBar()) {
      out = LayerScore.joined(out, bars(t));
    }
    return out;
  }

  private static int[] bars(Template t) {
    return IntStream.range(0, t.sections().size())
        .boxed()
        .flatMap(
            s ->
                t.grid(s).bars().stream()
                    .map(BarGrid.Bar::from)
                    .map(tick -> LayerScore.at(t.time(s, tick, 0))))
        .mapToInt(Integer::intValue)
        .toArray();
  }
}
