package looseecho.sound;

import java.util.EnumMap;
import java.util.Map;
import looseecho.activity.Lane;

/**
 * Sounds, levels and places of all lanes.
 *
 * @param sounds a recipe per lane
 * @param levels linear gain per lane
 * @param pans -1 left .. 1 right per lane
 */
public record Kit(Map<Lane, DrumSound> sounds, Map<Lane, Double> levels, Map<Lane, Double> pans) {
  public Kit {
    sounds = Map.copyOf(sounds);
    levels = Map.copyOf(levels);
    pans = Map.copyOf(pans);
  }

  /** The built-in kit: dry and plain, so that timing and loudness can be judged. */
  public static Kit plain() {
    Map<Lane, DrumSound> s = new EnumMap<>(Lane.class);
    s.put(Lane.KICK, new DrumSound(50, 5.5, 14, 130, 0.12, 1500, 5000, 4, 0, 1));
    s.put(Lane.SNARE, new DrumSound(185, 1.6, 9, 60, 0.75, 900, 9000, 85, 0, 1));
    s.put(Lane.CLAP, new DrumSound(0, 1, 1, 1, 1, 700, 5200, 75, 0, 4));
    s.put(Lane.HAT_CLOSED, new DrumSound(0, 1, 1, 1, 0.7, 7000, 17000, 22, 0.45, 1));
    s.put(Lane.HAT_OPEN, new DrumSound(0, 1, 1, 1, 0.7, 6500, 17000, 190, 0.5, 1));
    s.put(Lane.TOM, new DrumSound(98, 1.5, 35, 150, 0.1, 500, 4000, 15, 0, 1));
    s.put(Lane.CYMBAL, new DrumSound(0, 1, 1, 1, 0.8, 3500, 16000, 520, 0.5, 1));
    s.put(Lane.PERCUSSION, new DrumSound(330, 1.15, 8, 75, 0.2, 2500, 9000, 25, 0, 1));
    s.put(Lane.SNARE_2, new DrumSound(240, 1.4, 7, 45, 0.6, 1400, 9000, 60, 0, 1));
    s.put(Lane.CLAP_2, new DrumSound(0, 1, 1, 1, 1, 1000, 7000, 55, 0, 3));
    s.put(Lane.TOM_LOW, new DrumSound(72, 1.5, 40, 190, 0.1, 400, 3500, 18, 0, 1));
    s.put(Lane.TOM_HIGH, new DrumSound(140, 1.5, 30, 120, 0.1, 600, 4500, 14, 0, 1));
    s.put(Lane.RIDE, new DrumSound(0, 1, 1, 1, 0.5, 5000, 16000, 230, 0.7, 1));
    Map<Lane, Double> g = new EnumMap<>(Lane.class);
    Map<Lane, Double> p = new EnumMap<>(Lane.class);
    double[] levels = {0.9, 0.6, 0.55, 0.26, 0.26, 0.6, 0.32, 0.38};
    double[] pans = {0, 0, 0.05, 0.2, 0.2, -0.25, -0.3, -0.35};
    for (Lane l : Lane.values()) {
      g.put(l, levels[l.base().ordinal()]);
      p.put(l, pans[l.base().ordinal()]);
    }
    return new Kit(s, g, p);
  }
}
