package looseecho.desktop.session;

import looseecho.audio.Audio;

/**
 * The rendered template.
 *
 * @param gain brings it to the common loudness
 * @param attacks seconds of its drum hits
 */
public record EchoSound(Audio audio, Peaks peaks, double gain, double[] attacks) {}
