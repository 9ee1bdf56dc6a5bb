package looseecho.exchange;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.util.List;
import looseecho.echo.Part;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.palette.Descriptors;
import looseecho.palette.HeardSound;
import looseecho.palette.RecipeFitter;
import looseecho.palette.SoundClassifier;

/** What the sounds of a reference are like, and their recipes, as JSON. */
public final class SoundsJson {
  private SoundsJson() {}

  /**
   * Writes all heard sounds with their fitted recipes.
   *
   * @param fitted as many as heard sounds
   * @param recipes of the lines of which no sound was cut
   */
  public static byte[] write(
      String name, List<HeardSound> heard, List<RecipeFitter.Fitted> fitted, Sounds recipes) {
    ObjectMapper mapper = new ObjectMapper().registerModule(new Jdk8Module());
    ObjectNode root = mapper.createObjectNode().put("name", name);
    ArrayNode all = root.putArray("sounds");
    SoundClassifier classifier = new SoundClassifier();
    for (int k = 0; k < heard.size(); k++) {
      HeardSound h = heard.get(k);
      RecipeFitter.Fitted fit = fitted.get(k);
      Descriptors d = h.like();
      SoundClassifier.Said said = classifier.classify(h.sound());
      ObjectNode o = all.addObject().put("part", h.name());
      o.put("class", h.what().words());
      o.put("sounds_like", said.what().words());
      o.put("strokes", h.strokes()).put("quality", round(h.quality()));
      if (!h.pitches().isEmpty()) {
        ArrayNode pitches = o.putArray("midi_pitches");
        h.pitches().forEach(pitches::add);
      }
      ObjectNode n = o.putObject("descriptors");
      n.put("attack_ms", round(d.attackMs())).put("decay_ms", round(d.decayMs()));
      n.put("length_ms", round(d.lengthMs()));
      n.put("pitch_hz", round(d.pitchHz())).put("pitch_fall_semitones", round(d.pitchFall()));
      n.put("centroid_hz", round(d.centroidHz())).put("noise", round(d.noise()));
      n.put("odd_share", round(d.oddShare())).put("width", round(d.width()));
      h.room()
          .ifPresent(
              r ->
                  o.putObject("room")
                      .put("seconds", round(r.seconds()))
                      .put("share", round(r.share())));
      ArrayNode words = o.putArray("words");
      d.words().forEach(words::add);
      o.put("distance_db_before", round(fit.before())).put("distance_db", round(fit.after()));
      ArrayNode steps = o.putArray("steps");
      fit.steps().forEach(steps::add);
      o.set("recipe", mapper.valueToTree(fit.sound()));
    }
    for (Line line : Line.values()) { // one that no note was cut of has its recipe
      if (heard.stream().noneMatch(h -> h.part().equals(Part.of(line)))) {
        ObjectNode o = all.addObject().put("part", line.words());
        o.set("recipe", mapper.valueToTree(recipes.sound(Part.of(line))));
      }
    }
    try {
      return mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(root);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private static double round(double value) {
    return Math.round(1000 * value) / 1000.0;
  }
}
