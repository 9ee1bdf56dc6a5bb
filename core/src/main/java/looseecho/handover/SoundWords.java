package looseecho.handover;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import looseecho.mix.Job;
import looseecho.mix.Layer;
import looseecho.mix.Sound;
import looseecho.synth.DrumSound;
import looseecho.synth.Moved;
import looseecho.synth.SampleSound;
import looseecho.synth.ToneSound;

/** What a sound is made of, for any synthesiser. */
final class SoundWords {
  private SoundWords() {}

  /** All its layers. */
  static String of(Sound s) {
    List<String> all = s.layers().stream().map(SoundWords::of).toList();
    return String.join("; ", all);
  }

  private static String of(Layer l) {
    String job = l.job() == Job.NONE ? "" : l.job().words() + ": ";
    String words;
    if (l.source() instanceof DrumSound d) {
      words =
          (d.toneHz() > 0
                  ? String.format(
                      Locale.ROOT, "tone at %.0f Hz for %.0f ms", d.toneHz(), d.toneMs())
                  : "no tone")
              + (d.noise() > 0.02
                  ? String.format(
                      Locale.ROOT,
                      ", noise %.0f to %.0f Hz for %.0f ms",
                      d.lowHz(),
                      d.highHz(),
                      d.noiseMs())
                  : "");
    } else if (l.source() instanceof ToneSound t) {
      words =
          String.format(
              Locale.ROOT,
              "saw %.0f %%, octave below %.0f %%, drive %.0f %%, low-pass at %.0f Hz",
              100 * t.saw(),
              100 * t.sub(),
              100 * t.drive(),
              t.cutoffHz());
    } else if (l.source() instanceof SampleSound m) {
      words = "sample " + Path.of(m.path()).getFileName();
    } else if (l.source() instanceof Moved m) {
      words =
          String.format(Locale.ROOT, "layer %d moved %+.0f semitones", m.layer(), m.semitones());
    } else {
      throw new IllegalStateException("unknown source");
    }
    return job + words;
  }
}
