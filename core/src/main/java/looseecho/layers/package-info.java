/**
 * What plays when, in which band, how loud, where and how wide. Enters: the sound and its readings.
 * Leaves: a list of layers.
 */
package looseecho.layers;
