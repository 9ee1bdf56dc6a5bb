package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.Beat;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;

/** Parts that are added, named, split, joined and take turns; nothing of what they play is lost. */
class PartsTest {
  private static final DrumPart HAT = Part.of(Lane.HAT_CLOSED);
  private static final DrumPart HAT_2 = HAT.numbered(2);
  private static final LinePart RIFF = Part.of(Line.RIFF);

  /** A, B, A of two bars: hats in eighths, soft off the beat; a riff of two pitches. */
  private static Template song() {
    List<Beat> beats =
        IntStream.rangeClosed(0, 24)
            .mapToObj(k -> new Beat(k * 0.5, k % 4 + 1, k / 4 + 1))
            .toList();
    List<Stroke> hats =
        IntStream.range(0, 16)
            .mapToObj(k -> Stroke.onStep(2 * k, 0, k % 2 == 0 ? 100 : 50))
            .toList();
    List<Tone> riff =
        IntStream.range(0, 4)
            .mapToObj(k -> Tone.onStep(8 * k, 0, 4, k % 2 == 0 ? 57 : 69, 90))
            .toList();
    List<TemplateSection> sections =
        List.of("A", "B", "A").stream()
            .map(l -> new TemplateSection(l, "part", 8, Map.of(HAT, hats), Map.of(RIFF, riff)))
            .toList();
    return new Template(120, Meter.FOUR_FOUR, new Key(9, true), beats, sections);
  }

  private static int count(Template t, Part part) {
    return t.sections().stream().mapToInt(part::size).sum();
  }

  @Test
  void aPartIsAddedNamedAndDropped() {
    Template t = Parts.add(song(), Parts.next(song(), HAT).orElseThrow()).template();
    assertEquals(List.of(HAT, HAT_2, RIFF), Part.of(t), "shown although it plays nothing yet");
    assertEquals("closed hat 2", t.name(HAT_2));
    Template named = Parts.name(t, HAT_2, " shaker/left ").template();
    assertEquals("shaker left", named.name(HAT_2), "fit for the name of a stem's file");
    assertEquals(named, Parts.name(named, HAT, "Shaker left").template(), "one name, one part");
    assertEquals(named, Parts.name(named, HAT_2, "kick").template(), "nor that of a kind");
    assertEquals(named, Parts.name(named, HAT_2, "room").template(), "nor that of another stem");
    assertEquals(song(), Parts.drop(named, HAT_2).template());
    assertEquals(HAT.numbered(3), Parts.next(named, HAT).orElseThrow());
  }

  @Test
  void whatIsSplitOffAndJoinedAgainIsAllThere() {
    Template t = song();
    for (Split how :
        List.of(
            Split.soft(t, HAT),
            Split.offBeats(),
            Split.section(1),
            Split.place(2 * Meter.STEP, Grid.SIXTEENTH))) {
      Edits.Edited e = Parts.split(t, HAT, HAT_2, how);
      int moved = count(e.template(), HAT_2);
      assertTrue(moved > 0 && moved < 48, how.words());
      assertEquals(48, moved + count(e.template(), HAT), how.words());
      assertEquals(t, Parts.merge(e.template(), HAT_2, HAT).template(), how.words());
    }
    assertEquals(24, count(Parts.split(t, HAT, HAT_2, Split.soft(t, HAT)).template(), HAT_2));
    assertEquals(
        6, count(Parts.split(t, HAT, HAT_2, Split.place(480, Grid.EIGHTH)).template(), HAT_2));
    LinePart high = RIFF.numbered(2);
    Template two = Parts.split(t, RIFF, high, Split.high(t, RIFF)).template();
    assertTrue(two.sections().get(0).notes(high).stream().allMatch(n -> n.pitch() == 69));
    assertEquals(6, count(two, high));
    assertEquals(t, Parts.split(t, HAT, HAT_2, Split.high(t, HAT)).template(), "all tuned alike");
  }

  @Test
  void twoPartsTakeTurnsByLetter() {
    Template t = Parts.alternate(song(), HAT, HAT_2).template();
    assertEquals(16, HAT.size(t.sections().get(0)));
    assertEquals(16, HAT.size(t.sections().get(1)), "B comes once");
    assertEquals(0, HAT.size(t.sections().get(2)));
    assertEquals(16, HAT_2.size(t.sections().get(2)));
    Template copied = Parts.copy(song(), RIFF, RIFF.numbered(2)).template();
    assertEquals(
        copied.sections().get(0).notes(RIFF), copied.sections().get(0).notes(RIFF.numbered(2)));
  }

  @Test
  void partsAreKnownByWhatIsWritten() {
    for (Part p : List.of(HAT, HAT_2, RIFF, RIFF.numbered(16))) {
      assertEquals(p, Part.valueOf(p.toString()));
    }
    assertThrows(IllegalArgumentException.class, () -> Part.valueOf("KICK 17"));
    assertThrows(IllegalArgumentException.class, () -> Part.valueOf("KICK x"));
    assertThrows(IllegalArgumentException.class, () -> LinePart.valueOf("KICK"));
  }

  /** Two bars of the song, drawn for every bar of another section, never one twice in a row. */
  @Test
  void aSectionIsPlayedFromPocketsPickedByHand() {
    Template t = song();
    Template busy = Brush.every(t, HAT, Stretch.bar(t, 1, 0), Grid.SIXTEENTH, 1, 70).template();
    Pockets pockets = Pockets.NONE.toggled(new Pockets.Bar(1, 0)).toggled(new Pockets.Bar(0, 1));
    for (long seed = 0; seed < 4; seed++) {
      Template laid = pockets.lay(busy, 2, HAT, seed).template();
      List<Long> counts =
          IntStream.range(0, 2)
              .mapToObj(
                  bar ->
                      laid.sections().get(2).hits(HAT).stream()
                          .filter(Stretch.bar(laid, 2, bar)::holds)
                          .count())
              .sorted()
              .toList();
      assertEquals(List.of(8L, 16L), counts, "one bar of each");
      assertEquals(busy.sections().get(1), laid.sections().get(1));
    }
    Pockets none = pockets.toggled(new Pockets.Bar(1, 0)).toggled(new Pockets.Bar(0, 1));
    assertEquals(Pockets.NONE, none);
    assertEquals(busy, none.lay(busy, 2, HAT, 1).template());
    Pockets gone = Pockets.NONE.toggled(new Pockets.Bar(7, 0));
    assertEquals(busy, gone.lay(busy, 2, HAT, 1).template(), "that section is no more");
  }
}
