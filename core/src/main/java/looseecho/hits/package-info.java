/**
 * Drum hits. Enters: {@link looseecho.activity.Activities} and {@link looseecho.pulse.Pulse}.
 * Leaves: a list of {@link looseecho.hits.Hit}; {@link looseecho.hits.TypicalBar} sums hits up as a
 * pattern.
 */
package looseecho.hits;
