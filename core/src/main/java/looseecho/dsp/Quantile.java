package looseecho.dsp;

/**
 * The value that stands at a place of the sorted order, without sorting.
 *
 * <p>Source: C. A. R. Hoare, "Algorithm 65: Find", Communications of the ACM 4, 1961.
 */
public final class Quantile {
  private Quantile() {}

  /**
   * The value at a place.
   *
   * @param x its first {@code count} values are put into another order
   * @param place from 0 for the smallest
   */
  public static double of(double[] x, int count, int place) {
    int low = 0;
    int high = count - 1;
    while (low < high) {
      double pivot = x[place];
      int i = low;
      int j = high;
      while (i <= j) {
        while (x[i] < pivot) {
          i++;
        }
        while (pivot < x[j]) {
          j--;
        }
        if (i <= j) {
          double t = x[i];
          x[i++] = x[j];
          x[j--] = t;
        }
      }
      if (j < place) {
        low = i;
      }
      if (place < i) {
        high = j;
      }
    }
    return x[place];
  }
}
