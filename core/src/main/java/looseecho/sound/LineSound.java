package looseecho.sound;

import looseecho.notes.Line;

/**
 * The built-in sound of a line of notes.
 *
 * @param level linear gain
 * @param pan -1 left .. 1 right
 */
public record LineSound(ToneSound tone, double level, double pan) {
  public static LineSound of(Line line) {
    return switch (line) {
      case BASS -> new LineSound(ToneSound.BASS, 0.42, 0);
      case CHORDS -> new LineSound(ToneSound.PAD, 0.07, -0.2);
      case RIFF -> new LineSound(ToneSound.PLUCK, 0.16, 0.25);
    };
  }
}
