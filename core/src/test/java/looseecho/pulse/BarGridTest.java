package looseecho.pulse;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.Arrangement;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.hits.Place;
import looseecho.hits.Places;
import looseecho.notes.Key;
import looseecho.reading.Reading;
import org.junit.jupiter.api.Test;

/** Bars that do not begin where a stretch begins, counted as any score counts them. */
class BarGridTest {
  /** Beats half a second apart; each number is a bar's place in its bar. */
  private static List<Beat> beats(int firstBar, int... positions) {
    List<Beat> out = new ArrayList<>();
    int bar = firstBar;
    for (int k = 0; k < positions.length; k++) {
      bar += k > 0 && positions[k] != positions[k - 1] + 1 ? 1 : 0;
      out.add(new Beat(0.5 * k, positions[k], bar));
    }
    return out;
  }

  @Test
  void aPickUpLiesAtTheEndOfItsBar() {
    BarGrid g = BarGrid.of(Meter.FOUR_FOUR, beats(0, 4, 1, 2, 3, 4, 1));
    assertEquals(List.of(0, 1, 2), g.bars().stream().map(BarGrid.Bar::number).toList());
    assertEquals(3 * 960, g.inBar(0), "beat four");
    assertEquals(0, g.inBar(960));
    assertEquals(List.of(3 * 960 / 960 * 960), List.of(g.bars().get(0).missing()));
    assertEquals(List.of(960, 4800), g.everywhere(0).boxed().toList());
    assertEquals(List.of(0, 3840), g.everywhere(3 * 960).boxed().toList());
    assertFalse(g.bars().get(2).has(960), "the last bar is cut short");
    assertEquals(new BarGrid.Spot(-1, 3 * 960), g.spot(-4 * 960), "a bar before the first");
    assertEquals(new BarGrid.Spot(2, 2 * 960), g.spot(7 * 960), "beyond the end");
  }

  /** 4/4 with a bar of two beats in it, then 3/4 and 6/8 (their bars: 3 and 2 x 1.5 quarters). */
  @Test
  void shortBarsAndOtherMetersKeepTheirLengths() {
    BarGrid cut = BarGrid.of(Meter.FOUR_FOUR, beats(1, 1, 2, 3, 4, 1, 2, 1, 2, 3, 4));
    assertEquals(List.of(3840, 1920, 3840), cut.bars().stream().map(BarGrid.Bar::ticks).toList());
    assertEquals(0, cut.inBar(6 * 960), "bar three begins after the short one");
    BarGrid waltz = BarGrid.of(Meter.THREE_FOUR, beats(1, 1, 2, 3, 1, 2, 3));
    assertEquals(2, waltz.size());
    assertEquals(240, waltz.inBar(3 * 960 + 240));
    BarGrid jig = BarGrid.of(Meter.SIX_EIGHT, beats(1, 1, 2, 1, 2));
    assertEquals(2880, jig.wholeBar());
    assertEquals(1440, jig.inBar(2880 + 1440), "the fourth eighth");
    assertThrows(IndexOutOfBoundsException.class, () -> BarGrid.of(new int[0]));
  }

  @Test
  void anInstantBeforeOrAfterTheBeatsHasABarToo() {
    Pulse p =
        new Pulse(
            Reading.measured(120.0, 1, ""),
            true,
            1,
            1,
            Reading.measured(Meter.FOUR_FOUR, 1, ""),
            beats(0, 3, 4, 1, 2, 3, 4));
    Places places = new Places(p);
    assertEquals(new Place(0, 9, 0), places.at(0));
    Place early = places.at(-0.51);
    assertEquals(List.of(0, 5), List.of(early.bar(), early.step()));
    assertEquals(-10, early.offsetMs(), 1e-6);
    assertEquals(new Place(2, 1, 0), places.at(3.0));
  }

  private static Template pickUp() {
    int[] positions = IntStream.range(0, 10).map(k -> (k + 2) % 4 + 1).toArray();
    List<Beat> beats = new ArrayList<>(beats(0, positions));
    beats.add(new Beat(5, 1, 3));
    TemplateSection s =
        new TemplateSection(
            "A", "verse", 10, java.util.Map.of(Part.of(Lane.KICK), kick()), java.util.Map.of());
    return new Template(120, Meter.FOUR_FOUR, new Key(0, true), beats, List.of(s));
  }

  /** On beat one of both whole bars, and on the pick-up's beat four. */
  private static List<Stroke> kick() {
    return List.of(
        new Stroke(960, 7, 90), new Stroke(1920, 5, 100), new Stroke(1920 + 3840, 5, 100));
  }

  @Test
  void everyBarOfASectionWithAPickUpIsEditedWhereItIs() {
    Template t = pickUp();
    Template two = Edits.toggle(t, Cell.step(0, Part.of(Lane.SNARE), 12), 90, true).template();
    assertEquals(
        List.of(12 * 240, 12 * 240 + 3840),
        two.sections().get(0).hits(Lane.SNARE).stream().map(Stroke::tick).toList(),
        "beat two of both whole bars; the pick-up has none");
    Stroke four =
        Edits.toggle(t, new Cell(0, Part.of(Lane.KICK), 1920 + 3 * 960, Grid.SIXTEENTH), 90, false)
            .template()
            .sections()
            .get(0)
            .hits(Part.of(Lane.KICK))
            .get(2);
    assertEquals(7, four.offsetMs(), "as late as beat four of the pick-up");
    Template copied = Arrangement.copyBar(t, 0, null, 1, 2).template();
    assertEquals(kick(), copied.sections().get(0).hits(Lane.KICK));
    Template twice = Arrangement.repeat(t, 0).template();
    assertEquals(
        List.of(2 * 960, 0, 0, 2 * 960, 0, 0),
        IntStream.range(0, 2)
            .boxed()
            .flatMap(s -> twice.grid(s).bars().stream().map(BarGrid.Bar::missing))
            .toList(),
        "the copy has its pick-up, too");
    assertTrue(twice.grid(1).bars().get(0).number() > twice.grid(0).bars().get(2).number());
  }
}
