package looseecho.hits;

/**
 * Where an instant lies on the grid of sixteenths.
 *
 * @param bar number of the bar
 * @param step from 1, the nearest sixteenth; an instant just before bar one of the next bar belongs
 *     to that bar
 * @param offsetMs late (positive) or early against the step
 */
public record Place(int bar, int step, double offsetMs) {}
