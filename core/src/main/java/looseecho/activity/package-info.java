/**
 * The trained ear: mel spectra enter, activity curves leave (eight drum lanes, beat, downbeat, and
 * how hard each lane is hit), 100 values a second. Read {@link looseecho.activity.MelSpectra}, then
 * {@link looseecho.activity.ActivityNet}. How it was trained stands in the folder {@code training}
 * of the project.
 */
package looseecho.activity;
