package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import looseecho.pulse.Grid;

/** Shapes that held chords are played in: chopped by a gate, or one note after the other. */
public enum ChordShape {
  GATE("Chopped"),
  UP("One by one, upwards"),
  DOWN("One by one, downwards"),
  UP_AND_DOWN("One by one, up and down");

  private static final double SOUNDING = 0.6; // of a line's length

  private final String words;

  ChordShape(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** The notes on the lines of a grid, as long as they were held. */
  public List<Tone> apply(List<Tone> notes, Grid grid) {
    Map<Integer, List<Tone>> chords = new TreeMap<>();
    notes.forEach(n -> chords.computeIfAbsent(n.tick(), k -> new ArrayList<>()).add(n));
    List<Tone> out = new ArrayList<>();
    for (List<Tone> chord : chords.values()) {
      chord.sort(Comparator.comparingInt(Tone::pitch));
      int length = (int) Math.max(1, Math.round(SOUNDING * grid.ticks()));
      int start = chord.get(0).tick();
      int end = chord.stream().mapToInt(Tone::end).max().orElse(start);
      for (int k = 0; start + k * grid.ticks() < end; k++) {
        int tick = start + k * grid.ticks();
        for (Tone n : sounding(chord, k)) {
          if (tick < n.end() || this != GATE) {
            out.add(n.at(tick, n.offsetMs()).lasting(Math.min(length, end - tick)));
          }
        }
      }
    }
    return out;
  }

  private List<Tone> sounding(List<Tone> chord, int k) {
    int n = chord.size();
    int turn = Math.max(1, 2 * n - 2);
    return switch (this) {
      case GATE -> chord;
      case UP -> List.of(chord.get(k % n));
      case DOWN -> List.of(chord.get(n - 1 - k % n));
      case UP_AND_DOWN -> List.of(chord.get(k % turn < n ? k % turn : turn - k % turn));
    };
  }
}
