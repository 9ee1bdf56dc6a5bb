package looseecho.demo;

import java.util.List;
import looseecho.activity.Lane;
import looseecho.notes.Key;

/**
 * The exact truth of the demo, in seconds.
 *
 * @param bpm the one tempo
 * @param beats times of the beats; every fourth begins a bar
 */
public record Tune(
    double bpm,
    Key key,
    List<Double> beats,
    List<Part> parts,
    List<DrumHit> hits,
    List<Tone> bass,
    List<Tone> chords,
    List<Tone> riff,
    double stopStart,
    double stopEnd,
    double riseStart,
    double riseEnd,
    double duration) {
  /** A section. */
  public record Part(String name, double start, double end, int bars) {}

  /** A drum hit; {@code colour} tells sounds of one lane apart. */
  public record DrumHit(Lane lane, int colour, double time, int velocity) {}

  /** A note; for chords one per chord tone. */
  public record Tone(double start, double end, int pitch, int velocity) {}
}
