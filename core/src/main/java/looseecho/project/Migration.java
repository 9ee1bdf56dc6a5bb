package looseecho.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import looseecho.activity.Lane;
import looseecho.mix.Bed;

/** Brings older project files to the current version, one version at a time. */
final class Migration {
  private Migration() {}

  /** The tree in the current version. */
  static JsonNode toCurrent(JsonNode root, int version) {
    if (version < 2) {
      fromFirst(root);
    }
    if (version < 3) {
      fromSecond(root);
    }
    if (version < 4) {
      put(root.path("sounds"), "monoBelowHz", 0); // version 4 can keep the low end in the middle
    }
    return root;
  }

  /**
   * Version 2 knows hits that are cut off, the octave under a tone, a bed of noise, and parts that
   * are wide or ducked by other lanes than the kick.
   */
  private static void fromFirst(JsonNode root) {
    for (String template : new String[] {"exact", "template"}) {
      for (JsonNode section : root.path(template).path("sections")) {
        for (JsonNode lane : section.path("drums")) {
          lane.forEach(hit -> put(hit, "lengthSteps", 0));
        }
      }
    }
    root.path("sounds").path("tones").forEach(tone -> put(tone, "sub", 0));
    for (String strips : new String[] {"drumStrips", "lineStrips"}) {
      for (JsonNode strip : root.path("sounds").path(strips)) {
        put(strip, "width", 0);
        if (strip instanceof ObjectNode object) {
          object.put("duckBy", Lane.KICK.name());
        }
      }
    }
    if (root.path("sounds") instanceof ObjectNode sounds) {
      ObjectNode bed = sounds.putObject("bed");
      bed.put("levelDb", Bed.OFF.levelDb()).put("lowHz", Bed.OFF.lowHz());
      bed.put("highHz", Bed.OFF.highHz()).put("duckDb", Bed.OFF.duckDb());
      bed.put("duckMs", Bed.OFF.duckMs());
    }
  }

  /** Version 3 knows samples whose loudness has a course. */
  private static void fromSecond(JsonNode root) {
    root.path("sounds")
        .path("samples")
        .forEach(
            sample -> {
              put(sample, "riseMs", 0);
              put(sample, "decayMs", 0);
            });
  }

  private static void put(JsonNode node, String name, double value) {
    if (node instanceof ObjectNode object) {
      object.put(name, value);
    }
  }
}
