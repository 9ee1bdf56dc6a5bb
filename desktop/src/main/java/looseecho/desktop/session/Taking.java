package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.drawer.Match;
import looseecho.echo.Part;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Job;
import looseecho.mix.Layer;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.palette.StrokeEnergy;
import looseecho.project.FoundSamples;
import looseecho.reading.Progress;
import looseecho.synth.Retuner;
import looseecho.synth.RootPitch;
import looseecho.synth.SampleSound;

/** How a sample of the drawer is taken: tuned, as loud as what was there. May take a moment. */
final class Taking {
  private static final int RATE = EchoRenderer.RATE;
  private static final double LAYER_DB = -6; // a sample beside what is there

  private Taking() {}

  /** A sample as it would sound for a heard one. */
  static float[] tuned(Match match) throws IOException {
    Audio audio = new AudioReader().oneShot(match.entry().file(), Progress.NONE);
    float[] x = new Resampler().resample(audio, RATE).mono();
    return match.semitones() == 0 ? x : new Retuner(RATE).bySpeed(x, match.semitones());
  }

  /** As loud as another sound. */
  static float[] asLoud(float[] x, float[] as) {
    float gain = (float) Math.min(8, Math.sqrt(StrokeEnergy.of(as) / (StrokeEnergy.of(x) + 1e-12)));
    float[] out = x.clone();
    for (int i = 0; i < out.length; i++) {
      out[i] *= gain;
    }
    return out;
  }

  /** A drum's sample is tuned; a line's is moved from its own pitch to each note. */
  private static SampleSound read(Match match, Part part) throws IOException {
    Path file = match.entry().file();
    SampleSound plain = SampleSound.of(file).known(FoundSamples.content(file));
    if (part.asDrum().isPresent()) {
      return plain.tuned(match.semitones());
    }
    double root = new RootPitch().of(plain.render(RATE).mono(), RATE);
    return plain.with(plain.playing().root(root));
  }

  /** The sound of a row with a sample as it, or beside it. */
  static Sound with(Match match, PaletteRow r, Sounds now, boolean beside, Job job)
      throws IOException {
    SampleSound read = read(match, r.heard().part());
    SampleSound sample = match.shorter() ? read.lasting(r.like().lengthMs()) : read;
    Sound old = now.sound(r.heard().part());
    if (beside) {
      return old.and(Layer.of(sample).with(job).placed(LAYER_DB, 0));
    }
    Sounds dry = now.with(r.heard().part(), old.with(sample));
    float[] x = r.heard().inEcho(new EchoRenderer(dry), dry.sound(r.heard().part()));
    double gain = 10 * Math.log10(StrokeEnergy.of(r.echo()) / (StrokeEnergy.of(x) + 1e-12));
    return old.with(sample).with(old.strip().level(old.strip().levelDb() + gain));
  }
}
