package looseecho.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Map;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.loose.Aspect;
import looseecho.project.Project;

/** What a project holds, for scripts. */
final class Summary {
  private static final ObjectMapper MAPPER = new ObjectMapper();

  private Summary() {}

  static String json(Project p, Map<Aspect, Double> news, Path to) {
    Template t = p.template();
    ObjectNode root = MAPPER.createObjectNode();
    root.put("project", to.toString()).put("reference", p.reference().name());
    root.put("bpm", t.bpm()).put("meter", t.meter().words()).put("key", t.key().words());
    var sections = root.putArray("sections");
    t.sections()
        .forEach(
            s -> {
              ObjectNode one = sections.addObject();
              one.put("label", s.label()).put("role", s.role()).put("beats", s.beats());
              ObjectNode parts = one.putObject("parts");
              Part.of(s).forEach(part -> parts.put(part.words(), part.size(s)));
            });
    ObjectNode fresh = root.putObject("new_percent");
    news.forEach((aspect, percent) -> fresh.put(aspect.words(), Math.round(percent)));
    LogLine.words(p.log()).forEach(root.withArray("log")::add);
    try {
      return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(root);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree can be written", e);
    }
  }
}
