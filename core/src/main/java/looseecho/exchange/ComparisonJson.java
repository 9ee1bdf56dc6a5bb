package looseecho.exchange;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import looseecho.compare.Comparison;
import looseecho.compare.Finding;

/** A comparison as JSON, for scripts. */
public final class ComparisonJson {
  private static final ObjectMapper MAPPER = new ObjectMapper();

  private ComparisonJson() {}

  /** Score, scores by part, and all readings, the most noticed first. */
  public static String write(String reference, String echo, Comparison c) {
    ObjectNode root = MAPPER.createObjectNode();
    root.put("reference", reference).put("echo", echo).put("score", round(c.score()));
    ObjectNode parts = root.putObject("scores");
    c.scores().forEach((part, score) -> parts.put(part, round(score)));
    ArrayNode all = root.putArray("findings");
    for (Finding f : c.findings()) {
      ObjectNode o = all.addObject();
      o.put("what", f.kind().words()).put("of", f.of()).put("score", round(f.score()));
      o.put("noticed", round(f.noticed())).put("words", f.words());
      f.at().ifPresent(t -> o.put("at", round(t)));
      f.mend()
          .ifPresent(
              m ->
                  o.putObject("mend")
                      .put("what", m.what().name().toLowerCase(Locale.ROOT))
                      .put("amount", round(m.amount())));
    }
    try {
      return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(root);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree can be written", e);
    }
  }

  private static double round(double value) {
    return Math.round(100 * value) / 100.0;
  }
}
