package looseecho.desktop.session;

import java.nio.file.Path;
import looseecho.audio.Audio;

/**
 * An opened reference.
 *
 * @param name shown to the person
 * @param audio at the engine's rate
 * @param gain brings it to the common loudness
 * @param fingerprint of the file
 */
public record Reference(
    String name, Path path, Audio audio, Peaks peaks, double gain, String fingerprint) {}
