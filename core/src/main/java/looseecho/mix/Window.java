package looseecho.mix;

import java.util.Arrays;

/**
 * A stretch of the song that is rendered.
 *
 * @param from its first sample
 * @param length how many samples
 */
record Window(int from, int length) {
  /** Behind the last sample. */
  int end() {
    return from + length;
  }

  /** The times that lie within reach of it, as samples counted from its first. */
  int[] near(int[] sorted, int before) {
    int first = Arrays.binarySearch(sorted, from - before);
    int at = first < 0 ? -first - 1 : first;
    while (at > 0 && sorted[at - 1] >= from - before) {
      at--;
    }
    int end = at;
    while (end < sorted.length && sorted[end] < end() + before) {
      end++;
    }
    int[] out = Arrays.copyOfRange(sorted, at, end);
    for (int k = 0; k < out.length; k++) {
      out[k] -= from;
    }
    return out;
  }
}
