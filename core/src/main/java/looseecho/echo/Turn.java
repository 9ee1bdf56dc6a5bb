package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import looseecho.notes.Key;

/** The simple transformations by which a riff is varied. */
public enum Turn {
  UPSIDE_DOWN("Upside down"),
  BACKWARDS("Backwards"),
  OCTAVE_UP("Octave up"),
  OCTAVE_DOWN("Octave down"),
  STEP_UP("Scale step up"),
  STEP_DOWN("Scale step down"),
  TWICE_AS_LONG("Twice as long"),
  HALF_AS_LONG("Half as long");

  private final String words;

  Turn(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /**
   * The notes turned. Upside down mirrors them in the key around the first of them; backwards keeps
   * the stretch that they fill; twice and half as long keep the first in its place. Notes beyond
   * the section's end are left out, and offsets stay with their notes.
   *
   * @param sectionTicks length of the section
   */
  public List<Tone> apply(List<Tone> notes, Key key, int sectionTicks) {
    if (notes.isEmpty()) {
      return List.of();
    }
    int first = notes.stream().mapToInt(Tone::tick).min().orElseThrow();
    int end = notes.stream().mapToInt(Tone::end).max().orElseThrow();
    int home = notes.get(0).pitch();
    List<Tone> out = new ArrayList<>();
    for (Tone n : notes) {
      Tone turned =
          switch (this) {
            case UPSIDE_DOWN -> n.pitched(inside(mirrored(n.pitch(), home, key)));
            case BACKWARDS -> n.at(Math.max(0, first + end - n.end()), n.offsetMs());
            case OCTAVE_UP -> n.pitched(inside(n.pitch() + 12));
            case OCTAVE_DOWN -> n.pitched(inside(n.pitch() - 12));
            case STEP_UP -> n.pitched(inside(key.moved(n.pitch(), 1)));
            case STEP_DOWN -> n.pitched(inside(key.moved(n.pitch(), -1)));
            case TWICE_AS_LONG ->
                n.at(first + 2 * (n.tick() - first), n.offsetMs()).lasting(2 * n.lengthTicks());
            case HALF_AS_LONG ->
                n.at(first + (n.tick() - first) / 2, n.offsetMs()).lasting(n.lengthTicks() / 2);
          };
      if (turned.tick() < sectionTicks) {
        out.add(turned);
      }
    }
    return out;
  }

  private static int inside(int pitch) {
    int p = pitch;
    while (p > 127) {
      p -= 12;
    }
    while (p < 0) {
      p += 12;
    }
    return p;
  }

  private static int mirrored(int pitch, int around, Key key) {
    int rung = key.rung(pitch);
    return key.pitch(2 * key.rung(around) - rung) - (pitch - key.pitch(rung));
  }
}
