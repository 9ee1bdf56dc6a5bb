package looseecho.fuzz;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/** Puts values that nobody expects into a JSON tree. */
final class JsonMutation {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private JsonMutation() {}

  static JsonNode of(JsonNode whole, SplittableRandom random) {
    JsonNode out = whole.deepCopy();
    int times = 1 + random.nextInt(3);
    for (int k = 0; k < times; k++) {
      List<JsonNode> containers = new ArrayList<>();
      gather(out, containers);
      JsonNode in = containers.get(random.nextInt(containers.size()));
      if (in instanceof ObjectNode o && !o.isEmpty()) {
        List<String> names = new ArrayList<>();
        o.fieldNames().forEachRemaining(names::add);
        String name = names.get(random.nextInt(names.size()));
        if (random.nextInt(6) == 0) {
          o.remove(name);
        } else {
          o.set(name, value(random));
        }
      } else if (in instanceof ArrayNode a && !a.isEmpty()) {
        int at = random.nextInt(a.size());
        if (random.nextInt(4) == 0) {
          JsonNode one = a.get(at).deepCopy();
          for (int n = random.nextInt(2000); n > 0; n--) {
            a.add(one);
          }
        } else {
          a.set(at, value(random));
        }
      }
    }
    return out;
  }

  private static void gather(JsonNode n, List<JsonNode> out) {
    if (n.isContainerNode()) {
      out.add(n);
      n.forEach(child -> gather(child, out));
    }
  }

  private static JsonNode value(SplittableRandom random) {
    return switch (random.nextInt(12)) {
      case 0 -> JSON.nullNode();
      case 1 -> JSON.numberNode(Integer.MAX_VALUE);
      case 2 -> JSON.numberNode(Integer.MIN_VALUE);
      case 3 -> JSON.numberNode(Long.MAX_VALUE);
      case 4 -> JSON.numberNode(random.nextDouble(-1e3, 1e3));
      case 5 -> JSON.numberNode(1e308);
      case 6 -> JSON.textNode("NaN");
      case 7 -> JSON.textNode("\u0000\uD800" + "x".repeat(random.nextInt(9000)));
      case 8 -> JSON.booleanNode(random.nextBoolean());
      case 9 -> JSON.arrayNode().add(JSON.arrayNode().add(1));
      case 10 -> JSON.objectNode().put("x", -1);
      default -> JSON.numberNode(random.nextInt(-2, 3));
    };
  }
}
