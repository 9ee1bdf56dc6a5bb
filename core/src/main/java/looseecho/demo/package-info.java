/**
 * The made-up reference: the theme tune of a tide-table programme on a small harbour radio station.
 * {@link looseecho.demo.HarbourTune} writes it down, {@link looseecho.demo.HarbourMix} renders it.
 * It is analysed like any file.
 */
package looseecho.demo;
