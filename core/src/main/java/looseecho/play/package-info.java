/** Live sound and what is played in: the player, its devices, clicks, and strokes from keys. */
package looseecho.play;
