/**
 * Runs the listening stages in order. {@code Analysis = analyse(audio, settings, corrections)} is a
 * pure function: the same input gives the same readings, and corrections feed everything downstream
 * of them.
 */
package looseecho.analysis;
