package looseecho.compare;

import java.util.Locale;
import java.util.function.Function;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Placed;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;

/**
 * What sets a difference right.
 *
 * @param part of the echo
 * @param amount milliseconds, decibels or a width 0..1; unused for what is taken as heard
 */
public record Mend(What what, Part part, double amount) {
  private static final double LOWEST_DB = -80;
  private static final double HIGHEST_DB = 24;

  /** What is changed. */
  public enum What {
    /** All of the part by so many milliseconds. */
    SHIFT,
    /** The part's strokes or notes as the track has them, where the sections are alike. */
    AS_HEARD,
    /** The part's level by so many decibels. */
    LEVEL,
    /** The part's width to a value. */
    WIDTH
  }

  /** An echo and its sounds. */
  public record Mended(Template template, Sounds sounds) {}

  /** The echo after it. */
  public Mended of(Template t, Sounds sounds, Template reference) {
    Strip strip = sounds.strip(part);
    return switch (what) {
      case SHIFT -> new Mended(t.with(t.sections().stream().map(this::shifted).toList()), sounds);
      case AS_HEARD -> new Mended(asHeard(t, reference), sounds);
      case LEVEL -> {
        double db = Math.max(LOWEST_DB, Math.min(HIGHEST_DB, strip.levelDb() + amount));
        yield new Mended(t, sounds.with(part, strip.level(db)));
      }
      case WIDTH -> new Mended(t, sounds.with(part, strip.wide(Math.max(0, Math.min(1, amount)))));
    };
  }

  /** As it is said. */
  public String words(String name) {
    return switch (what) {
      case SHIFT ->
          String.format(
              Locale.ROOT,
              "Move the %s %.0f ms %s",
              name,
              Math.abs(amount),
              amount < 0 ? "forward" : "back");
      case AS_HEARD -> "Take the " + name + " as the track has it";
      case LEVEL -> String.format(Locale.ROOT, "Set the %s %+.1f dB", name, amount);
      case WIDTH -> String.format(Locale.ROOT, "Set the %s %.0f %% wide", name, 100 * amount);
    };
  }

  private TemplateSection shifted(TemplateSection s) {
    return changed(s, h -> h.at(h.tick(), moved(h)), n -> n.at(n.tick(), moved(n)));
  }

  private double moved(Placed<?> e) {
    return e.offsetMs() + amount;
  }

  private TemplateSection changed(
      TemplateSection s, Function<Stroke, Stroke> hit, Function<Tone, Tone> note) {
    return part instanceof DrumPart d
        ? s.with(d, s.hits(d).stream().map(hit).toList())
        : s.with((LinePart) part, s.notes((LinePart) part).stream().map(note).toList());
  }

  private Template asHeard(Template t, Template reference) {
    Template out = t;
    int[] as = Sections.match(reference, t);
    for (int k = 0; k < as.length; k++) {
      if (as[k] >= 0 && reference.sections().get(as[k]).beats() == t.sections().get(k).beats()) {
        TemplateSection from = reference.sections().get(as[k]);
        TemplateSection to = out.sections().get(k);
        out =
            out.with(
                k,
                part instanceof DrumPart d
                    ? to.with(d, from.hits(d))
                    : to.with((LinePart) part, from.notes((LinePart) part)));
      }
    }
    return out;
  }
}
