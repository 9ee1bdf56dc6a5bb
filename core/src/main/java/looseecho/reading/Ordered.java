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

  /** Index of the last item whose number is at most a limit; 0 when none is. */
  public static <T> int last(List<T> items, ToDoubleFunction<T> number, double limit) {
    int low = 0;
    int high = Math.max(0, items.size() - 1);
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      if (number.applyAsDouble(items.get(mid)) <= limit) {
        low = mid;
      } else {
        high = mid - 1;
      }
    }
    return low;
  }
}
