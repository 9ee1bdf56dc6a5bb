package looseecho.pulse;

/**
 * Settings of the pulse.
 *
 * @param minBpm slowest tempo looked for
 * @param maxBpm fastest tempo looked for
 * @param tempoRigidity lambda of the tempo transition, exp(-lambda |ratio - 1|): up = steadier
 *     (Krebs and others 2015 use 100)
 * @param barBreakCost natural-log cost of a bar that is cut short: up = fewer odd bars
 * @param steadyMs a beat within this of the grid is explained by it (common practice: sequenced
 *     beats lie within a few ms, played ones drift by tens)
 * @param steadyShare share of the beats that a grid must explain to count as the tempo of the song,
 *     0..1
 */
public record PulseSettings(
    double minBpm,
    double maxBpm,
    double tempoRigidity,
    double barBreakCost,
    double steadyMs,
    double steadyShare) {
  public static final PulseSettings DEFAULTS = new PulseSettings(50, 220, 100, 14, 15, 0.7);

  public PulseSettings {
    if (!(minBpm >= 20 && maxBpm > minBpm && maxBpm <= 400)) {
      throw new IllegalArgumentException(
          "need 20 <= minBpm < maxBpm <= 400 (was: " + minBpm + ", " + maxBpm + ")");
    }
  }

  /** The same with another tempo range. */
  public PulseSettings withRange(double min, double max) {
    return new PulseSettings(min, max, tempoRigidity, barBreakCost, steadyMs, steadyShare);
  }
}
