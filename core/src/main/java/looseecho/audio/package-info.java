/**
 * Sound files in and out. Enters: a path. Leaves: {@link looseecho.audio.Audio}, float stereo at
 * the file's own rate. Read {@link looseecho.audio.AudioReader} first; a decoder per family of
 * formats hangs on it. "Sample" is per channel throughout; times at the borders are seconds.
 */
package looseecho.audio;
