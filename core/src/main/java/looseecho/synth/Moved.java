package looseecho.synth;

import looseecho.reading.Limits;

/**
 * The source of another layer of the same sound, moved.
 *
 * @param layer which one, from 1; never a copy itself
 * @param semitones up or down, 12 for the octave above
 */
public record Moved(int layer, double semitones) implements Source {
  public Moved {
    Limits.within("layer", layer, 1, 6);
    Limits.within("semitones", semitones, -48, 48);
  }
}
