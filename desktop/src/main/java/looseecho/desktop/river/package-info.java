/**
 * The waveform along the top of every screen: the heard one above the water line, the echo mirrored
 * below it.
 */
package looseecho.desktop.river;
