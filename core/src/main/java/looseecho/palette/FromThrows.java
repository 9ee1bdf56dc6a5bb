package looseecho.palette;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.form.Event;
import looseecho.mix.Repeats;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;

/**
 * Throws the same strokes of the echo into a delay that were thrown in the track: on its note value
 * and as much softer each time. The echo must still be as long as the track up to there.
 */
public final class FromThrows {
  private static final double NEAR = 0.05; // seconds
  private static final double MOST_FEEDBACK = 0.8;

  private FromThrows() {}

  /** With the throws among some events; as many changes as strokes were found for them. */
  public static FromLayers.Taken take(Template template, Sounds sounds, List<Event> events) {
    Template t = template;
    Sounds s = sounds;
    int changes = 0;
    for (Event e : events) {
      for (int k = 0; e.kind() == Event.Kind.THROW && k < t.sections().size(); k++) {
        TemplateSection section = t.sections().get(k);
        for (Map.Entry<DrumPart, List<Stroke>> part : section.drums().entrySet()) {
          Optional<Stroke> struck = struck(t, k, part.getValue(), e);
          if (isBackBeat(part.getKey()) && struck.isPresent()) {
            double share = Math.pow(10, e.to() / 20);
            section = section.with(part.getKey(), thrown(part.getValue(), struck.get(), share));
            s = s.with(part.getKey(), repeating(s.strip(part.getKey()), e.from(), share));
            changes++;
          }
        }
        t = t.with(k, section);
      }
    }
    return new FromLayers.Taken(t, s, changes);
  }

  private static boolean isBackBeat(DrumPart part) {
    Lane base = part.lane().base();
    return base == Lane.SNARE || base == Lane.CLAP;
  }

  private static Optional<Stroke> struck(Template t, int section, List<Stroke> all, Event e) {
    return all.stream().filter(h -> Math.abs(t.time(section, h) - e.start()) < NEAR).findFirst();
  }

  private static List<Stroke> thrown(List<Stroke> all, Stroke one, double share) {
    List<Stroke> out = new ArrayList<>(all);
    out.replaceAll(h -> h.equals(one) ? h.with(h.manner().thrown(h.manner().toRoom(), share)) : h);
    return out;
  }

  private static Strip repeating(Strip strip, double beats, double share) {
    double feedback = Math.min(MOST_FEEDBACK, share);
    return strip.repeating(Optional.of(new Repeats(beats, feedback, true, 0, 0)));
  }
}
