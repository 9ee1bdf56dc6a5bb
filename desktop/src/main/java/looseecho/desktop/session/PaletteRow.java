package looseecho.desktop.session;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.palette.DescriptorFinder;
import looseecho.palette.Descriptors;
import looseecho.palette.HeardSound;
import looseecho.palette.Picture;
import looseecho.palette.PictureDistance;
import looseecho.palette.SoundAdvice;
import looseecho.palette.StackAdvisor;
import looseecho.reading.Progress;

/**
 * A sound and the echo's.
 *
 * @param like what the heard one is like
 * @param echo one stroke of the echo's, mono
 * @param distance mean difference in decibels
 * @param advice steps from the echo's to the heard one
 * @param stack what is to be said about the echo's layers
 */
public record PaletteRow(
    HeardSound heard,
    Descriptors like,
    float[] echo,
    double distance,
    List<String> advice,
    List<String> stack) {
  private static final int VELOCITY = 110;

  /** Rows for the sounds of a track, the echo's as they are now. */
  static List<PaletteRow> of(
      List<HeardSound> sounds, EchoRenderer renderer, Sounds now, Progress p) {
    List<PaletteRow> out = new ArrayList<>();
    for (HeardSound h : sounds) {
      p.step("Comparing the sounds", (double) out.size() / sounds.size());
      float[] echo = echo(renderer, h);
      Descriptors like = h.like();
      Descriptors own = new DescriptorFinder().of(echo, echo);
      Picture picture = Picture.of(echo, Picture.attack(echo));
      Picture parted = Picture.of(h.sound(), Picture.attack(h.sound()));
      double distance = PictureDistance.between(parted, picture).distance();
      List<String> stack = stack(renderer, h.part(), now.sound(h.part()));
      out.add(new PaletteRow(h, like, echo, distance, SoundAdvice.of(like, own), stack));
    }
    return out;
  }

  /** What the echo plays for a heard sound: a stroke, or the same note or chord as long. */
  static float[] echo(EchoRenderer renderer, HeardSound h) {
    if (h.part() instanceof DrumPart drum) {
      return renderer.oneShot(drum, VELOCITY);
    }
    LinePart line = h.part().asLine().orElseThrow();
    double seconds = (double) h.sound().length / HeardSound.RATE;
    float[] sum = new float[0];
    for (int pitch : h.pitches()) {
      float[] one = renderer.oneNote(line, pitch, VELOCITY, seconds);
      float[] both = Arrays.copyOf(sum, Math.max(sum.length, one.length));
      for (int i = 0; i < one.length; i++) {
        both[i] += one[i];
      }
      sum = both;
    }
    return sum;
  }

  private static List<String> stack(EchoRenderer renderer, Part part, Sound sound) {
    List<StackAdvisor.Sounding> layers = new ArrayList<>();
    for (int k = 0; k < sound.layers().size(); k++) {
      if (!sound.layers().get(k).muted()) {
        Sound only = sound;
        for (int o = 0; o < sound.layers().size(); o++) {
          only = only.with(o, only.layers().get(o).muted(o != k));
        }
        layers.add(
            new StackAdvisor.Sounding(
                "layer " + (k + 1), sound.layers().get(k).job(), renderer.picture(part, only)));
      }
    }
    return StackAdvisor.look(layers, EchoRenderer.RATE);
  }
}
