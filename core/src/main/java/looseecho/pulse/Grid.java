package looseecho.pulse;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/** The lines that strokes are written on, in ticks of the bar. */
public enum Grid {
  EIGHTH("8ths", 480),
  EIGHTH_TRIPLET("8th triplets", 320),
  SIXTEENTH("16ths", 240),
  SIXTEENTH_TRIPLET("16th triplets", 160),
  THIRTY_SECOND("32nds", 120),
  NONE("no grid", 1);

  private static final int FREE = 40;

  private final String words;
  private final int ticks;

  Grid(String words, int ticks) {
    this.words = words;
    this.ticks = ticks;
  }

  public String words() {
    return words;
  }

  /** From one line to the next. */
  public int ticks() {
    return ticks;
  }

  /** Ticks by which a cursor goes from place to place: a 96th of the bar without a grid. */
  public int cell() {
    return this == NONE ? FREE : ticks;
  }

  /** The line nearest to a place, in ticks. */
  public int nearest(double tick) {
    return (int) Math.round(tick / ticks) * ticks;
  }

  public boolean has(int tick) {
    return tick % ticks == 0;
  }

  /** The coarsest grid that a place lies on. */
  public static Grid of(int tick) {
    return Arrays.stream(values()).filter(g -> g.has(tick)).findFirst().orElse(NONE);
  }

  /** The grid whose lines are nearest to so many ticks apart (in ratio); not {@link #NONE}. */
  public static Grid ofGap(double gap) {
    return List.of(EIGHTH, EIGHTH_TRIPLET, SIXTEENTH, SIXTEENTH_TRIPLET, THIRTY_SECOND).stream()
        .min(Comparator.comparingDouble(g -> Math.abs(Math.log(gap / g.ticks))))
        .orElseThrow();
  }
}
