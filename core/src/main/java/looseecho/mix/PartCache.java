package looseecho.mix;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import looseecho.echo.Part;

/**
 * Keeps the rendered blocks of one template's parts, so that after an edit only the parts that
 * changed are rendered anew. Long templates are not kept: their parts would fill the memory. Safe
 * to use from several threads.
 */
final class PartCache {
  private static final long SHARE = 8; // of the memory, an eighth

  private record Kept(List<?> content, Map<Key, float[][]> blocks) {}

  /** A block of one of a part's layers. */
  private record Key(int layer, int from) {}

  private final Map<Part, Kept> kept = new ConcurrentHashMap<>();

  /** True when so many parts of a length can be kept; else what was kept is let go. */
  boolean holds(int length, int parts) {
    boolean fits = 4L * length * parts < Runtime.getRuntime().maxMemory() / SHARE;
    if (!fits) {
      kept.clear();
    }
    return fits;
  }

  void forget() {
    kept.clear();
  }

  /** A part is about to be rendered; what is kept of it stays only if its content is the same. */
  void begin(Part part, List<?> content) {
    kept.compute(
        part,
        (p, old) ->
            old != null && old.content().equals(content)
                ? old
                : new Kept(content, new ConcurrentHashMap<>()));
  }

  /**
   * The block of a part's layer that begins at a sample, as it was rendered before, or rendered
   * now.
   */
  float[][] get(Part part, int layer, int from, Supplier<float[][]> render) {
    Kept k = kept.get(part);
    return k == null
        ? render.get()
        : k.blocks().computeIfAbsent(new Key(layer, from), f -> render.get());
  }
}
