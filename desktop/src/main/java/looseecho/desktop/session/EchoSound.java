package looseecho.desktop.session;

import java.util.Map;
import looseecho.audio.Audio;
import looseecho.echo.Template;
import looseecho.mix.Group;

/**
 * The rendered template.
 *
 * @param gain brings it to the common loudness
 * @param pressedDb the most that each group's compressor takes off
 */
public record EchoSound(
    Audio audio, Peaks peaks, double gain, Template template, Map<Group, Double> pressedDb) {}
