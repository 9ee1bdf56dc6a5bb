package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Loudness;
import looseecho.echo.Course;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.form.Event;
import looseecho.layers.HeardLayer;
import looseecho.mix.Bed;
import looseecho.mix.Duck;
import looseecho.mix.Ducking;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Repeats;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.notes.Line;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class FromLayersTest {
  private static final LinePart CHORDS = Part.of(Line.CHORDS);

  private static HeardLayer chords(HeardLayer.Move... moves) {
    return layer(
        "chords",
        -6,
        new HeardLayer.Span(0, 16),
        new HeardLayer.Duck("snare", 7, 240),
        new HeardLayer.Repeats("dotted eighth", 375, -6, 0.5, true),
        moves);
  }

  /** A bed of its family from 500 Hz to 12 kHz. */
  private static HeardLayer layer(
      String family,
      double levelDb,
      HeardLayer.Span active,
      HeardLayer.Duck duck,
      HeardLayer.Repeats repeats,
      HeardLayer.Move... moves) {
    return new HeardLayer(
        family,
        family,
        List.of(active),
        levelDb,
        500,
        12_000,
        new HeardLayer.Image(0, 0.2, 0, 0.2, 0.3),
        "bed",
        List.of(moves),
        Optional.ofNullable(duck),
        Optional.ofNullable(repeats),
        Optional.empty());
  }

  /** Eight bars at 120: a filter that opens over bars 3 to 6, four octaves. */
  @Test
  void duckingRepeatsAndMovesBecomeTheEchos() {
    Template t = Template.bars(8, CHORDS, List.of(), List.of(new Tone(0, 0, 3840 * 4, 60, 90)));
    HeardLayer.Move opens = new HeardLayer.Move(HeardLayer.Move.LOW_PASS, 400, 6400, 4, 12);
    FromLayers.Taken taken = FromLayers.take(t, Sounds.plain(), List.of(chords(opens)));
    assertEquals(3, taken.changes());
    Repeats own = taken.sounds().strip(CHORDS).repeats().orElseThrow();
    assertEquals(0.75, own.beats(), 1e-9);
    assertTrue(own.pingPong());
    assertEquals(0.501, taken.sounds().strip(CHORDS).delay(), 1e-3, "6 dB below the notes");
    assertEquals(7, taken.sounds().strip(CHORDS).duckDb(), 1e-9);
    assertEquals(Ducking.whole(7, 240), taken.sounds().strip(CHORDS).duckMs(), 1e-9);
    assertEquals(Lane.SNARE, taken.sounds().strip(CHORDS).duckBy());
    Course course = taken.template().sections().get(0).movement().courses().get(0);
    assertTrue(course.moves(CHORDS) && course.target() == Course.Target.HIGH_CUT);
    int bar = t.ticksPerBar();
    assertEquals(400, course.at(2 * bar), 1);
    assertEquals(1600, course.at(4 * bar), 10, "half of the way in octaves");
    assertEquals(6400, course.at(6 * bar), 1);
  }

  @Test
  void aSwellOverEachBarPushesAtTheBarLinesAlone() {
    Template t = Template.bars(2, CHORDS, List.of(), List.of(new Tone(0, 0, 3840 * 2, 60, 90)));
    HeardLayer swells =
        layer(
            "chords",
            -6,
            new HeardLayer.Span(0, 4),
            new HeardLayer.Duck(HeardLayer.Duck.BAR, 7, 1000),
            null);
    Strip strip = FromLayers.take(t, Sounds.plain(), List.of(swells)).sounds().strip(CHORDS);
    assertEquals(Duck.SWELL, strip.duck());
    assertEquals(7, strip.duckDb(), 1e-9);
    Sounds swelling = Sounds.plain().with(CHORDS, strip);
    Strip under = FromLayers.take(t, swelling, List.of(chords())).sounds().strip(CHORDS);
    assertEquals(Duck.PLAIN, under.duck(), "the strokes of its own lane count again");
  }

  /** The second of four claps at 120, on dotted eighths, each repeat 6 dB softer. */
  @Test
  void theSameStrokeIsThrown() {
    DrumPart clap = Part.of(Lane.CLAP);
    List<Stroke> claps =
        IntStream.range(0, 4).mapToObj(k -> Stroke.onStep(4 + 8 * k, 0, 100)).toList();
    Template t = Template.bars(4, clap, claps, List.of());
    Event thrown = new Event(Event.Kind.THROW, 1.52, 3, "", 0.9, 0.75, -6);
    FromLayers.Taken taken = FromThrows.take(t, Sounds.plain(), List.of(thrown));
    assertEquals(1, taken.changes());
    assertEquals(
        List.of(0.0, 0.501, 0.0, 0.0),
        taken.template().sections().get(0).hits(Lane.CLAP).stream()
            .map(h -> Math.rint(1000 * h.manner().toDelay()) / 1000)
            .toList());
    assertEquals(0.75, taken.sounds().strip(clap).repeats().orElseThrow().beats());
  }

  /** Four snares at 120, on every other beat; a clap joins the last two of them. */
  @Test
  void aClapIsLaidUnderTheSnaresThatItJoined() {
    List<Stroke> snares =
        IntStream.range(0, 4).mapToObj(k -> Stroke.onStep(4 + 8 * k, 0, 100)).toList();
    Template t = Template.bars(4, Part.of(Lane.SNARE), snares, List.of());
    HeardLayer clap = layer("clap", -9, new HeardLayer.Span(2.4, 8), null, null);
    FromLayers.Taken taken = FromClaps.take(t, Sounds.plain(), List.of(clap, chords()));
    TemplateSection section = taken.template().sections().get(0);
    assertEquals(snares.subList(2, 4), section.hits(Lane.CLAP));
    assertEquals(snares, section.hits(Lane.SNARE));
    Template again = FromClaps.take(taken.template(), Sounds.plain(), List.of(clap)).template();
    assertEquals(taken.template(), again);
  }

  @Test
  void whatMovesAllIsNotTakenTwice() {
    Template t = Template.bars(8, CHORDS, List.of(), List.of(new Tone(0, 0, 3840, 60, 90)));
    HeardLayer.Move cut = new HeardLayer.Move(HeardLayer.Move.HIGH_PASS, 40, 400, 4, 8);
    HeardLayer.Move dip = new HeardLayer.Move(HeardLayer.Move.LEVEL, 0, -6, 4, 8);
    FromLayers.Taken taken = FromLayers.take(t, Sounds.plain(), List.of(chords(cut, dip)));
    assertEquals(t, taken.template());
  }

  /** Two sections of four bars at 120; a bed plays in the second one alone, 24 dB under the mix. */
  @Test
  void aBedIsTakenUnderTheSectionsInWhichItWasHeard() {
    Template all = Template.bars(8, CHORDS, List.of(), List.of());
    // A note that nobody hears: a bed is silent where nothing plays.
    List<Tone> held = List.of(new Tone(0, 0, 4 * all.ticksPerBar(), 60, 1));
    Template t =
        all.with(
            List.of(
                new TemplateSection("A", "", 16, Map.of(), Map.of()).with(CHORDS, held),
                new TemplateSection("B", "", 16, Map.of(), Map.of()).with(CHORDS, held)));
    HeardLayer.Duck duck = new HeardLayer.Duck("kick", 12, 300);
    List<HeardLayer> heard = List.of(layer("noise", -24, new HeardLayer.Span(8, 16), duck, null));

    Sounds taken = FromLayers.take(t, Sounds.plain(), heard).sounds();

    assertEquals(Bed.OFF, taken.bed("A"));
    assertEquals(500, taken.bed("B").lowHz(), 1e-9);
    assertEquals(12, taken.bed("B").duckDb(), 1e-9);
    assertEquals(Ducking.whole(12, 300), taken.bed("B").duckMs(), 1e-9);
    Strip off = taken.strip(CHORDS).level(-60);
    Audio second =
        new EchoRenderer(taken.with(CHORDS, off))
            .mix(t, Progress.NONE)
            .slice(9 * EchoRenderer.RATE, 15 * EchoRenderer.RATE);
    // An echo is some -14 LUFS loud (measured on twelve of them).
    assertEquals(-14 - 24, new Loudness().integrated(second).orElseThrow(), 2);
  }
}
