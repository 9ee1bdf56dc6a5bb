package looseecho.reading;

import java.util.List;
import java.util.function.ToDoubleFunction;

/** Looking things up in a list that is in order. */
public final class Ordered {
  private Ordered() {}

  /**
   * Index of the first element at or behind a value; the list's size when there is none.
   *
   * @param by what the list is ordered by, such as a time
   */
  public static <T> int first(List<T> ordered, ToDoubleFunction<T> by, double value) {
    int low = 0;
    int high = ordered.size();
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (by.applyAsDouble(ordered.get(mid)) < value) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }
}
