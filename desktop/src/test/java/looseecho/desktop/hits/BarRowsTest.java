package looseecho.desktop.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.hits.BarRows.Mark;
import looseecho.desktop.session.Peaks;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.form.Change;
import looseecho.form.Form;
import looseecho.form.Section;
import looseecho.hits.Feel;
import looseecho.hits.Hit;
import looseecho.notes.Key;
import looseecho.notes.Note;
import looseecho.notes.Tonality;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;
import looseecho.reading.Reading;
import org.junit.jupiter.api.Test;

/** What the step chart is given to draw. */
class BarRowsTest {
  /** Four bars at 120: kick on one, snare 12 ms late on two, a second snare in bar 3 alone. */
  private static Analysis analysis() {
    List<Beat> beats =
        IntStream.range(0, 17).mapToObj(k -> new Beat(k * 0.5, k % 4 + 1, k / 4 + 1)).toList();
    List<Hit> hits = new ArrayList<>();
    for (int b = 0; b < 4; b++) {
      hits.add(new Hit(Lane.KICK, 2 * b, 110, b + 1, 1, 0, 0.9));
      hits.add(new Hit(Lane.SNARE, 2 * b + 0.512, 100, b + 1, 5, 12, 0.8));
    }
    hits.add(new Hit(Lane.SNARE, 5.5, 60, 3, 13, 0, 0.5));
    Form form =
        new Form(List.of(new Section("A", "verse", 0, 8, 4, 1, Change.NONE)), List.of(), List.of());
    Tonality tones =
        new Tonality(
            looseecho.notes.TonalContent.KEY,
            Reading.measured(new Key(0, true), 1, ""),
            List.of(),
            0,
            List.of(),
            List.of(new Note(4.0, 4.5, 36, 90, 1)),
            List.of(),
            List.of());
    return new Analysis(
        8,
        Optional.of(
            new Pulse(
                Reading.measured(120.0, 1, ""),
                true,
                1,
                1,
                Reading.measured(Meter.FOUR_FOUR, 1, ""),
                beats)),
        form,
        hits,
        Feel.NONE,
        tones,
        List.of());
  }

  private static List<Mark> heard(BarRows rows, Lane lane) {
    return rows.rows().stream()
        .filter(r -> r.drum().lane() == lane)
        .findFirst()
        .orElseThrow()
        .heard();
  }

  private static List<Mark> echo(BarRows rows, Lane lane) {
    return rows.rows().stream()
        .filter(r -> r.drum().lane() == lane)
        .findFirst()
        .orElseThrow()
        .echo();
  }

  @Test
  void theTypicalBarAndASingleBarShowHeardAndEcho() {
    Template t = new TemplateBuilder().build(analysis()).orElseThrow();
    BarRows typical = BarRows.of(analysis(), t, 0, BarRows.TYPICAL);
    assertEquals(16, typical.steps());
    assertEquals(125, typical.stepMs(), 1e-9);
    assertEquals(2, typical.rows().size());
    Mark snare = heard(typical, Lane.SNARE).get(0);
    assertEquals(4, snare.step());
    assertEquals(12, snare.offsetMs(), 1e-6);
    assertEquals(1, snare.weight(), 1e-9);
    assertEquals(0.25, heard(typical, Lane.SNARE).get(1).weight(), 1e-9);
    assertEquals(
        1,
        echo(typical, Lane.SNARE).size(),
        "what only one bar in four plays is no part of the typical bar");
    BarRows third = BarRows.of(analysis(), t, 0, 2);
    assertEquals(2, heard(third, Lane.SNARE).size());
    assertEquals(2, echo(third, Lane.SNARE).size());
    assertEquals(12, echo(third, Lane.SNARE).get(0).offsetMs(), 1e-6);
    assertEquals(2, third.bass().size(), "one note, heard and echoed");
    assertTrue(BarRows.of(analysis(), t, 0, 0).bass().isEmpty());
  }

  @Test
  void anEditMovesTheEchoAndLeavesWhatWasHeard() {
    Template t =
        Edits.toggle(
                new TemplateBuilder().build(analysis()).orElseThrow(),
                Cell.step(0, Part.of(Lane.CLAP), 12),
                90,
                true)
            .template();
    BarRows rows = BarRows.of(analysis(), t, 0, BarRows.TYPICAL);
    assertTrue(heard(rows, Lane.CLAP).isEmpty());
    assertEquals(12, echo(rows, Lane.CLAP).get(0).step());
    assertEquals(BarRows.EMPTY, BarRows.of(analysis(), t, 3, 0));
    assertEquals(BarRows.EMPTY, BarRows.of(null, t, 0, 0));
  }

  @Test
  void peaksOfAnyStretchAreTheTrueOnes() {
    float[] x = new float[44100];
    x[20000] = 0.75f;
    Peaks p = new Peaks(new looseecho.audio.Audio(x, new float[x.length], 44100));
    assertEquals(1.0, p.duration(), 1e-9);
    assertEquals(0.75, p.peak(0, 1), 1e-6);
    assertEquals(0.75, p.peak(0.453, 0.454), 1e-6);
    assertEquals(0, p.peak(0.5, 0.9), 1e-6);
  }
}
