/**
 * The window. {@link looseecho.desktop.Launcher} starts it, {@link looseecho.desktop.Shell} lays it
 * out.
 */
package looseecho.desktop;
