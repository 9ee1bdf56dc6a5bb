package looseecho.mix;

import looseecho.reading.Limits;

/**
 * A part's own delay.
 *
 * @param beats from one repeat to the next, in quarters: 0.75 is a dotted eighth
 * @param feedback share that comes round again, 0..0.9
 * @param pingPong from side to side
 * @param lowCutHz what lies below is taken off the repeats; 0 for none
 * @param highCutHz what lies above is taken off; 0 for none
 */
public record Repeats(
    double beats, double feedback, boolean pingPong, double lowCutHz, double highCutHz) {
  public Repeats {
    Limits.within("beats", beats, 0.02, 8);
    Limits.within("feedback", feedback, 0, 0.9);
    Limits.within("lowCutHz", lowCutHz, 0, Limits.HERTZ);
    Limits.within("highCutHz", highCutHz, 0, Limits.HERTZ);
  }
}
