package looseecho.desktop.session;

import java.util.ArrayList;
import java.util.List;
import looseecho.echo.Part;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.palette.DescriptorFinder;
import looseecho.palette.Descriptors;
import looseecho.palette.FromRooms;
import looseecho.palette.HeardSound;
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

  /** Rows for the sounds of a track, the echo's as they are now. */
  static List<PaletteRow> of(
      List<HeardSound> sounds, EchoRenderer renderer, Sounds now, Progress p) {
    List<PaletteRow> out = new ArrayList<>();
    for (HeardSound h : sounds) {
      p.step("Comparing the sounds", (double) out.size() / sounds.size());
      float[] echo = h.inEcho(renderer, now.sound(h.part()));
      Descriptors like = h.like();
      Descriptors own = new DescriptorFinder().of(echo, echo);
      double distance = h.apart(echo);
      List<String> stack = stack(renderer, h.part(), now.sound(h.part()));
      List<String> advice = new ArrayList<>(SoundAdvice.of(like, own));
      double room = FromRooms.share(now.strip(h.part()).room(), now.space());
      SoundAdvice.room(h.room(), room).ifPresent(advice::add);
      out.add(new PaletteRow(h, like, echo, distance, advice, stack));
    }
    return out;
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
