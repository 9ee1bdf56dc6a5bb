package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.demo.Demo;
import looseecho.echo.Edits;
import looseecho.echo.History;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.exchange.TemplateExport;
import looseecho.project.CorrectionStore;
import looseecho.pulse.TapTempo;
import looseecho.reading.Progress;
import looseecho.sound.EchoRenderer;
import looseecho.sound.Kit;
import looseecho.sound.LoudnessMatch;
import looseecho.sound.OutputDevice;
import looseecho.sound.Player;

/**
 * One reference at work: opened, heard, corrected, echoed, played and exported. Belongs to the
 * interface's thread.
 */
public final class Session implements AutoCloseable {
  private final Work work = new Work();
  private final Work rendering = new Work();
  private final Player player;
  private final CorrectionStore store;
  private final EchoRenderer renderer = new EchoRenderer(Kit.plain());
  private final ReadOnlyObjectWrapper<Reference> reference = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Analysis> analysis = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Template> template = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<EchoSound> echo = new ReadOnlyObjectWrapper<>();
  private final StringProperty message = new SimpleStringProperty("");
  private final IntegerProperty section = new SimpleIntegerProperty(-1);
  private final ReadOnlyObjectWrapper<TapTempo> tapped = new ReadOnlyObjectWrapper<>();
  private final List<Double> taps = new ArrayList<>();
  private Analyzer analyzer;
  private Analyzer.Heard heard;
  private Corrections corrections = Corrections.NONE;
  private History history;

  public Session(OutputDevice device, CorrectionStore store) {
    this.player = new Player(device);
    this.store = store;
    this.message.set(device.remark());
  }

  /** What opening brings: the steps of it, handed over together. */
  private record Opened(
      Analyzer.Heard heard, Corrections corrections, Analysis analysis, String note) {}

  /** Opens the demo, rendering it first when it is not there yet. */
  public void openDemo() {
    open(p -> Demo.file(Demo.cache(), p), "Saltmarsh Radio: the tide tables (demo)");
  }

  /** Opens a sound file. */
  public void open(Path path) {
    open(p -> path, path.getFileName().toString());
  }

  private void open(Work.Job<Path> finder, String name) {
    work.start(
        p -> {
          Path path = finder.run(p);
          AudioReader.Recording recording = new AudioReader().read(path, p);
          p.step("Measuring the loudness", 0);
          Audio audio = new Resampler().resample(recording.audio(), EchoRenderer.RATE);
          Reference r =
              new Reference(
                  name,
                  path,
                  audio,
                  new Peaks(audio),
                  LoudnessMatch.gain(audio),
                  CorrectionStore.fingerprint(path));
          javafx.application.Platform.runLater(() -> take(r));
          if (analyzer == null) {
            analyzer = new Analyzer();
          }
          Analyzer.Heard h = analyzer.listen(recording.audio(), p);
          Corrections c = store.load(r.fingerprint());
          return new Opened(h, c, analyzer.read(h, c, p), String.join(" ", recording.notes()));
        },
        this::take,
        e -> failed("Opening", e));
  }

  private void take(Reference r) {
    analysis.set(null);
    template.set(null);
    echo.set(null);
    history = null;
    section.set(-1);
    reference.set(r);
    player.load(r.audio(), r.gain());
    message.set("");
  }

  private void take(Opened o) {
    heard = o.heard();
    corrections = o.corrections();
    message.set(o.note());
    take(o.analysis(), "");
  }

  private void take(Analysis a, String why) {
    analysis.set(a);
    if (!a.notes().isEmpty()) {
      message.set(String.join(" ", a.notes()));
    }
    Optional<Template> made = new TemplateBuilder().build(a);
    if (made.isEmpty()) {
      return;
    }
    if (history == null) {
      history = new History(made.get());
    } else {
      history.apply(new Edits.Edited(made.get(), "Template made anew: " + why));
    }
    section.set(Math.min(Math.max(0, section.get()), made.get().sections().size() - 1));
    show();
  }

  /** Changes the corrections; the readings and a new template follow. */
  public void correct(UnaryOperator<Corrections> change, String why) {
    if (heard == null || reference.get() == null) {
      return;
    }
    corrections = change.apply(corrections);
    Corrections now = corrections;
    String fingerprint = reference.get().fingerprint();
    work.start(
        p -> {
          store.save(fingerprint, now);
          return analyzer.read(heard, now, p);
        },
        a -> {
          message.set(why);
          take(a, why);
        },
        e -> failed("The correction", e));
  }

  /** Counts a tap on the beat, at the moment it is called. */
  public void tap() {
    taps.add(System.nanoTime() / 1e9);
    tapped.set(TapTempo.of(taps).orElse(null));
  }

  /** Null before the fourth tap in a row. */
  public ReadOnlyObjectProperty<TapTempo> tappedProperty() {
    return tapped.getReadOnlyProperty();
  }

  /** Applies an edit of the template. */
  public void edit(Edits.Edited edit) {
    history.apply(edit);
    message.set(edit.words());
    show();
  }

  public void undo() {
    if (history != null) {
      history.undo().ifPresent(w -> changed("Undone: " + w));
    }
  }

  public void redo() {
    if (history != null) {
      history.redo().ifPresent(w -> changed("Done again: " + w));
    }
  }

  private void changed(String words) {
    message.set(words);
    show();
  }

  /**
   * Shows the present template and renders it; a newer edit replaces a rendering that is still
   * running.
   */
  private void show() {
    Template t = history.template();
    template.set(t);
    section.set(Math.min(section.get(), t.sections().size() - 1));
    rendering.start(
        p -> {
          Audio mix = renderer.mix(t, p);
          return new EchoSound(mix, new Peaks(mix), LoudnessMatch.gain(mix));
        },
        e -> {
          echo.set(e);
          player.echo(e.audio(), e.gain());
        },
        e -> failed("Rendering", e));
  }

  /** Writes MIDI, mix and stems into a folder. */
  public void export(Path folder) {
    Template t = template.get();
    if (t == null) {
      return;
    }
    String name =
        reference.get().path().getFileName().toString().replaceFirst("(?<=.)\\.[^.]+$", "")
            + " echo";
    work.start(
        p -> new TemplateExport().write(t, renderer, folder, name, p),
        files ->
            message.set(
                files.size()
                    + " files written to "
                    + folder
                    + ": MIDI, the mix and a stem per part"),
        e -> failed("The export", e));
  }

  /** Lets one hit be heard at once. */
  public void audition(Lane lane, int velocity) {
    player.audition(renderer.oneShot(lane, velocity));
  }

  private void failed(String what, Exception e) {
    if (e instanceof Progress.CancelledException || Thread.interrupted()) {
      message.set(what + " was stopped. Nothing was changed.");
    } else if (e instanceof IOException) {
      message.set(e.getMessage());
    } else {
      System.getLogger(getClass().getName()).log(System.Logger.Level.ERROR, what, e);
      message.set(what + " failed: " + e.getMessage());
    }
  }

  public Work work() {
    return work;
  }

  public Player player() {
    return player;
  }

  /** Null before a reference is open. */
  public ReadOnlyObjectProperty<Reference> referenceProperty() {
    return reference.getReadOnlyProperty();
  }

  /** Null until the reference has been heard. */
  public ReadOnlyObjectProperty<Analysis> analysisProperty() {
    return analysis.getReadOnlyProperty();
  }

  /** Null when there is no beat to build on. */
  public ReadOnlyObjectProperty<Template> templateProperty() {
    return template.getReadOnlyProperty();
  }

  /** Null until it is rendered. */
  public ReadOnlyObjectProperty<EchoSound> echoProperty() {
    return echo.getReadOnlyProperty();
  }

  /** One line for the person; never null. */
  public StringProperty messageProperty() {
    return message;
  }

  /** Index of the section at work, -1 for none. */
  public IntegerProperty sectionProperty() {
    return section;
  }

  @Override
  public void close() {
    work.close();
    rendering.close();
    player.close();
  }
}
