/** The ground bench: tempo, bars and sections over the wave. */
package looseecho.desktop.ground;
