/**
 * What every measured value looks like, and how long work reports itself. Everything uses it; it
 * uses nothing.
 */
package looseecho.reading;
