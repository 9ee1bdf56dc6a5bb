package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
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
import looseecho.demo.Demo;
import looseecho.echo.Edits;
import looseecho.echo.History;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.echo.TemplateMerge;
import looseecho.echo.TemplateMerge.Merged;
import looseecho.exchange.TemplateExport;
import looseecho.notes.Line;
import looseecho.project.CorrectionStore;
import looseecho.pulse.TapTempo;
import looseecho.reading.Progress;
import looseecho.sound.EchoRenderer;
import looseecho.sound.LoudnessMatch;
import looseecho.sound.OutputDevice;
import looseecho.sound.Player;
import looseecho.sound.Sounds;

/**
 * One reference at work: opened, heard, corrected, echoed, played and exported. Belongs to the
 * interface's thread.
 */
public final class Session implements AutoCloseable {
  private static final double LONGEST_ECHO = 1800; // seconds that are rendered to be played

  private final Work work = new Work();
  private final Work rendering = new Work();
  private final Player player;
  private final Ear ear;
  private final EchoRenderer renderer = new EchoRenderer(Sounds.plain());
  private final ReadOnlyObjectWrapper<Reference> reference = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Analysis> analysis = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Template> template = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<EchoSound> echo = new ReadOnlyObjectWrapper<>();
  private final StringProperty message = new SimpleStringProperty("");
  private final IntegerProperty section = new SimpleIntegerProperty(-1);
  private final Playback playback;
  private final ReadOnlyObjectWrapper<TapTempo> tapped = new ReadOnlyObjectWrapper<>();
  private final List<Double> taps = new ArrayList<>();
  private Analyzer.Heard heard;
  private final ReadOnlyObjectWrapper<Corrections> corrections =
      new ReadOnlyObjectWrapper<>(Corrections.NONE);
  private History<Moment> history;

  public Session(OutputDevice device, CorrectionStore store) {
    this.player = new Player(device);
    this.playback = new Playback(player, renderer);
    this.ear = new Ear(store);
    this.message.set(device.remark());
  }

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
        p ->
            ear.open(
                finder.run(p), name, r -> javafx.application.Platform.runLater(() -> take(r)), p),
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
    playback.load(r);
    message.set("");
  }

  private void take(Ear.Opened o) {
    heard = o.heard();
    corrections.set(o.corrections());
    message.set(o.note());
    take(o.analysis(), "Template made from what was heard");
  }

  private void take(Analysis a, String why) {
    Template made = new TemplateBuilder().build(a).orElse(null);
    if (history == null) {
      history = new History<>(new Moment(corrections.get(), a, made), why);
      show();
    } else {
      Merged merged = merged(made);
      history.apply(new Moment(corrections.get(), a, merged.template()), why);
      show();
      message.set(
          merged.kept() ? why : why + ". Your echo was made anew; undo brings the edited one back");
    }
    if (!a.notes().isEmpty()) {
      message.set(String.join(" ", a.notes()));
    }
  }

  /** Edited parts of the echo stay, the others follow what is heard now. */
  private Merged merged(Template made) {
    Moment was = history.present();
    Template before = new TemplateBuilder().build(was.analysis()).orElse(null);
    return made == null || before == null || was.template() == null
        ? new Merged(made, true)
        : TemplateMerge.merge(before, made, was.template());
  }

  /** Changes the corrections; the readings and a new template follow. */
  public void correct(UnaryOperator<Corrections> change, String why) {
    if (heard == null || reference.get() == null) {
      return;
    }
    Corrections now = change.apply(corrections.get());
    if (corrections.get().locked() && now.locked() && movesGround(corrections.get(), now)) {
      message.set("The ground is locked. Unlock it to change tempo, bars or sections.");
      return;
    }
    corrections.set(now);
    String fingerprint = reference.get().fingerprint();
    work.start(
        p -> ear.read(heard, fingerprint, now, p),
        a -> take(a, why),
        e -> failed("The correction", e));
  }

  private static boolean movesGround(Corrections a, Corrections b) {
    return !a.pulse().equals(b.pulse()) || !a.sections().equals(b.sections());
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
    history.apply(history.present().with(edit.template()), edit.words());
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
    Corrections now = history.present().corrections();
    if (!now.equals(corrections.get())) {
      corrections.set(now);
      String fingerprint = reference.get().fingerprint();
      work.start(
          p -> {
            ear.keep(fingerprint, now);
            return now;
          },
          c -> {},
          e -> failed("Keeping the correction", e));
    }
    message.set(words);
    show();
  }

  /**
   * Shows the present state and renders its template; a newer edit replaces a rendering that is
   * still running.
   */
  private void show() {
    Moment m = history.present();
    if (analysis.get() != m.analysis()) {
      analysis.set(m.analysis());
      playback.heard(m.analysis());
    }
    Template t = m.template();
    template.set(t);
    if (t == null) {
      return;
    }
    section.set(Math.min(Math.max(0, section.get()), t.sections().size() - 1));
    if (t.end() > LONGEST_ECHO) {
      message.set("Heard whole. Its echo can be edited and written, but is too long to be played.");
      return;
    }
    rendering.start(
        p -> {
          Audio mix = renderer.mix(t, p);
          return new EchoSound(mix, new Peaks(mix), LoudnessMatch.gain(mix), t);
        },
        e -> {
          echo.set(e);
          playback.echo(e);
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
        p -> new TemplateExport().write(t, renderer, folder, name, true, p),
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

  /** Lets notes be heard together at once. */
  public void audition(Line line, List<Integer> pitches, int velocity) {
    float[] all = new float[0];
    for (int pitch : pitches) {
      float[] one = renderer.oneNote(line, pitch, velocity, 0.4);
      all = all.length < one.length ? Arrays.copyOf(all, one.length) : all;
      for (int i = 0; i < one.length; i++) {
        all[i] += one[i];
      }
    }
    player.audition(all);
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

  /** The folder in which the person's own things are kept. */
  public Path folder() {
    return ear.folder();
  }

  public Work work() {
    return work;
  }

  public Player player() {
    return player;
  }

  public Playback playback() {
    return playback;
  }

  public ReadOnlyObjectProperty<Corrections> correctionsProperty() {
    return corrections.getReadOnlyProperty();
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
    playback.close();
    player.close();
  }
}
