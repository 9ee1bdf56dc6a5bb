package looseecho.exchange;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import looseecho.form.Event;
import looseecho.layers.HeardLayer;

/** Layers and transitions as they stand in the sandbox of a JAMS file. */
final class LayersJson {
  private static final Map<Event.Kind, String> TRANSITIONS =
      Map.of(
          Event.Kind.STOP, "stop",
          Event.Kind.ROLL, "roll",
          Event.Kind.LOW_CUT, "low cut",
          Event.Kind.NARROWING, "narrowing",
          Event.Kind.DIP, "dip",
          Event.Kind.REVERSED, "reversed",
          Event.Kind.RISE, "rise",
          Event.Kind.NOISE_RISES, "rise",
          Event.Kind.FALL, "fall",
          Event.Kind.THROW, "throw");

  private LayersJson() {}

  static void put(List<HeardLayer> layers, List<Event> events, ObjectNode sandbox) {
    ArrayNode all = sandbox.putArray("layers");
    layers.forEach(l -> layer(l, all.addObject()));
    ArrayNode transitions = sandbox.putArray("transitions");
    for (Event e : events) {
      String kind = TRANSITIONS.get(e.kind());
      if (kind != null && !beginsBed(e, layers)) {
        ObjectNode t = transitions.addObject();
        t.put("kind", kind).put("start", round(e.start())).put("end", round(e.end()));
      }
    }
  }

  /** Noise that swells until it stands still leads nowhere. */
  private static boolean beginsBed(Event e, List<HeardLayer> layers) {
    return layers.stream()
        .filter(HeardLayer::isNoiseBed)
        .anyMatch(
            l ->
                l.active().stream().anyMatch(s -> s.start() == e.start())
                    || e.kind() == Event.Kind.NOISE_RISES && swells(l, e));
  }

  /** True where a layer grows meanwhile. */
  private static boolean swells(HeardLayer l, Event e) {
    return l.moves().stream()
        .filter(m -> m.what().equals(HeardLayer.Move.LEVEL) && m.from() < m.to())
        .anyMatch(m -> m.start() < e.end() && e.start() < m.end());
  }

  private static void layer(HeardLayer l, ObjectNode o) {
    o.put("name", l.name()).put("family", l.family().toLowerCase(Locale.ROOT));
    ArrayNode active = o.putArray("active");
    l.active().forEach(s -> active.addArray().add(round(s.start())).add(round(s.end())));
    o.put("level_db", round(l.levelDb()));
    o.putArray("band_hz").add(round(l.lowHz())).add(round(l.highHz()));
    o.put("pan", round(l.image().pan())).put("width", round(l.image().width()));
    ObjectNode bands = o.putObject("width_bands");
    bands.put("low", round(l.image().low())).put("mid", round(l.image().mid()));
    bands.put("high", round(l.image().high()));
    l.duck()
        .ifPresentOrElse(
            d ->
                o.putObject("duck")
                    .put("by", d.by())
                    .put("depth_db", round(d.depthDb()))
                    .put("recovery_ms", round(d.recoveryMs())),
            () -> o.putNull("duck"));
    l.repeats()
        .ifPresentOrElse(
            r ->
                o.putObject("repeats")
                    .put("note", r.note())
                    .put("ms", round(r.ms()))
                    .put("feedback", round(r.feedback()))
                    .put("ping_pong", r.pingPong()),
            () -> o.putNull("repeats"));
    l.room()
        .ifPresentOrElse(
            r ->
                o.putObject("room")
                    .put("seconds", round(r.seconds()))
                    .put("share", round(r.share())),
            () -> o.putNull("room"));
    ArrayNode moves = o.putArray("moves");
    for (HeardLayer.Move m : l.moves()) {
      ObjectNode one = moves.addObject().put("what", m.what());
      one.put("from", round(m.from())).put("to", round(m.to()));
      one.put("start", round(m.start())).put("end", round(m.end()));
    }
    o.put("job", l.job());
  }

  private static double round(double value) {
    return Math.round(1000 * value) / 1000.0;
  }
}
