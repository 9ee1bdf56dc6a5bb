package looseecho.loose;

import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.synth.DrumSound;
import looseecho.synth.ToneSound;

/**
 * How far sounds are from others, 0 (the same) to 100: the mean over the parts that play. A part's
 * distance is its largest change of pitch (an octave counts as whole), length (four times),
 * brightness (two octaves), wave, octave below, room and delay; levels and colours are mixing; a
 * sample instead of a built-in sound counts as whole.
 */
final class SoundDistance {
  private static final double CENTS = 40;

  private SoundDistance() {}

  static double of(Sounds a, Sounds b, Template t) {
    return Part.of(t).stream()
        .mapToDouble(
            p ->
                Math.max(
                    strip(a.strip(p), b.strip(p)),
                    p instanceof DrumPart drum
                        ? drum(a, b, drum)
                        : tone(a.tone((LinePart) p), b.tone((LinePart) p))))
        .average()
        .orElse(0);
  }

  private static double drum(Sounds a, Sounds b, DrumPart drum) {
    if (!a.sample(drum).equals(b.sample(drum))) {
      return 100;
    }
    DrumSound x = a.drum(drum);
    DrumSound y = b.drum(drum);
    return largest(
        octaves(x.toneHz(), y.toneHz()),
        octaves(x.toneMs(), y.toneMs()) / 2,
        octaves(x.noiseMs(), y.noiseMs()) / 2,
        octaves(x.highHz(), y.highHz()) / 2,
        Math.abs(a.drumDrive() - b.drumDrive()) / 5);
  }

  private static double tone(ToneSound x, ToneSound y) {
    return largest(
        Math.abs(x.saw() - y.saw()),
        octaves(x.cutoffHz(), y.cutoffHz()) / 2,
        octaves(x.openHz(), y.openHz()) / 2,
        octaves(x.decayMs(), y.decayMs()) / 2,
        Math.abs(x.detuneCents() - y.detuneCents()) / CENTS,
        Math.abs(x.sub() - y.sub()),
        Math.abs(x.drive() - y.drive()) / 5);
  }

  private static double strip(Strip x, Strip y) {
    return largest(Math.abs(x.room() - y.room()), Math.abs(x.delay() - y.delay()));
  }

  private static double octaves(double x, double y) {
    return x > 0 && y > 0 ? Math.abs(Math.log(x / y) / Math.log(2)) : x == y ? 0 : 1;
  }

  private static double largest(double... all) {
    double most = 0;
    for (double x : all) {
      most = Math.max(most, x);
    }
    return 100 * Math.min(1, most);
  }
}
