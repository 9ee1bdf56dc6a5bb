/**
 * Key, chords and bass. Enters: chroma, tone spectra, activity and pulse. Leaves: {@link
 * looseecho.notes.Tonality}: read {@link looseecho.notes.KeyFinder}, {@link
 * looseecho.notes.ChordFinder} and {@link looseecho.notes.BassFinder}.
 */
package looseecho.notes;
