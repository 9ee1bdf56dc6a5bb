package looseecho.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Optional;
import looseecho.form.Event;
import looseecho.layers.HeardLayer;
import looseecho.layers.HeardLayer.Span;
import org.junit.jupiter.api.Test;

class LayersJsonTest {
  private static Event rise(double start, double end) {
    return new Event(Event.Kind.NOISE_RISES, start, end, "noise rises", 1);
  }

  @Test
  void noiseThatSwellsIntoABedIsNoTransition() {
    HeardLayer bed =
        new HeardLayer(
            "noise bed",
            "noise",
            List.of(new Span(4, 40)),
            -23.5,
            630,
            12_000,
            new HeardLayer.Image(0, 0.2, 0, 0.2, 0.25),
            "bed",
            List.of(),
            Optional.of(new HeardLayer.Duck("kick", 6, 120)),
            Optional.empty(),
            Optional.empty());
    ObjectNode sandbox = JsonNodeFactory.instance.objectNode();

    LayersJson.put(List.of(bed), List.of(rise(4, 12), rise(20, 24)), sandbox);

    assertEquals(1, sandbox.at("/transitions").size());
    assertEquals("rise", sandbox.at("/transitions/0/kind").asText());
    assertEquals(20, sandbox.at("/transitions/0/start").asDouble());
    assertEquals("noise", sandbox.at("/layers/0/family").asText());
    assertEquals(40, sandbox.at("/layers/0/active/0/1").asDouble());
    assertEquals(120, sandbox.at("/layers/0/duck/recovery_ms").asDouble());
    assertTrue(sandbox.at("/layers/0/repeats").isNull());
    assertTrue(sandbox.at("/layers/0/room").isNull());
  }
}
