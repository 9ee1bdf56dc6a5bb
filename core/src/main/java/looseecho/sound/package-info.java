/**
 * The sound engine. Enters: a template and sounds. Leaves: audio, offline by {@link
 * looseecho.sound.EchoRenderer} or live by {@link looseecho.sound.Player}. Same input, same
 * samples: noise is seeded.
 */
package looseecho.sound;
