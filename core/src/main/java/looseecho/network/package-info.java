/**
 * What all trained networks are run with. Enters: a file of weights, planes of numbers. Leaves:
 * planes of numbers.
 */
package looseecho.network;
