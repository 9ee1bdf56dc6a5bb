/**
 * Parts a mix into groups of sound, as well as can be. Enters: the sound. Leaves: for each moment
 * and band the share of every group, from which their sound and their powers are made.
 */
package looseecho.separate;
