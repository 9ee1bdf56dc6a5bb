/** How near an echo is to its reference: part by part and as a whole. */
package looseecho.compare;
