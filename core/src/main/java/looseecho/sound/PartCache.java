package looseecho.sound;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import looseecho.echo.Part;
import looseecho.echo.Template;

/**
 * Keeps the rendered parts of one template, so that after an edit only the parts that changed are
 * rendered anew. Long templates are not kept: their parts would fill the memory. Safe to use from
 * several threads.
 */
final class PartCache {
  private static final long BUDGET = 500_000_000; // bytes

  /** All that a part's sound depends on besides the sounds, which never change under a renderer. */
  private record Key(List<?> beats, List<?> content, int length, int kicks) {}

  private record Kept(Key key, Bus bus) {}

  private final Map<Part, Kept> kept = new HashMap<>();

  synchronized Bus get(
      Template t, Part part, int length, double[] kicks, int parts, Supplier<Bus> render) {
    if (8L * length * parts > BUDGET) {
      kept.clear();
      return render.get();
    }
    List<?> content =
        t.sections().stream()
            .map(
                s ->
                    part.lane().isPresent()
                        ? List.of(s.beats(), s.hits(part.lane().get()))
                        : List.of(s.beats(), s.notes(part.line().get())))
            .toList();
    Key key = new Key(t.beats(), content, length, Arrays.hashCode(kicks));
    Kept old = kept.get(part);
    if (old != null && old.key().equals(key)) {
      return old.bus();
    }
    Bus bus = render.get();
    kept.put(part, new Kept(key, bus));
    return bus;
  }
}
