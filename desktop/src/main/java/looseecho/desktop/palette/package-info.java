/** The Palette bench: the track's sounds beside the echo's, and one's own samples that are near. */
package looseecho.desktop.palette;
