package looseecho.pulse;

/**
 * One beat.
 *
 * @param time seconds
 * @param position place in the bar, 1 = first beat
 * @param bar number of the bar, from 1; 0 for a pick-up before the first bar
 */
public record Beat(double time, int position, int bar) {}
