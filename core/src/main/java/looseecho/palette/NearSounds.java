package looseecho.palette;

import java.util.List;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.layers.NoiseBed;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.reading.Progress;

/**
 * The echo's sounds as near a track's as they come: first all together ({@link SoundMatcher}), then
 * recipe by recipe, each against what was cut out of the track ({@link RecipeFitter}). A recipe
 * that is turned colours the whole, so levels, colours and places are settled anew at the end;
 * without that the octaves of the whole are farther off than before (docs/accuracy.md).
 */
public final class NearSounds {
  private final Audio reference;
  private final Template exact;

  /**
   * For a track.
   *
   * @param exact its exact template
   */
  public NearSounds(Audio reference, Template exact) {
    this.reference = reference;
    this.exact = exact;
  }

  /** The first step, from the built-in sounds. */
  public Sounds matched(Progress progress) {
    return new SoundMatcher().match(reference, exact, withBed(), progress);
  }

  /**
   * The built-in sounds over the track's own bed of noise: else the parts would be coloured to make
   * up for it.
   */
  private Sounds withBed() {
    return NoiseBed.of(reference)
        .map(bed -> FromLayers.bedded(exact, Sounds.plain(), bed))
        .orElse(Sounds.plain());
  }

  /**
   * What the second step brings.
   *
   * @param before decibels that the sounds were apart from the track's, on average
   * @param after the same once their recipes are turned
   */
  public record Turned(Sounds sounds, double before, double after) {}

  /** The second step. */
  public Turned turned(Sounds matched, Analysis analysis, Progress progress) {
    List<HeardSound> heard = HeardSounds.of(reference, analysis);
    RecipeFitter fitter = new RecipeFitter(new EchoRenderer(matched));
    Sounds out = withBed();
    for (Part p : Part.of(exact)) {
      out = out.with(p, matched.sound(p).source());
    }
    double before = 0;
    double after = 0;
    for (int k = 0; k < heard.size(); k++) {
      HeardSound h = heard.get(k);
      progress.step("Turning the " + h.name(), (double) k / heard.size());
      RecipeFitter.Fitted f = fitter.fit(h, matched.sound(h.part()), progress.quiet());
      out = out.with(h.part(), f.sound().source());
      before += f.before() / heard.size();
      after += f.after() / heard.size();
    }
    return new Turned(new SoundMatcher().settled(reference, exact, out, progress), before, after);
  }
}
