package looseecho.sound;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import looseecho.echo.Part;
import looseecho.echo.Template;

/**
 * Keeps the rendered parts of one template, so that after an edit only the parts that changed are
 * rendered anew. Long templates are not kept: their parts would fill the memory. Safe to use from
 * several threads.
 */
final class PartCache {
  private static final long SHARE = 8; // of the memory, an eighth

  /** All that a part's sound depends on besides the sounds, which never change under a renderer. */
  private record Key(List<?> beats, List<?> content, int length, int pushes) {}

  private record Kept(Key key, float[] sound) {}

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

  /** The part as it was rendered before, or rendered now. */
  float[] get(Template t, Part part, int length, double[] pushes, Supplier<float[]> render) {
    List<?> content =
        t.sections().stream()
            .map(
                s ->
                    part.lane().isPresent()
                        ? List.of(s.beats(), s.hits(part.lane().get()))
                        : List.of(s.beats(), s.notes(part.line().get())))
            .toList();
    Key key = new Key(t.beats(), content, length, Arrays.hashCode(pushes));
    Kept old = kept.get(part);
    if (old != null && old.key().equals(key)) {
      return old.sound();
    }
    float[] sound = render.get();
    kept.put(part, new Kept(key, sound));
    return sound;
  }
}
