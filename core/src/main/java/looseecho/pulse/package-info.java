/**
 * Tempo, beats and bars. Enters: {@link looseecho.activity.Activities}. Leaves: {@link
 * looseecho.pulse.Pulse}. Read {@link looseecho.pulse.PulseFinder} first: {@link
 * looseecho.pulse.BarTracker} decodes, {@link looseecho.pulse.SteadyGrid} says whether one exact
 * tempo explains the beats.
 */
package looseecho.pulse;
