/**
 * Transforms, filters and loudness. Enters: sample arrays. Leaves: spectra and decibels. The packed
 * layout of the transform library is known in {@link looseecho.dsp.Fft} alone.
 */
package looseecho.dsp;
