package looseecho.project;

import java.io.IOException;
import java.nio.file.Path;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import looseecho.compare.Side;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.mix.EchoRenderer;
import looseecho.reading.Progress;

/** What an echo can be held against beside its own track. */
public final class OtherSide {
  private OtherSide() {}

  /** Any recording: it is heard first, and its sections count for nothing. */
  public static Side heard(String name, Audio audio, Progress progress) throws IOException {
    Analysis a = new Analyzer().analyse(audio, Corrections.NONE, progress);
    Template heard =
        new TemplateBuilder()
            .build(a)
            .orElseThrow(
                () ->
                    new IOException(
                        name + ": No beat was found, so there is nothing to compare with."));
    return new Side(name, heard, new Resampler().resample(audio, EchoRenderer.RATE)).whole();
  }

  /**
   * The echo of a project file, such as a former version.
   *
   * @param track fingerprint of the track at work: section by section where it is the same one
   */
  public static Side echo(Path file, String track, Progress progress) throws IOException {
    Project p = new ProjectFile().read(file);
    Audio mix = new EchoRenderer(p.sounds()).mix(p.template(), progress);
    Side side = new Side(String.valueOf(file.getFileName()), p.template(), mix);
    return p.reference().fingerprint().equals(track) ? side : side.whole();
  }
}
