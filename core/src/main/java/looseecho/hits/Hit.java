package looseecho.hits;

import looseecho.activity.Lane;

/**
 * One heard drum hit.
 *
 * @param lane which drum
 * @param time seconds, of the attack
 * @param velocity 1..127, louder is more
 * @param bar number of the bar, as in the pulse
 * @param step sixteenth of the bar, from 1, nearest to the hit
 * @param offsetMs how late (positive) or early the hit is against its step
 * @param confidence 0..1
 */
public record Hit(
    Lane lane, double time, int velocity, int bar, int step, double offsetMs, double confidence) {}
