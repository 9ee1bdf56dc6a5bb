package looseecho.pulse;

import looseecho.reading.Reading;

/**
 * One tempo that the beats could be felt at.
 *
 * @param bpm of the tracked beats, not yet exact
 * @param path beats and bars at this tempo
 * @param weight the higher the likelier, in natural-log units
 * @param reason in words
 */
record Candidate(
    double bpm, Reading<Meter> meter, BarTracker.Path path, double weight, String reason) {}
