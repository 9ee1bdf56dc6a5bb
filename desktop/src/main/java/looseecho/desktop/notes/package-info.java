/** The notes bench: bass, riff and chords on ladders of scale degrees. */
package looseecho.desktop.notes;
