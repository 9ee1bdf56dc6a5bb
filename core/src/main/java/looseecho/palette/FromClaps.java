package looseecho.palette;

import java.util.List;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.layers.HeardLayer;
import looseecho.mix.Sounds;

/**
 * Lays a clap under the snares of an echo where one was heard to join them. An echo that has claps
 * keeps those. The echo must still be as long as the track.
 */
public final class FromClaps {
  private static final DrumPart CLAP = Part.of(Lane.CLAP);

  private FromClaps() {}

  /** With the claps among some layers; one change where there are any. */
  public static FromLayers.Taken take(Template template, Sounds sounds, List<HeardLayer> layers) {
    List<HeardLayer> claps = layers.stream().filter(l -> l.family().equals("clap")).toList();
    boolean has = template.sections().stream().anyMatch(s -> !s.hits(Lane.CLAP).isEmpty());
    Template t = template;
    for (int k = 0; !has && k < template.sections().size(); k++) {
      TemplateSection section = template.sections().get(k);
      int own = k;
      List<Stroke> struck =
          section.hits(Lane.SNARE).stream()
              .filter(h -> claps.stream().anyMatch(l -> l.sounds(template.time(own, h))))
              .toList();
      t = struck.isEmpty() ? t : t.with(k, section.with(CLAP, struck));
    }
    return new FromLayers.Taken(t, sounds, t.equals(template) ? 0 : 1);
  }
}
