package looseecho.desktop.ledger;

import java.io.File;
import java.nio.file.Path;
import java.util.function.ToDoubleFunction;
import javafx.scene.layout.FlowPane;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.ledger.SettingRows.Range;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.OwnAudio;
import looseecho.echo.DrumPart;
import looseecho.mix.Sounds;
import looseecho.synth.SampleSound;

/** A one-shot of the person's own for a drum, and its settings. */
final class SampleRows {
  private final Desk desk;
  private final EchoMaker maker;
  private final OwnAudio recordings;

  /**
   * For the samples of a desk.
   *
   * @param recordings reads recordings, and looks for those that are missing
   */
  SampleRows(Desk desk, EchoMaker maker, OwnAudio recordings) {
    this.desk = desk;
    this.maker = maker;
    this.recordings = recordings;
  }

  private Sounds sounds() {
    return maker.soundsProperty().get();
  }

  /** The sample that stands in for a drum; null for none. */
  private SampleSound own(DrumPart drum) {
    return sounds().sample(drum).orElse(null);
  }

  /** A one-shot of the person's own for a drum. */
  FlowPane buttons(DrumPart drum) {
    SampleSound now = own(drum);
    FlowPane box = new FlowPane(6, 4);
    box.getChildren()
        .add(
            Buttons.of(
                "sample",
                "Own sample…",
                "A one-shot of yours instead of the built-in drum",
                () -> choose(drum)));
    if (now != null) {
      box.getChildren()
          .add(
              Buttons.of(
                  "sample-off", "Built-in", "The built-in drum again", () -> use(drum, null)));
      box.getChildren()
          .add(
              Buttons.of(
                  "sample-find",
                  "Find…",
                  "Samples that were moved or renamed: pick the folder that they are in now",
                  () ->
                      SoundFiles.folder("Where your samples are now")
                          .ifPresent(recordings::findLost)));
    }
    return box;
  }

  private void choose(DrumPart drum) {
    SoundFiles.choose("A one-shot for the " + desk.name(drum))
        .ifPresent(file -> recordings.read(file, sample -> use(drum, sample)));
  }

  private void use(DrumPart drum, SampleSound sample) {
    String words = sample == null ? ": built-in" : ": " + new File(sample.path()).getName();
    Sounds with = sample == null ? sounds().builtIn(drum) : sounds().with(drum, sample);
    desk.sound(with, desk.name(drum) + words);
  }

  /** The settings of a sample. */
  void rows(SettingRows rows, DrumPart drum, SampleSound own) {
    sample(
        rows,
        drum,
        "semitones",
        -24,
        24,
        SampleSound::semitones,
        "%+.0f",
        (s, v) -> s.tuned(Math.rint(v)));
    sample(rows, drum, "start", 0, 500, SampleSound::startMs, "%.0f ms", (s, v) -> s.from(v));
    sample(rows, drum, "length", 0, 2000, SampleSound::lengthMs, "%.0f ms", (s, v) -> s.lasting(v));
    sample(
        rows,
        drum,
        "rise",
        0,
        200,
        SampleSound::riseMs,
        "%.0f ms",
        (s, v) -> s.shaped(v, s.decayMs(), s.fadeMs()));
    sample(
        rows,
        drum,
        "decay",
        0,
        1000,
        SampleSound::decayMs,
        "%.0f ms",
        (s, v) -> s.shaped(s.riseMs(), v, s.fadeMs()));
    sample(
        rows,
        drum,
        "fade",
        0,
        500,
        SampleSound::fadeMs,
        "%.0f ms",
        (s, v) -> s.shaped(s.riseMs(), s.decayMs(), v));
    rows.dial(
        "backwards",
        new Range(0, 1, 0),
        own.reversed() ? 1 : 0,
        v -> v > 0.5 ? "yes" : "no",
        v -> sounds().with(drum, own(drum).turned(v > 0.5)));
  }

  /** What a slider makes of a sample. */
  private interface SampleChange {
    SampleSound of(SampleSound now, double value);
  }

  private void sample(
      SettingRows rows,
      DrumPart drum,
      String name,
      double min,
      double max,
      ToDoubleFunction<SampleSound> of,
      String format,
      SampleChange change) {
    rows.dial(
        name,
        new Range(min, max, of.applyAsDouble(SampleSound.of(Path.of(own(drum).path())))),
        of.applyAsDouble(own(drum)),
        format,
        v -> sounds().with(drum, change.of(own(drum), v)));
  }
}
