package looseecho.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Iterator;
import java.util.Map;
import looseecho.mix.Space;

/**
 * Version 7 knows sounds of several layers, groups, and what moves: every source of before becomes
 * the only layer of its part, and sounds as it did.
 */
final class SoundMigration {
  private static final double[] CHAIN = {0, 0, 0, 1, 0, 0, 0, 0};
  private static final String[] CHAIN_NAMES = {
    "lowCutHz", "highCutHz", "drive", "blend", "lowAfterHz", "highAfterHz", "attackDb", "sustainDb"
  };

  private SoundMigration() {}

  static void fromSixth(JsonNode root) {
    for (String sounds : new String[] {"sounds", "near"}) {
      if (root.path(sounds) instanceof ObjectNode o && o.has("drums")) {
        sounds(o);
      }
    }
    for (String template : new String[] {"exact", "template"}) {
      for (JsonNode section : root.path(template).path("sections")) {
        section.path("drums").forEach(drum -> drum.forEach(SoundMigration::stroke));
      }
    }
  }

  private static void stroke(JsonNode hit) {
    if (hit.path("manner") instanceof ObjectNode manner) {
      manner.put("toRoom", 0).put("toDelay", 0);
    }
  }

  private static void sounds(ObjectNode o) {
    ObjectNode parts = o.objectNode();
    layers(o, "drums", "drum", "drumStrips", parts);
    layers(o, "samples", "sample", "drumStrips", parts); // a sample stood in for the recipe
    layers(o, "tones", "tone", "lineStrips", parts);
    for (String strips : new String[] {"drumStrips", "lineStrips"}) {
      JsonNode all = o.path(strips);
      all.fieldNames().forEachRemaining(part -> standing(part, all.path(part), parts));
      o.remove(strips);
    }
    o.set("parts", parts);
    ObjectNode space = o.putObject("space");
    space.set("seconds", o.remove("roomSeconds"));
    space.put("damping", Space.USUAL_DAMPING).put("drive", 0);
    ObjectNode delay = o.putObject("delay");
    delay.set("beats", o.remove("delayBeats"));
    delay.set("feedback", o.remove("delayFeedback"));
    delay.put("pingPong", true).put("lowCutHz", 0).put("highCutHz", 0);
    ObjectNode drums = o.putObject("groups").putObject("DRUMS");
    drums.put("levelDb", 0).put("lowCutHz", 0).put("highCutHz", 0).put("blend", 1);
    drums.set("drive", o.remove("drumDrive"));
    ObjectNode whole = o.putObject("whole");
    for (String name : new String[] {"monoBelowHz", "colour", "sides"}) {
      whole.set(name, o.remove(name));
    }
  }

  /** A part that had a place of its own, and the sound of the first of its kind. */
  private static void standing(String part, JsonNode strip, ObjectNode parts) {
    JsonNode first = parts.path(first(part));
    if (!parts.has(part) && first.isObject()) {
      parts.putObject(part).set("layers", first.path("layers").deepCopy());
      ((ObjectNode) parts.path(part)).set("strip", strip);
    }
  }

  private static String first(String part) {
    return part.replaceFirst(" [0-9]+$", "");
  }

  private static void layers(
      ObjectNode o, String sources, String kind, String strips, ObjectNode parts) {
    JsonNode all = o.remove(sources);
    if (all == null) {
      return;
    }
    for (Iterator<Map.Entry<String, JsonNode>> it = all.fields(); it.hasNext(); ) {
      Map.Entry<String, JsonNode> e = it.next();
      JsonNode strip = o.path(strips).path(e.getKey());
      if (strip.isMissingNode()) { // it stood where the first of its kind does
        strip = o.path(strips).path(first(e.getKey()));
      }
      ObjectNode sound = parts.putObject(e.getKey());
      sound.set("strip", strip);
      layer(sound.putArray("layers"), e.getValue(), kind);
    }
  }

  private static void layer(ArrayNode layers, JsonNode source, String kind) {
    ObjectNode layer = layers.addObject();
    if (source instanceof ObjectNode s) {
      s.put("kind", kind);
    }
    layer.set("source", source);
    layer.put("levelDb", 0).put("pan", 0).put("delayMs", 0).put("muted", false);
    layer.put("alone", false);
    ObjectNode chain = layer.putObject("chain");
    for (int k = 0; k < CHAIN.length; k++) {
      chain.put(CHAIN_NAMES[k], CHAIN[k]);
    }
  }
}
