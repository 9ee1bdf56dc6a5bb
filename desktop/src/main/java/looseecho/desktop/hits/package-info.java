/** The hits bench, and the chart of lanes over steps that the echo bench shares. */
package looseecho.desktop.hits;
