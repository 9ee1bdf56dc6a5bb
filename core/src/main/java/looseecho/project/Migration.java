package looseecho.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import looseecho.activity.Lane;
import looseecho.echo.Manner;
import looseecho.mix.Bed;
import looseecho.pulse.Meter;

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
    if (version < 5) {
      fromFourth(root);
    }
    if (version < 6) {
      fromFifth(root);
    }
    if (version < 7) {
      SoundMigration.fromSixth(root);
    }
    if (version < 8) {
      fromSeventh(root);
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

  /** Version 5 counts places in ticks instead of sixteenths, and knows how a stroke is struck. */
  private static void fromFourth(JsonNode root) {
    for (String template : new String[] {"exact", "template"}) {
      for (JsonNode section : root.path(template).path("sections")) {
        section.path("drums").forEach(lane -> lane.forEach(Migration::stroke));
        section.path("lines").forEach(line -> line.forEach(Migration::tone));
      }
    }
  }

  /** Version 6 knows pieces of recordings that are cut up, and parts with names. */
  private static void fromFifth(JsonNode root) {
    for (String template : new String[] {"exact", "template"}) {
      for (JsonNode section : root.path(template).path("sections")) {
        section
            .path("drums")
            .forEach(drum -> drum.forEach(hit -> put(hit.path("manner"), "slice", 0)));
      }
    }
  }

  /** Version 8 knows when and why a thing was done, and what is near enough. */
  private static void fromSeventh(JsonNode root) {
    put(root.path("notebook"), "enough", Notebook.ENOUGH);
    if (root.path("log") instanceof ArrayNode log) {
      for (int k = 0; k < log.size(); k++) {
        String words = log.get(k).asText();
        ObjectNode line = log.objectNode();
        log.set(k, line.put("at", "").put("words", words).put("change", "").put("why", ""));
      }
    }
  }

  private static void stroke(JsonNode hit) {
    if (hit instanceof ObjectNode o) {
      ObjectNode manner = o.putObject("manner");
      manner.set("ornament", o.remove("ornament"));
      manner.put("flamMs", Manner.USUAL_FLAM_MS).put("lengthTicks", ticks(o, "lengthSteps"));
      manner.put("pitch", 0).put("bend", Manner.Bend.SPEED.name()).put("reversed", false);
      o.put("tick", ticks(o, "step"));
    }
  }

  private static void tone(JsonNode note) {
    if (note instanceof ObjectNode o) {
      o.put("tick", ticks(o, "step"));
      o.put("lengthTicks", Math.max(1, ticks(o, "lengthSteps")));
    }
  }

  /** Takes a number of sixteenths out, as ticks; what is no number is refused later. */
  private static int ticks(ObjectNode o, String name) {
    JsonNode steps = o.remove(name);
    return steps == null || !steps.isNumber()
        ? -1
        : (int) Math.round(steps.asDouble() * Meter.STEP);
  }

  private static void put(JsonNode node, String name, double value) {
    if (node instanceof ObjectNode object) {
      object.put(name, value);
    }
  }
}
