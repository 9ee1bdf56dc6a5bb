package looseecho.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.exchange.JamsWriter;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Chord;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.TonalContent;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** No harmony is invented where there is none; the truth of each piece is known. */
class HarmonyTest {
  private static final int BARS = 14;
  @TempDir private Path dir;

  private static Template song(
      double bpm, Map<DrumPart, List<Stroke>> drums, Map<LinePart, List<Tone>> lines) {
    List<Beat> beats =
        IntStream.rangeClosed(0, 4 * BARS)
            .mapToObj(k -> new Beat(0.5 + k * 60 / bpm, k % 4 + 1, k / 4 + 1))
            .toList();
    TemplateSection s = new TemplateSection("A", "loop", 4 * BARS, drums, lines);
    return new Template(bpm, Meter.FOUR_FOUR, new Key(4, true), beats, List.of(s));
  }

  private static List<Stroke> everyBar(int... steps) {
    List<Stroke> out = new ArrayList<>();
    for (int bar = 0; bar < BARS; bar++) {
      for (int step : steps) {
        out.add(Stroke.onStep(16 * bar + step, 0, 100));
      }
    }
    return out;
  }

  private static Map<DrumPart, List<Stroke>> kit() {
    Map<DrumPart, List<Stroke>> out = new HashMap<>();
    out.put(Part.of(Lane.KICK), everyBar(0, 7, 10));
    out.put(Part.of(Lane.SNARE), everyBar(4, 12));
    out.put(Part.of(Lane.HAT_CLOSED), everyBar(0, 2, 4, 6, 8, 10, 12, 14));
    return out;
  }

  private static Analysis heard(Template t, Sounds sounds) {
    Audio audio = new EchoRenderer(sounds).mix(t, Progress.NONE);
    return new Analyzer().analyse(audio, Corrections.NONE, Progress.NONE);
  }

  /** Toms and percussion tuned to intervals of a scale and ringing: still no key. */
  @ParameterizedTest
  @ValueSource(ints = {1, 3, 4})
  void drumsAloneHaveNoKeyHoweverTheyAreTuned(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Map<DrumPart, List<Stroke>> drums = kit();
    Sounds sounds = Sounds.plain();
    for (Lane lane : List.of(Lane.TOM, Lane.TOM_HIGH, Lane.TOM_LOW, Lane.PERCUSSION)) {
      List<Stroke> strokes = new ArrayList<>();
      for (int step = 0; step < 16 * BARS; step++) {
        if (random.nextInt(4) == 0) {
          strokes.add(Stroke.onStep(step, 0, 70 + random.nextInt(50)));
        }
      }
      drums.put(Part.of(lane), strokes);
      DrumSound own = sounds.drum(Part.of(lane));
      double hz = own.toneHz() * Math.pow(2, random.nextInt(8) / 12.0);
      sounds = sounds.with(Part.of(lane), own.tuned(hz).longer(1 + random.nextDouble()));
    }
    Analysis a = heard(song(96 + 8 * seed, drums, Map.of()), sounds);
    assertEquals(TonalContent.NONE, a.tonality().content(), a.tonality().key().toString());
    assertEquals("no key", a.tonality().keyWords());
    Template echo = new TemplateBuilder().build(a).orElseThrow();
    assertTrue(echo.sections().stream().allMatch(s -> s.notes(Line.CHORDS).isEmpty()));
  }

  /** One low E in eighths: its fifth partial is no third (partials of a tone, any handbook). */
  @Test
  void aDrivenBassOnOneNoteGivesItsHomeAndNoThird() throws IOException {
    List<Tone> bass =
        IntStream.range(0, 8 * BARS).mapToObj(k -> Tone.onStep(2 * k, 0, 1.6, 40, 100)).toList();
    Analysis a = heard(song(120, kit(), Map.of(Part.of(Line.BASS), bass)), Sounds.plain());
    assertEquals(TonalContent.HOME, a.tonality().content());
    assertEquals("E, no third heard", a.tonality().keyWords());
    assertTrue(a.tonality().chords().isEmpty());
    Path file = dir.resolve("one-note.jams");
    new JamsWriter().write(a, "one note", file);
    String jams = Files.readString(file).replaceAll("\\s", "");
    assertTrue(jams.contains("\"value\":\"E\""), "the note alone");
    assertTrue(jams.contains("\"value\":\"N\""), "no chord");
    assertFalse(jams.contains("E:maj") || jams.contains("E:min"), "no mode is claimed");
  }

  /** The same bass under a chord that holds: its third counts. */
  @Test
  void aChordOverTheSameBassIsHeard() {
    List<Tone> bass =
        IntStream.range(0, 8 * BARS).mapToObj(k -> Tone.onStep(2 * k, 0, 1.6, 40, 100)).toList();
    List<Tone> pad = new ArrayList<>();
    for (int bar = 0; bar < BARS; bar++) {
      for (int pitch : bar % 2 == 0 ? new int[] {64, 67, 71} : new int[] {64, 69, 72}) {
        pad.add(Tone.onStep(16 * bar, 0, 16, pitch, 100));
      }
    }
    Template t = song(120, kit(), Map.of(Part.of(Line.BASS), bass, Part.of(Line.CHORDS), pad));
    Analysis a = heard(t, Sounds.plain());
    assertEquals(TonalContent.KEY, a.tonality().content());
    assertTrue(
        a.tonality().chords().stream().anyMatch(c -> c.label().startsWith("E:min")),
        a.tonality().chords().stream().map(Chord::label).distinct().toList().toString());
  }
}
