package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.hits.Hit;
import looseecho.hits.Voice;

/**
 * The heard hits as parts: a part for each sound of a lane, the one that plays most first.
 *
 * @param hits by part in the lanes' order, each in order of time
 * @param names of those that are not a lane's only sound
 */
public record HeardDrums(Map<DrumPart, List<Hit>> hits, Map<Part, String> names) {
  /** Of hits in order of time. */
  public static HeardDrums of(List<Hit> hits) {
    Map<DrumPart, List<Hit>> parts = new LinkedHashMap<>();
    Map<Part, String> names = new HashMap<>();
    for (Lane lane : Lane.values()) {
      int number = 1;
      for (Map.Entry<Voice, List<Hit>> voice : voices(hits, lane)) {
        DrumPart drum = Part.of(lane).numbered(number++);
        parts.put(drum, voice.getValue());
        if (voice.getKey() != Voice.PLAIN) {
          names.put(drum, voice.getKey().of(lane.words()));
        }
      }
    }
    return new HeardDrums(parts, names);
  }

  private static List<Map.Entry<Voice, List<Hit>>> voices(List<Hit> hits, Lane lane) {
    Map<Voice, List<Hit>> out = new EnumMap<>(Voice.class);
    hits.stream()
        .filter(h -> h.lane() == lane)
        .forEach(h -> out.computeIfAbsent(h.voice(), v -> new ArrayList<>()).add(h));
    return out.entrySet().stream()
        .sorted(Comparator.comparingInt(v -> -v.getValue().size()))
        .toList();
  }

  /** The hits of a part; none where it is not heard. */
  public List<Hit> of(DrumPart drum) {
    return hits.getOrDefault(drum, List.of());
  }
}
