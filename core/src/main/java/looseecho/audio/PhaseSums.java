package looseecho.audio;

/**
 * The sums of a resampler, for all points of one fraction at a time: they use the same weights on
 * samples that lie a whole number of samples apart. The samples are laid out as planes, so that the
 * inner loop runs over neighbouring numbers, which the compiler turns into vector instructions; a
 * sum of products it does not. Source: the polyphase form of R. E. Crochiere and L. R. Rabiner,
 * "Multirate Digital Signal Processing", 1983, chapter 3.
 */
final class PhaseSums {
  private static final int NEAR = 1 << 17; // samples that stay in the processor's near memory
  private static final int SHORTEST = 32;
  private static final int LONGEST = 1024;

  private final float[] in;
  private final int step;
  private final int half;
  private final float[][] planes;

  private PhaseSums(float[] in, int step, int half, int tile) {
    this.in = in;
    this.step = step;
    this.half = half;
    this.planes = new float[step + 2 * half][tile];
  }

  /**
   * Fills {@code out}.
   *
   * @param step samples of {@code in} between two points of one fraction
   * @param half samples before and behind a point
   * @param rows [fraction][2 * half] weights
   * @param places sample at or before the first point of each fraction
   */
  static void apply(float[] in, int step, int half, float[][] rows, int[] places, float[] out) {
    int phases = rows.length;
    int points = (out.length + phases - 1) / phases;
    int tile = Math.max(SHORTEST, Math.min(LONGEST, NEAR / (step + 2 * half)));
    PhaseSums sums = new PhaseSums(in, step, half, tile);
    float[] sum = new float[tile];
    for (int at = 0; at < points; at += tile) {
      sums.lay(at);
      for (int p = 0; p < phases; p++) {
        sums.add(rows[p], places[p], sum);
        for (int j = 0, n = at * phases + p; j < tile && n < out.length; j++, n += phases) {
          out[n] = sum[j];
        }
      }
    }
  }

  /** Plane m holds the samples m - half + 1 behind the points from {@code at} on. */
  private void lay(int at) {
    int tile = planes[0].length;
    for (int m = 0; m < planes.length; m++) {
      float[] plane = planes[m];
      int laid = 0;
      if (m >= step) { // the same samples as a plane before, one point later
        System.arraycopy(planes[m - step], 1, plane, 0, tile - 1);
        laid = tile - 1;
      }
      for (int j = laid; j < tile; j++) {
        long from = (long) (at + j) * step + m - half + 1;
        plane[j] = from >= 0 && from < in.length ? in[(int) from] : 0;
      }
    }
  }

  /** The sums of one fraction at all points laid; four planes a pass. */
  private void add(float[] row, int first, float[] sum) {
    java.util.Arrays.fill(sum, 0);
    for (int k = 0; k + 3 < row.length; k += 4) {
      float[] a = planes[first + k];
      float[] b = planes[first + k + 1];
      float[] c = planes[first + k + 2];
      float[] d = planes[first + k + 3];
      float ka = row[k];
      float kb = row[k + 1];
      float kc = row[k + 2];
      float kd = row[k + 3];
      for (int j = 0; j < sum.length; j++) {
        sum[j] += ka * a[j] + kb * b[j] + kc * c[j] + kd * d[j];
      }
    }
    if (row.length % 4 != 0) { // rows are of even length
      float[] a = planes[first + row.length - 2];
      float[] b = planes[first + row.length - 1];
      for (int j = 0; j < sum.length; j++) {
        sum[j] += row[row.length - 2] * a[j] + row[row.length - 1] * b[j];
      }
    }
  }
}
