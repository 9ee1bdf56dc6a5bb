package looseecho.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.form.SectionMark;
import looseecho.hits.HitMark;
import looseecho.notes.Key;
import looseecho.pulse.Meter;
import looseecho.pulse.PulseFinder.Wanted;

/** Corrections as JSON and back. */
final class CorrectionJson {
  private CorrectionJson() {}

  static ObjectNode write(Corrections c) {
    ObjectNode n = JsonNodeFactory.instance.objectNode();
    c.pulse().bpm().ifPresent(v -> n.put("bpm", v));
    c.pulse().barOneAt().ifPresent(v -> n.put("bar_one_at", v));
    c.pulse().meter().ifPresent(v -> n.put("meter", v.words()));
    n.put("nudge", c.pulse().nudge());
    c.key().ifPresent(v -> n.put("key", v.label()));
    n.put("locked", c.locked());
    ArrayNode sections = n.putArray("sections");
    for (SectionMark s : c.sections()) {
      sections.addObject().put("start", s.start()).put("label", s.label()).put("role", s.role());
    }
    ArrayNode hits = n.putArray("hits");
    for (HitMark h : c.hits()) {
      hits.addObject()
          .put("kind", h.kind().name())
          .put("lane", h.lane().name())
          .put("time", h.time())
          .put("to", h.to().name())
          .put("velocity", h.velocity());
    }
    return n;
  }

  /** Throws {@link IllegalArgumentException} for what can't be corrections. */
  static Corrections read(JsonNode n) {
    Wanted pulse =
        new Wanted(
            number(n, "bpm"),
            number(n, "bar_one_at"),
            text(n, "meter").map(Meter::parse),
            number(n, "nudge").orElse(0.0));
    List<SectionMark> sections = new ArrayList<>();
    for (JsonNode s : n.path("sections")) {
      sections.add(
          new SectionMark(
              s.path("start").asDouble(), s.path("label").asText("A"), s.path("role").asText("")));
    }
    List<HitMark> hits = new ArrayList<>();
    for (JsonNode h : n.path("hits")) {
      hits.add(
          new HitMark(
              HitMark.Kind.valueOf(h.path("kind").asText()),
              Lane.valueOf(h.path("lane").asText()),
              h.path("time").asDouble(),
              Lane.valueOf(h.path("to").asText()),
              h.path("velocity").asInt()));
    }
    return new Corrections(
        pulse, text(n, "key").map(Key::parse), sections, hits, n.path("locked").asBoolean());
  }

  private static Optional<String> text(JsonNode n, String field) {
    return Optional.ofNullable(n.get(field)).map(JsonNode::asText);
  }

  private static Optional<Double> number(JsonNode n, String field) {
    return Optional.ofNullable(n.get(field)).map(JsonNode::asDouble);
  }
}
