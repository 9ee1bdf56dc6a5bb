package looseecho.palette;

import static looseecho.palette.SoundMatcherTest.SONG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.mix.Bed;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.palette.Mixture.View;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

/** A track played with other recipes: single sounds come nearer, and the whole does too. */
class NearSoundsTest {
  private static final DrumPart KICK = Part.of(Lane.KICK);
  private static final DrumPart SNARE = Part.of(Lane.SNARE);
  private static final LinePart BASS = Part.of(Line.BASS);

  @Test
  void turnedRecipesLeaveTheOctavesOfTheWholeInPlace() {
    Sounds plain = Sounds.plain();
    Sounds other =
        plain
            .with(KICK, plain.drum(KICK).tuned(1.4 * plain.drum(KICK).toneHz()).longer(1.5))
            .with(SNARE, plain.drum(SNARE).longer(0.5))
            .with(BASS, plain.tone(BASS).filtered(4 * plain.tone(BASS).cutoffHz()));
    Audio track = new EchoRenderer(other).mix(SONG, Progress.NONE);
    Analysis heard = new Analyzer().analyse(track, Corrections.NONE, Progress.NONE);
    NearSounds near = new NearSounds(track, SONG);

    NearSounds.Turned turned = near.turned(plain, heard, Progress.NONE);

    assertTrue(turned.after() < 0.8 * turned.before(), turned.before() + " to " + turned.after());
    assertEquals(
        1.4 * plain.drum(KICK).toneHz(),
        turned.sounds().drum(KICK).toneHz(),
        0.15 * plain.drum(KICK).toneHz());
    Mixture whole = new Mixture(track, SONG, 12, 44);
    double[] wanted = Bands.octaves(whole.heard(View.MIDDLE));
    double[] has = Bands.octaves(whole.echo(turned.sounds(), View.MIDDLE, View.SIDE).get(0));
    for (int o = 0; o < wanted.length; o++) {
      assertEquals(wanted[o], has[o], 1.5, "octave " + o);
    }
  }

  @Test
  void noiseUnderTheTrackLiesUnderTheEcho() {
    Bed hiss = new Bed(-34, 500, 15_000, 0, Bed.OFF.duckMs());
    Audio track = new EchoRenderer(Sounds.plain().with(hiss)).mix(SONG, Progress.NONE);

    Sounds near = new NearSounds(track, SONG).matched(Progress.NONE);

    assertEquals(hiss.levelDb(), near.bed("A").levelDb(), 3);
    assertEquals(15_000, near.bed("A").highHz(), 5000);
    double highs = near.colour().db().get(7) - near.colour().db().get(4);
    assertEquals(0, highs, 3, "so the parts need not be brightened for it");
  }
}
