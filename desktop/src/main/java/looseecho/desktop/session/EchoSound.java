package looseecho.desktop.session;

import looseecho.audio.Audio;
import looseecho.echo.Template;

/**
 * The rendered template.
 *
 * @param gain brings it to the common loudness
 */
public record EchoSound(Audio audio, Peaks peaks, double gain, Template template) {}
