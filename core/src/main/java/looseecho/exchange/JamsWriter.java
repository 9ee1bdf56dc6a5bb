package looseecho.exchange;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.ValueNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import looseecho.analysis.Analysis;
import looseecho.disk.Seal;
import looseecho.disk.WholeFile;
import looseecho.form.Event;
import looseecho.form.Section;
import looseecho.hits.Feel;
import looseecho.layers.HeardLayer;
import looseecho.notes.Chord;
import looseecho.notes.Key;
import looseecho.notes.Note;
import looseecho.notes.TonalContent;
import looseecho.notes.Tonality;
import looseecho.pulse.Beat;
import looseecho.pulse.Pulse;
import looseecho.reading.Reading;

/**
 * Writes an analysis as JAMS 0.3.
 *
 * <p>Source: Humphrey and others, "JAMS: a JSON annotated music specification for reproducible MIR
 * research", ISMIR 2014, and its schema 0.3. Times are seconds.
 */
public final class JamsWriter {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final String TOOL = "Loose Echo";

  /** Writes the file, whole or not at all. */
  public void write(Analysis a, String title, Path path) throws IOException {
    write(a, List.of(), title, path);
  }

  /** The same with the layers, in the sandbox. */
  public void write(Analysis a, List<HeardLayer> layers, String title, Path path)
      throws IOException {
    WholeFile.write(
        path,
        part -> {
          ObjectNode root = document(a, title);
          LayersJson.put(layers, a.form().events(), (ObjectNode) root.get("sandbox"));
          ((ObjectNode) root.get("sandbox")).put("seal", Seal.BLANK);
          new ObjectMapper().writerWithDefaultPrettyPrinter().writeValue(part.toFile(), root);
          Seal.close(part);
        });
  }

  /** The document as a tree. */
  ObjectNode document(Analysis a, String title) {
    ObjectNode root = JSON.objectNode();
    ObjectNode file = root.putObject("file_metadata");
    file.put("title", title)
        .put("artist", "")
        .put("release", "")
        .put("duration", a.duration())
        .put("jams_version", "0.3.4");
    file.putObject("identifiers");
    ArrayNode annotations = root.putArray("annotations");
    ObjectNode sandbox = root.putObject("sandbox");
    sandbox.put("tuning_cents", round(a.tonality().tuningCents(), 2));
    a.pulse().ifPresent(p -> pulse(p, a.feel(), a.duration(), annotations, sandbox));
    key(a.tonality(), a.duration(), annotations);
    sectionKeys(a, annotations);
    ArrayNode sections = annotation(annotations, "segment_open", "sections", a.duration());
    for (Section s : a.form().sections()) {
      observe(
          sections,
          s.start(),
          s.end() - s.start(),
          JSON.textNode(s.label() + " " + s.role()),
          s.confidence());
    }
    ArrayNode events = annotation(annotations, "tag_open", "events", a.duration());
    for (Event e : a.form().events()) {
      observe(events, e.start(), e.end() - e.start(), JSON.textNode(e.words()), e.confidence());
    }
    ArrayNode chords = annotation(annotations, "chord", "chords", a.duration());
    if (a.tonality().chords().isEmpty()) {
      observe(chords, 0, a.duration(), JSON.textNode("N"), 1);
    }
    for (Chord c : a.tonality().chords()) {
      observe(chords, c.start(), c.end() - c.start(), JSON.textNode(c.label()), c.confidence());
    }
    notes(a.tonality().bass(), "bass transcription", a.duration(), annotations);
    notes(a.tonality().riff(), "riff transcription", a.duration(), annotations);
    return root;
  }

  private static void pulse(
      Pulse p, Feel feel, double duration, ArrayNode annotations, ObjectNode sandbox) {
    ArrayNode tempo = annotation(annotations, "tempo", "tempo", duration);
    double most = p.tempo().confidence();
    observe(tempo, 0, duration, JSON.numberNode(p.tempo().value()), most);
    for (var other : p.tempo().alternatives()) {
      // The order is the ranking: another tempo never claims more than the one in force.
      observe(
          tempo,
          0,
          duration,
          JSON.numberNode(other.value()),
          Math.min(other.confidence(), 0.999 * most));
    }
    ArrayNode beats = annotation(annotations, "beat", "beats", duration);
    for (Beat b : p.beats()) {
      observe(beats, b.time(), 0, JSON.numberNode(b.position()), 1);
    }
    sandbox.put("tempo_exact", round(p.tempo().value(), 4));
    sandbox.put("steady", p.steady());
    sandbox.put("meter", p.meter().value().words());
    feel.division().ifPresent(d -> sandbox.put("grid", d.words()));
    feel.swing()
        .ifPresent(
            swing ->
                sandbox
                    .put("swing_percent", round(swing.percent(), 1))
                    .put("swing_unit", swing.unit()));
    if (!p.steady()) {
      ArrayNode map = sandbox.putArray("tempo_map");
      for (double[] bar : p.tempoMap()) {
        map.addObject().put("time", round(bar[0], 4)).put("bpm", round(bar[1], 3));
      }
    }
  }

  private static void notes(List<Note> notes, String what, double duration, ArrayNode annotations) {
    ArrayNode data = annotation(annotations, "note_midi", what, duration);
    for (Note n : notes) {
      observe(
          data,
          n.start(),
          n.end() - n.start(),
          JSON.numberNode((double) n.pitch()),
          n.confidence());
    }
  }

  private static void sectionKeys(Analysis a, ArrayNode annotations) {
    List<Section> sections = a.form().sections();
    List<Reading<Key>> keys = a.tonality().sectionKeys();
    if (keys.size() != sections.size() || a.tonality().content() != TonalContent.KEY) {
      return;
    }
    ArrayNode data = annotation(annotations, "key_mode", "key per section", a.duration());
    for (int i = 0; i < keys.size(); i++) {
      Section s = sections.get(i);
      Reading<Key> k = keys.get(i);
      observe(
          data, s.start(), s.end() - s.start(), JSON.textNode(k.value().label()), k.confidence());
    }
  }

  private static void key(Tonality tonality, double duration, ArrayNode annotations) {
    ArrayNode data = annotation(annotations, "key_mode", "key", duration);
    Reading<Key> key = tonality.key();
    if (!tonality.tonal()) {
      observe(data, 0, duration, JSON.textNode("N"), 1 - key.confidence());
      return;
    }
    if (tonality.content() == TonalContent.HOME) {
      String home = Key.NAMES.get(key.value().tonic()); // the note alone: no third is heard
      observe(data, 0, duration, JSON.textNode(home), 1 - key.confidence());
      return;
    }
    observe(data, 0, duration, JSON.textNode(key.value().label()), key.confidence());
    key.alternatives()
        .forEach(k -> observe(data, 0, duration, JSON.textNode(k.value().label()), k.confidence()));
  }

  private static ArrayNode annotation(
      ArrayNode annotations, String namespace, String what, double duration) {
    ObjectNode a = annotations.addObject();
    a.put("namespace", namespace).put("time", 0).put("duration", duration);
    ObjectNode meta = a.putObject("annotation_metadata");
    meta.put("annotation_tools", TOOL + " " + what)
        .put("data_source", "program")
        .put("version", "")
        .put("corpus", "");
    meta.put("annotation_rules", "").put("validation", "");
    meta.putObject("curator").put("name", "").put("email", "");
    meta.putObject("annotator");
    a.putObject("sandbox");
    return a.putArray("data");
  }

  private static void observe(
      ArrayNode data, double time, double duration, ValueNode value, double confidence) {
    ObjectNode o = data.addObject();
    o.put("time", Math.max(0, round(time, 5))).put("duration", Math.max(0, round(duration, 5)));
    o.set("value", value);
    o.put("confidence", round(confidence, 4));
  }

  private static double round(double x, int digits) {
    double scale = Math.pow(10, digits);
    return Math.round(x * scale) / scale;
  }
}
