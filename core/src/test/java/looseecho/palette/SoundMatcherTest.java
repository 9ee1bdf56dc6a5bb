package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.mix.Colour;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.palette.Mixture.View;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.reading.Progress;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A reference rendered with known other sounds: what was changed is found again. */
class SoundMatcherTest {
  private static final Part KICK = Part.of(Lane.KICK);
  private static final Part SNARE = Part.of(Lane.SNARE);
  private static final Part HAT = Part.of(Lane.HAT_CLOSED);
  private static final Part BASS = Part.of(Line.BASS);
  static final Template SONG = song();

  private static Sounds wanted;
  private static Sounds found;
  private static Audio reference;

  /** Six bars of kick, snare, hats and bass. */
  private static Template song() {
    List<Stroke> kick = new ArrayList<>();
    List<Stroke> snare = new ArrayList<>();
    List<Tone> bass = new ArrayList<>();
    for (int bar = 0; bar < 96; bar += 16) {
      kick.add(Stroke.onStep(bar, 0, 110));
      kick.add(Stroke.onStep(bar + 7, 0, 90));
      snare.add(Stroke.onStep(bar + 4, 0, 100));
      snare.add(Stroke.onStep(bar + 12, 0, 100));
      bass.add(Tone.onStep(bar, 0, 3, 33, 100));
      bass.add(Tone.onStep(bar + 10, 0, 3, 40, 100));
    }
    List<Stroke> hats = IntStream.range(0, 48).mapToObj(k -> Stroke.onStep(2 * k, 0, 90)).toList();
    List<Beat> beats =
        IntStream.rangeClosed(0, 24)
            .mapToObj(k -> new Beat(k * 0.5, k % 4 + 1, k / 4 + 1))
            .toList();
    TemplateSection s =
        new TemplateSection(
            "A",
            "verse",
            24,
            Map.of(
                Part.of(Lane.KICK),
                kick,
                Part.of(Lane.SNARE),
                snare,
                Part.of(Lane.HAT_CLOSED),
                hats),
            Map.of(Part.of(Line.BASS), bass));
    return new Template(120, Meter.FOUR_FOUR, new Key(9, true), beats, List.of(s));
  }

  @BeforeAll
  static void match() {
    Sounds s = Sounds.plain();
    s = s.with(HAT, s.strip(HAT).level(s.strip(HAT).levelDb() - 8).panned(-0.6));
    s = s.with(SNARE, s.strip(SNARE).level(s.strip(SNARE).levelDb() + 4).wide(0.7));
    s = s.with(BASS, s.strip(BASS).coloured(Colour.of(new double[] {0, 0, 6, 9, 9, 0, 0, 0})));
    wanted = s.with(Part.of(Lane.SNARE), s.drum(Part.of(Lane.SNARE)).longer(2));
    reference = new EchoRenderer(wanted).mix(SONG, Progress.NONE);
    found = new SoundMatcher().match(reference, SONG, Sounds.plain(), Progress.NONE);
  }

  private static double level(Sounds s, Part p) {
    return s.strip(p).levelDb() - s.strip(KICK).levelDb();
  }

  @Test
  void levelsAgainstTheKickAreFound() {
    assertEquals(level(wanted, HAT), level(found, HAT), 2.5);
    assertEquals(level(wanted, SNARE), level(found, SNARE), 3);
    assertTrue(
        level(found, HAT) < level(Sounds.plain(), HAT) - 5,
        "not merely as it was: the hat is soft");
  }

  @Test
  void placesAndWidthsAreFound() {
    assertEquals(-0.6, found.strip(HAT).pan(), 0.12);
    assertEquals(0, found.strip(KICK).pan(), 0.05);
    assertEquals(0.7, found.strip(SNARE).width(), 0.2);
    assertTrue(found.strip(KICK).width() < 0.1);
  }

  @Test
  void aLongerSnareAndABrighterBassAreFound() {
    double was = Sounds.plain().drum(Part.of(Lane.SNARE)).noiseMs();
    double ratio = found.drum(Part.of(Lane.SNARE)).noiseMs() / was;
    assertTrue(ratio > 1.3 && ratio < 3, "about twice as long: " + ratio);
    Colour bass = found.strip(BASS).colour();
    double lift = bass.db().get(3) - bass.db().get(1);
    assertTrue(lift > 4, "500 Hz against 125 Hz: " + lift);
  }

  @Test
  void theWholeIsAsBrightAndWideAsTheReference() {
    Mixture heard = new Mixture(reference, SONG, 12, 44);
    List<float[][]> echo = heard.echo(found, View.MIDDLE, View.SIDE);
    double[] wantedDb = Bands.octaves(heard.heard(View.MIDDLE));
    double[] db = Bands.octaves(echo.get(0));
    double[] side = Bands.octaves(echo.get(1));
    double[] wantedSide = Bands.octaves(heard.heard(View.SIDE));
    for (int o = 0; o < db.length; o++) {
      assertEquals(wantedDb[o], db[o], 1.5, Colour.hz(o) + " Hz");
      if (wantedSide[o] > wantedDb[o] - 25) {
        assertEquals(wantedSide[o] - wantedDb[o], side[o] - db[o], 2, "sides, " + Colour.hz(o));
      }
    }
  }
}
