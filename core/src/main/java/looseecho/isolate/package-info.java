/** Study copies of a sound: one drum or line brought forward, and slow listening. */
package looseecho.isolate;
