package looseecho.compare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.compare.Trait.Step;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import org.junit.jupiter.api.Test;

/** Three references, two of one meter. */
class StyleProfileTest {
  private static List<Step> steps(int count, int velocity, double late, int... on) {
    List<Step> out = new ArrayList<>();
    for (int k = 0; k < count; k++) {
      int step = k;
      boolean struck = java.util.Arrays.stream(on).anyMatch(s -> s == step);
      out.add(struck ? new Step(1, velocity, late) : Step.SILENT);
    }
    return out;
  }

  private static final StyleProfile STYLE =
      new StyleProfile(
          List.of(
              new Trait(
                  "a",
                  120,
                  "4/4",
                  "A minor",
                  54,
                  List.of(8.0, 8.0, 4.0),
                  Map.of(
                      Lane.KICK, steps(16, 110, 0, 0, 8),
                      Lane.SNARE, steps(16, 100, 10, 4, 12))),
              new Trait(
                  "b",
                  124,
                  "4/4",
                  "C major",
                  58,
                  List.of(8.0),
                  Map.of(
                      Lane.KICK, steps(16, 90, 0, 0, 10),
                      Lane.SNARE, steps(16, 80, 20, 4, 12))),
              new Trait(
                  "c",
                  90,
                  "6/8",
                  "D minor",
                  0,
                  List.of(),
                  Map.of(Lane.KICK, steps(12, 127, 0, 3)))));

  @Test
  void whatTheyShare() {
    assertEquals("4/4", STYLE.meter());
    assertEquals(120, STYLE.bpm(), 1e-9);
    assertEquals(58, STYLE.swing(), 1e-9);
    assertEquals(8, STYLE.sectionBars());
    List<Step> kick = STYLE.patterns().get(Lane.KICK);
    assertEquals(16, kick.size(), "the one in 6/8 is left out");
    assertEquals(new Step(1, 100, 0), kick.get(0));
    assertEquals(new Step(0.5, 110, 0), kick.get(8));
    assertEquals("X.......X.X.....", StyleProfile.drawn(kick));
    assertTrue(STYLE.words().contains("snare on 5, 13"), STYLE.words().toString());
  }

  @Test
  void aNewEchoStartsFromIt() {
    Template t = STYLE.template().orElseThrow();
    assertEquals(32, t.sections().get(0).beats());
    assertTrue(t.key().minor());
    List<Stroke> snare = t.sections().get(0).hits(Lane.SNARE);
    assertEquals(16, snare.size());
    assertEquals(new Stroke(960, 15, 90), snare.get(0));
    Trait silent = new Trait("x", 0, "", "no key", 0, List.of(), Map.of());
    assertFalse(new StyleProfile(List.of(silent)).template().isPresent());
  }
}
