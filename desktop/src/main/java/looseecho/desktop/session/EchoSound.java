package looseecho.desktop.session;

import looseecho.audio.Audio;

/** The rendered template; {@code gain} brings it to the common loudness. */
public record EchoSound(Audio audio, Peaks peaks, double gain) {}
