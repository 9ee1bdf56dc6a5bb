package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;

/** At 120 BPM a bar takes two seconds. */
class StretchTest {
  private static final DrumPart KICK = Part.of(Lane.KICK);
  private static final LinePart RIFF = Part.of(Line.RIFF);
  private static final LinePart BASS = Part.of(Line.BASS);

  /** A section of twenty bars with kicks on every beat and lines that come in at a bar. */
  private static TemplateSection section(String letter, Map<LinePart, Integer> lines) {
    List<Stroke> kicks = IntStream.range(0, 80).mapToObj(k -> Stroke.onStep(4 * k, 0, 99)).toList();
    Map<LinePart, List<Tone>> notes =
        lines.entrySet().stream()
            .collect(
                java.util.stream.Collectors.toMap(
                    Map.Entry::getKey, e -> List.of(Tone.onStep(16 * e.getValue(), 0, 8, 60, 90))));
    return new TemplateSection(letter, "verse", 80, Map.of(KICK, kicks), notes);
  }

  private static Template of(TemplateSection... sections) {
    List<Beat> beats = new ArrayList<>();
    for (int k = 0; k <= 80 * sections.length; k++) {
      beats.add(new Beat(k * 0.5, k % 4 + 1, k / 4 + 1));
    }
    return new Template(120, Meter.FOUR_FOUR, new Key(9, true), beats, List.of(sections));
  }

  @Test
  void aSectionIsListenedToWhereMostOfItPlays() {
    Template t = of(section("A", Map.of(RIFF, 12)));
    assertEquals(List.of(new Stretch(14, 12)), Stretch.of(t, 40, 12, 44), "the riff comes at 24 s");
    assertEquals(List.of(new Stretch(0, 12)), Stretch.of(of(section("A", Map.of())), 40, 12, 44));
  }

  @Test
  void aPartThatPlaysElsewhereOnlyIsHeardToo() {
    Template t = of(section("A", Map.of(RIFF, 1, BASS, 19)), section("A", Map.of(BASS, 4)));
    List<Stretch> all = Stretch.of(t, 80, 12, 44);
    assertEquals(List.of(new Stretch(0, 12), new Stretch(38, 4)), all, "the bass comes at 38 s");
  }

  @Test
  void everyLetterHasItsShareOfTheTime() {
    TemplateSection[] eight =
        IntStream.range(0, 8)
            .mapToObj(k -> section("" + (char) ('A' + k), Map.of()))
            .toArray(TemplateSection[]::new);
    List<Stretch> all = Stretch.of(of(eight), 320, 12, 44);
    assertEquals(8, all.size());
    assertTrue(all.stream().allMatch(s -> s.seconds() == 5.5));
    assertEquals(280, all.get(7).from());
    assertEquals(6, Stretch.of(of(eight), 240, 12, 44).size(), "no more than there is");
  }
}
