package looseecho.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.notes.Key;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;

/** Templates for the benches: one section at 120. */
final class Steady {
  private Steady() {}

  static Template template(
      int bars, Map<DrumPart, List<Stroke>> drums, Map<LinePart, List<Tone>> lines) {
    List<Beat> beats = new ArrayList<>();
    for (int k = 0; k <= 4 * bars; k++) {
      beats.add(new Beat(0.5 * k, k % 4 + 1, k / 4 + 1));
    }
    TemplateSection all = new TemplateSection("A", "full", 4 * bars, drums, lines);
    return new Template(120, Meter.FOUR_FOUR, new Key(2, true), beats, List.of(all));
  }
}
