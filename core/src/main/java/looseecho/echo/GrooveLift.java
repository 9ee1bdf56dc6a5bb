package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import looseecho.echo.Edits.Edited;
import looseecho.pulse.BarGrid;

/**
 * A groove as an object of its own: offset and loudness per place of the bar and lane, taken from
 * strokes and put on others.
 *
 * @param ticksPerBar length of the bar that it was taken from
 * @param drums per lane and tick of the bar, from 0, what is usual there
 */
public record GrooveLift(int ticksPerBar, Map<DrumPart, Map<Integer, Feel>> drums) {
  /** Offset and loudness. */
  public record Feel(double offsetMs, double velocity) {}

  /** The groove of a section. */
  public static GrooveLift of(Template t, int section) {
    BarGrid grid = t.grid(section);
    Map<DrumPart, Map<Integer, Feel>> drums = new TreeMap<>();
    t.sections()
        .get(section)
        .drums()
        .forEach(
            (drum, hits) -> {
              Map<Integer, List<Stroke>> places = new TreeMap<>();
              hits.forEach(
                  h -> places.computeIfAbsent(grid.inBar(h.tick()), k -> new ArrayList<>()).add(h));
              Map<Integer, Feel> feel = new TreeMap<>();
              places.forEach(
                  (place, here) ->
                      feel.put(
                          place,
                          new Feel(
                              here.stream().mapToDouble(Stroke::offsetMs).average().orElse(0),
                              here.stream().mapToInt(Stroke::velocity).average().orElse(0))));
              drums.put(drum, feel);
            });
    return new GrooveLift(grid.wholeBar(), drums);
  }

  /**
   * Puts the groove of a lane on a lane of a section. Places that the source does not play take
   * nothing.
   *
   * @param strength 0 changes nothing, 1 gives the source's offsets and loudness
   */
  public Edited onto(Template t, int section, DrumPart source, DrumPart target, double strength) {
    Map<Integer, Feel> feel = drums.getOrDefault(source, Map.of());
    List<Stroke> out = new ArrayList<>();
    BarGrid grid = t.grid(section);
    for (Stroke h : t.sections().get(section).hits(target)) {
      Feel f = feel.get(grid.inBar(h.tick()) % ticksPerBar); // bar upon bar
      out.add(
          f == null
              ? h
              : h.at(h.tick(), h.offsetMs() + strength * (f.offsetMs() - h.offsetMs()))
                  .loud(h.velocity() + strength * (f.velocity() - h.velocity())));
    }
    String words =
        "Groove of the "
            + t.name(source)
            + " on the "
            + t.name(target)
            + ", "
            + Math.round(100 * strength)
            + " %";
    return Edits.part(t, section, target, out, words);
  }

  /** Puts every lane's groove on the same lane of a section. */
  public Edited ontoAll(Template t, int section, double strength) {
    Template out = t;
    for (DrumPart drum : drums.keySet()) {
      out = onto(out, section, drum, drum, strength).template();
    }
    return new Edited(out, "Groove on the whole kit, " + Math.round(100 * strength) + " %");
  }
}
