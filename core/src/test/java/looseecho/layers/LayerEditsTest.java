package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.Optional;
import looseecho.form.LayerMark;
import looseecho.layers.HeardLayer.Span;
import org.junit.jupiter.api.Test;

/** Decisions about layers, in order and by the names of the moment. */
class LayerEditsTest {
  private static HeardLayer layer(String name, double level, Span... active) {
    HeardLayer.Image middle = new HeardLayer.Image(0, 0, 0, 0, 0);
    return new HeardLayer(
        name,
        "hats",
        List.of(active),
        level,
        2000,
        9000,
        middle,
        "air",
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  private static final List<HeardLayer> HEARD =
      List.of(layer("a", -10, new Span(0, 8), new Span(12, 20)), layer("b", -10, new Span(6, 14)));

  @Test
  void namesLeadOneDecisionToTheNext() {
    List<HeardLayer> out =
        LayerEdits.apply(
            HEARD,
            List.of(
                LayerMark.rename("a", "b"), // taken: it becomes another name
                LayerMark.family("b 2", "percussion"),
                LayerMark.job("b", "texture"),
                LayerMark.job("a", "lead"))); // by then there is no such layer
    assertEquals(List.of("b 2", "b"), out.stream().map(HeardLayer::name).toList());
    assertEquals("percussion", out.get(0).family());
    assertEquals(List.of("air", "texture"), out.stream().map(HeardLayer::job).toList());
  }

  @Test
  void twoThatAreOnePlayWhereEitherDoesAndTheirPowersAddUp() {
    HeardLayer one = LayerEdits.apply(HEARD, List.of(LayerMark.join("a", "b"))).get(0);
    assertEquals(List.of(new Span(0, 20)), one.active());
    // 24 s at a tenth of the mix's power within 20 s: 0.12, 10 log10 = -9.2 dB
    assertEquals(-9.2, one.levelDb(), 0.05);
  }

  @Test
  void cutsAndEdges() {
    List<HeardLayer> cut = LayerEdits.apply(HEARD, List.of(LayerMark.split("a", 13)));
    assertEquals(List.of(new Span(0, 8), new Span(12, 13)), cut.get(0).active());
    assertEquals("a 2", cut.get(1).name());
    assertEquals(List.of(new Span(13, 20)), cut.get(1).active());
    List<HeardLayer> moved = LayerEdits.apply(HEARD, List.of(LayerMark.edge("a", 9, 12)));
    assertEquals(List.of(new Span(0, 20)), moved.get(0).active(), "stretches that touch are one");
    assertEquals(
        HEARD, LayerEdits.apply(HEARD, List.of(LayerMark.split("a", 30))), "nothing plays there");
    assertEquals(1, LayerEdits.apply(HEARD, List.of(LayerMark.remove("a"))).size());
  }

  @Test
  void aDecisionMustSaySomething() {
    assertThrows(IllegalArgumentException.class, () -> LayerMark.rename("a", " "));
    assertThrows(IllegalArgumentException.class, () -> LayerMark.edge("a", Double.NaN, 2));
  }
}
