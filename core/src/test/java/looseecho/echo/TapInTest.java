package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.notes.Key;
import looseecho.project.PracticeLog;
import looseecho.pulse.Beat;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TapInTest {
  /** At 120 a sixteenth lasts 125 ms (tempo arithmetic). Two bars from second 1 on. */
  private static Template template() {
    List<Beat> beats =
        IntStream.rangeClosed(0, 8)
            .mapToObj(k -> new Beat(1 + k * 0.5, k % 4 + 1, k / 4 + 1))
            .toList();
    TemplateSection s =
        new TemplateSection(
            "A",
            "verse",
            8,
            Map.of(Part.of(Lane.SNARE), List.of(Stroke.onStep(4, 20, 90))),
            Map.of());
    return new Template(120, Meter.FOUR_FOUR, new Key(0, true), beats, List.of(s));
  }

  @Test
  void tapsLandOnTheirStepsWithTheirFeel() {
    List<TapIn.Tap> taps =
        List.of(
            new TapIn.Tap(1.510, 100), // step 5, 10 ms late
            new TapIn.Tap(2.486, 50), // step 13, 14 ms early
            new TapIn.Tap(2.503, 120), // the same step again: the later stays
            new TapIn.Tap(9.0, 90)); // behind the section
    TapIn in = TapIn.of(template(), 0, taps, Grid.SIXTEENTH, 0);
    assertEquals(List.of(4, 12), in.hits().stream().map(Stroke::step).toList());
    assertEquals(10, in.errorsMs().get(0), 1e-6);
    assertEquals(3, in.hits().get(1).offsetMs(), 1e-6);
    assertEquals(6.5, in.meanMs(), 1e-6);
    assertEquals(3.5, in.spreadMs(), 1e-6);
    TapIn tight = TapIn.of(template(), 0, taps, Grid.SIXTEENTH, 1);
    assertTrue(tight.hits().stream().allMatch(h -> h.offsetMs() == 0));
    Edits.Edited edit = in.into(template(), 0, Part.of(Lane.CLAP), false);
    assertEquals(in.hits(), edit.template().sections().get(0).hits(Lane.CLAP));
    assertEquals("Tapped in clap, 2 hits", edit.words());
    List<TapIn.Tap> triplet = List.of(new TapIn.Tap(1.0, 90), new TapIn.Tap(1.340, 90));
    TapIn fine = TapIn.of(template(), 0, triplet, Grid.EIGHTH_TRIPLET, 1);
    assertEquals(List.of(0, 640), fine.hits().stream().map(Stroke::tick).toList());
    Edits.Edited over = fine.into(template(), 0, Part.of(Lane.SNARE), true);
    assertEquals(
        List.of(0, 640, 960),
        over.template().sections().get(0).hits(Lane.SNARE).stream().map(Stroke::tick).toList());
  }

  @Test
  void quantisingPullsByAShareAndOneDrumCanBeAlone() {
    Template half = Edits.quantise(template(), 0, Part.of(Lane.SNARE), 0.5).template();
    assertEquals(10, half.sections().get(0).hits(Lane.SNARE).get(0).offsetMs(), 1e-9);
    assertEquals(template(), Edits.quantise(template(), 0, Part.of(Lane.SNARE), 0).template());
    assertEquals(1, template().only(Part.of(Lane.SNARE)).attacks().length);
    assertEquals(0, template().only(Part.of(Lane.KICK)).attacks().length);
  }

  @Test
  void thePracticeRecordGrowsAndSurvivesDamage(@TempDir Path dir) throws IOException {
    Path file = dir.resolve("new").resolve("practice.csv");
    PracticeLog log = new PracticeLog(file);
    assertTrue(log.takes().isEmpty());
    var take = new PracticeLog.Take(LocalDateTime.of(2026, 3, 1, 9, 30), "snare", 16, -4.5, 9);
    log.add(take);
    Files.writeString(file, "not a take\n", StandardOpenOption.APPEND);
    log.add(take);
    assertEquals(List.of(take, take), log.takes());
  }
}
