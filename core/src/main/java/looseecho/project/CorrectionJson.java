package looseecho.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.form.LayerMark;
import looseecho.form.SectionMark;
import looseecho.hits.HitMark;
import looseecho.notes.Key;
import looseecho.pulse.Meter;

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
    ArrayNode layers = n.putArray("layers");
    for (LayerMark l : c.layers()) {
      ObjectNode o = layers.addObject().put("kind", l.kind().name()).put("name", l.name());
      o.put("to", l.to()).put("from", l.from()).put("at", l.at());
    }
    return n;
  }

  /**
   * Corrections as far as they make sense.
   *
   * @param refused names of those that do not; they are left out
   */
  record Read(Corrections corrections, List<String> refused) {}

  /** Reads corrections one by one. */
  static Read read(JsonNode n) {
    Reader r = new Reader(n);
    r.field("bpm", JsonNode::isNumber, v -> c -> c.withBpm(v.asDouble()));
    r.field("bar_one_at", JsonNode::isNumber, v -> c -> c.withBarOneAt(v.asDouble()));
    r.field(
        "meter",
        JsonNode::isTextual,
        v -> c -> c.withPulse(c.pulse().withMeter(Meter.parse(v.asText()))));
    r.field("nudge", JsonNode::isNumber, v -> c -> c.withPulse(c.pulse().withNudge(v.asDouble())));
    r.field("key", JsonNode::isTextual, v -> c -> c.withKey(Key.parse(v.asText())));
    r.field("locked", JsonNode::isBoolean, v -> c -> c.withLocked(v.asBoolean()));
    List<SectionMark> sections = r.list("sections", CorrectionJson::section);
    r.change("sections", c -> c.withSections(sections));
    List<HitMark> hits = r.list("hits", CorrectionJson::hit);
    r.change("hits", c -> c.withHits(hits));
    List<LayerMark> layers = r.list("layers", CorrectionJson::layer);
    r.change("layers", c -> c.withLayers(layers));
    return new Read(r.corrections, List.copyOf(r.refused));
  }

  private static SectionMark section(JsonNode s) {
    if (!s.path("start").isNumber()) {
      throw new IllegalArgumentException("no start");
    }
    return new SectionMark(
        s.path("start").asDouble(), s.path("label").asText("A"), s.path("role").asText(""));
  }

  private static LayerMark layer(JsonNode l) {
    return new LayerMark(
        LayerMark.Kind.valueOf(l.path("kind").asText()),
        l.path("name").asText(),
        l.path("to").asText(""),
        l.path("from").asDouble(),
        l.path("at").asDouble());
  }

  private static HitMark hit(JsonNode h) {
    if (!h.path("time").isNumber() || !h.path("velocity").isInt()) {
      throw new IllegalArgumentException("no time or no loudness");
    }
    return new HitMark(
        HitMark.Kind.valueOf(h.path("kind").asText()),
        Lane.valueOf(h.path("lane").asText()),
        h.path("time").asDouble(),
        Lane.valueOf(h.path("to").asText()),
        h.path("velocity").asInt());
  }

  /** Takes what can be taken and notes the rest. */
  private static final class Reader {
    private final JsonNode from;
    private final List<String> refused = new ArrayList<>();
    private Corrections corrections = Corrections.NONE;

    Reader(JsonNode from) {
      this.from = from;
    }

    void field(
        String name,
        java.util.function.Predicate<JsonNode> kind,
        Function<JsonNode, UnaryOperator<Corrections>> change) {
      Optional<JsonNode> value = Optional.ofNullable(from.get(name));
      if (value.isPresent() && !kind.test(value.get())) {
        refused.add(name);
      } else {
        value.ifPresent(v -> change(name, change.apply(v)));
      }
    }

    void change(String name, UnaryOperator<Corrections> change) {
      try {
        corrections = change.apply(corrections);
      } catch (IllegalArgumentException e) {
        refused.add(name);
      }
    }

    <T> List<T> list(String name, Function<JsonNode, T> read) {
      List<T> out = new ArrayList<>();
      int number = 0;
      for (JsonNode n : from.path(name)) {
        number++;
        try {
          out.add(read.apply(n));
        } catch (IllegalArgumentException e) {
          refused.add(name + " " + number);
        }
      }
      return out;
    }
  }
}
