package looseecho.form;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import looseecho.activity.DrawnActivity;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.dsp.Chroma;
import looseecho.dsp.ToneSpectra;
import looseecho.pulse.PlainPulse;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class SectionFinderTest {
  private static final int RATE = 44100;
  private static final int[] BARS = {4, 7, 3, 7};
  private static final boolean[] BUSY = {false, true, false, true};

  /**
   * Four sections at 120, two of seven bars with noise and kicks, two with a soft tone alone; a
   * silent beat at the end of the third.
   */
  @Test
  void oddSectionsAreCutAtTheirBarsAndLikeOnesShareALetter() {
    double bar = 2.0;
    double end = 21 * bar;
    float[] x = new float[(int) (end * RATE)];
    DrawnActivity activity = new DrawnActivity(end);
    Random random = new Random(4);
    int at = 0;
    for (int s = 0; s < BARS.length; s++) {
      for (int i = (int) (at * bar * RATE); i < (int) ((at + BARS[s]) * bar * RATE); i++) {
        double tone = 0.05 * Math.sin(2 * Math.PI * 220 * i / RATE);
        x[i] = (float) (tone + (BUSY[s] ? 0.15 * random.nextGaussian() : 0));
      }
      for (int b = 0; BUSY[s] && b < 4 * BARS[s]; b++) {
        activity.hit(Lane.KICK, at * bar + b * 0.5, 0.9, 0.9);
      }
      at += BARS[s];
    }
    java.util.Arrays.fill(x, (int) ((14 * bar - 0.5) * RATE), (int) (14 * bar * RATE), 0);
    Pulse pulse = PlainPulse.at120(0, 84);
    MelSpectra mel = MelSpectra.of(x, Progress.NONE);
    Chroma chroma = Chroma.of(ToneSpectra.of(x, RATE, 8192, 8192, 2205, Progress.NONE));
    Form form =
        new SectionFinder()
            .find(
                new SectionFinder.Material(
                    mel,
                    chroma,
                    activity.done(),
                    pulse,
                    List.of(),
                    List.of(),
                    end,
                    BandLevels.of(new looseecho.audio.Audio(x, x, RATE)),
                    SweepFinder.find(mel, pulse),
                    List.of()),
                Progress.NONE);
    assertEquals(List.of(4.0, 7.0, 3.0, 7.0), form.sections().stream().map(Section::bars).toList());
    List<String> letters = form.sections().stream().map(Section::label).toList();
    assertEquals(List.of("A", "B", "A", "B"), letters);
    assertEquals("intro", form.sections().get(0).role());
    assertEquals(8.0, form.sections().get(1).start(), 1e-9);
    assertTrue(form.sections().stream().allMatch(s -> s.confidence() > 0.6));
    assertEquals(1, form.events(Event.Kind.STOP).size());
    assertEquals(27.5, form.events(Event.Kind.STOP).get(0).start(), 0.06);
    assertEquals(28.0, form.events(Event.Kind.STOP).get(0).end(), 0.06);
    assertEquals(21, form.energy().size());
    assertEquals(
        0, form.energy().stream().mapToDouble(Form.BarEnergy::decibels).max().orElse(1), 1e-9);
  }
}
