package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import looseecho.synth.SampleSound;
import looseecho.synth.ToneSound;
import org.junit.jupiter.api.Test;

/** Recipes are turned towards sounds that were made by turning them: the truth is known. */
class RecipeFitterTest {
  private static final DrumPart KICK = Part.of(Lane.KICK);
  private static final LinePart BASS = Part.of(Line.BASS);
  private final Sounds plain = Sounds.plain();
  private final EchoRenderer renderer = new EchoRenderer(plain);
  private final RecipeFitter fitter = new RecipeFitter(renderer);

  private HeardSound heard(Part part, List<Integer> pitches, Sound truth) {
    float[] x = renderer.struck(part, truth, pitches, 0.6);
    return new HeardSound(
        part, "", pitches, x, Picture.of(x, Picture.attack(x)), 8, 1, Optional.empty());
  }

  @Test
  void aKickFindsItsPitchAndItsLengthAgain() {
    Sound from = plain.sound(KICK);
    DrumSound base = plain.drum(KICK);
    DrumSound truth = base.tuned(1.5 * base.toneHz()).longer(1.8);
    HeardSound heard = heard(KICK, List.of(), from.with(truth));

    RecipeFitter.Fitted fitted = fitter.fit(heard, from, Progress.NONE);

    DrumSound found = (DrumSound) fitted.sound().source();
    assertTrue(fitted.after() < 0.5 * fitted.before(), fitted.before() + " to " + fitted.after());
    assertEquals(1.5 * base.toneHz(), found.toneHz(), 0.1 * base.toneHz());
    assertTrue(found.toneMs() > 1.3 * base.toneMs(), found.toString());
    assertTrue(fitted.steps().get(0).startsWith("pitch "), fitted.steps().toString());
    double had = loudness(heard.inEcho(renderer, from));
    assertEquals(had, loudness(heard.inEcho(renderer, fitted.sound())), 0.5);
  }

  @Test
  void aBassFindsItsFilterAgain() {
    Sound from = plain.sound(BASS);
    ToneSound base = plain.tone(BASS);
    HeardSound heard =
        heard(BASS, List.of(38), from.with(base.filtered(4 * base.cutoffHz()).holding(0.1)));

    RecipeFitter.Fitted fitted = fitter.fit(heard, from, Progress.NONE);

    assertTrue(fitted.after() < 0.6 * fitted.before(), fitted.before() + " to " + fitted.after());
    ToneSound found = (ToneSound) fitted.sound().source();
    assertTrue(found.cutoffHz() + found.openHz() > base.cutoffHz() + base.openHz());
    assertEquals(from.strip().pan(), fitted.sound().strip().pan());
  }

  @Test
  void aSampleHasNoDials() {
    Sound sample = plain.sound(KICK).with(SampleSound.of(Path.of("pier.wav")));
    HeardSound heard = heard(KICK, List.of(), plain.sound(KICK));
    RecipeFitter.Fitted fitted = fitter.fit(heard, sample, Progress.NONE);
    assertSame(sample, fitted.sound());
    assertEquals(List.of(), fitted.steps());
  }

  /** Decibels of the first 200 ms. */
  private static double loudness(float[] x) {
    double sum = 1e-12;
    for (int i = 0; i < Math.min(x.length, HeardSound.RATE / 5); i++) {
      sum += x[i] * x[i];
    }
    return 10 * Math.log10(sum);
  }
}
