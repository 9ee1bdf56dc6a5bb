package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Supplier;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.dsp.Attacks;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Loops;
import looseecho.echo.Part;
import looseecho.echo.Parts;
import looseecho.echo.Template;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.play.InputDevice;
import looseecho.play.Recorder;
import looseecho.project.FoundSamples;
import looseecho.synth.RootPitch;
import looseecho.synth.SampleSound;
import looseecho.synth.Slices;

/** Recordings of one's own as parts: read, cut at their attacks, laid in the section at work. */
public final class OwnAudio {
  private static final String RIGHTS =
      " A cut of someone else's recording is for study; released, it needs a licence.";
  private final Desk desk;
  private final Selection selection;
  private final EchoMaker maker;
  private final Playback playback;
  private final Lanes lanes;
  private final Path folder;
  private final AtomicBoolean recording = new AtomicBoolean();
  private Supplier<Optional<InputDevice>> inputs = () -> InputDevice.open(Recorder.RATE);

  OwnAudio(
      Desk desk,
      Selection selection,
      EchoMaker maker,
      Playback playback,
      Lanes lanes,
      Path folder) {
    this.desk = desk;
    this.selection = selection;
    this.maker = maker;
    this.playback = playback;
    this.lanes = lanes;
    this.folder = folder;
  }

  private record Read(SampleSound sample, double seconds, double[] attacks) {
    static Read of(Path file) throws IOException {
      SampleSound sample = SampleSound.of(file).known(FoundSamples.content(file));
      float[] x = sample.render(EchoRenderer.RATE).mono();
      double seconds = (double) x.length / EchoRenderer.RATE;
      return new Read(sample, seconds, new Attacks().find(x, EchoRenderer.RATE));
    }
  }

  /** Takes a recording as a new part. */
  public void take(Path file) {
    take(file, Optional.empty(), "");
  }

  private void take(Path file, Optional<Double> beats, String more) {
    lanes
        .reading()
        .start(
            p -> Read.of(file),
            SameTrack.only(desk, r -> lay(r, file, beats, more)),
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  private Optional<DrumPart> next() {
    Template t = desk.templateProperty().get();
    return Optional.ofNullable(t)
        .flatMap(x -> Parts.next(x, Part.of(Lane.PERCUSSION).numbered(2)))
        .flatMap(Part::asDrum);
  }

  private void lay(Read r, Path file, Optional<Double> known, String more) {
    Template t = desk.templateProperty().get();
    Optional<DrumPart> next = next();
    if (next.isEmpty()) {
      desk.say("There are " + Part.MOST + " parts of percussion, and no more fit.");
      return;
    }
    DrumPart part = next.get();
    double beats = known.orElse(Slices.likelyBeats(r.seconds(), t.bpm()));
    Slices slices = Slices.NONE.lasting(beats).at(r.attacks(), r.seconds());
    String name = file.getFileName().toString().replaceFirst("\\.[^.]*$", "");
    Template added = Parts.name(Parts.add(t, part).template(), part, name).template();
    int section = selection.sectionProperty().get();
    Loops.Loop loop = new Loops.Loop(beats, slices.starts(), Loops.Order.AS_RECORDED, 1);
    Edits.Edited laid = Loops.lay(added, part, loop, section, section);
    Sounds sounds = maker.soundsProperty().get();
    desk.edit(laid, sounds.with(part, r.sample().cut(slices)));
    selection.partProperty().set(part);
    desk.say(
        String.format(
            Locale.ROOT, "%s: %.4g beats, %d pieces.%s", name, beats, slices.count(), more));
  }

  /** Reads something from the disk aside; what can't be read is told. */
  public <T> void read(Callable<T> what, Consumer<T> to) {
    lanes
        .reading()
        .start(
            p -> what.call(),
            SameTrack.only(desk, to),
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  /** Reads a recording aside: its pitch and what its file holds; what can't be read is told. */
  public void read(Path file, Consumer<SampleSound> to) {
    lanes
        .reading()
        .start(
            p -> {
              SampleSound sample = SampleSound.of(file);
              float[] x = sample.render(EchoRenderer.RATE).mono();
              double root = new RootPitch().of(x, EchoRenderer.RATE);
              return sample.known(FoundSamples.content(file)).with(sample.playing().root(root));
            },
            SameTrack.only(desk, to),
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  /** Listens to sound aside; what comes of it is taken on the interface's thread. */
  public <T> void aside(Supplier<T> listening, Consumer<T> to) {
    read(listening::get, to);
  }

  /** Records from the input as a new part; asked again, it stops. */
  public void record() {
    if (recording.getAndSet(false)) {
      return;
    }
    Path file = folder.resolve("recorded").resolve("take " + System.currentTimeMillis() + ".wav");
    recording.set(true);
    desk.say("Recording from the input. Choose it again to stop.");
    lanes
        .recording()
        .start(
            p -> {
              try (InputDevice in = inputs.get().orElseThrow(OwnAudio::noInput)) {
                new Recorder().record(in, file, recording::get, p);
                return file;
              } finally {
                recording.set(false);
              }
            },
            this::take,
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  private static IOException noInput() {
    return new IOException("No sound input was found, or another program has it.");
  }

  /** Where recordings come from. */
  public void inputs(Supplier<Optional<InputDevice>> other) {
    inputs = other;
  }

  private record Found(Template template, Sounds sounds) {}

  /** Looks in a folder for samples that are no longer where they were. */
  public void findLost(Path in) {
    Sounds now = maker.soundsProperty().get();
    Template t = desk.templateProperty().get();
    lanes
        .reading()
        .start(
            p ->
                new Found(
                    FoundSamples.find(t, List.of(in), p), FoundSamples.find(now, List.of(in), p)),
            SameTrack.only(
                desk,
                found -> {
                  boolean same =
                      desk.templateProperty().get() == t && maker.soundsProperty().get() == now;
                  if (!same) {
                    findLost(in); // something was changed meanwhile, which must not be lost
                  } else if (found.equals(new Found(t, now))) {
                    desk.say("No missing sample is in " + in + ".");
                  } else {
                    String words = "Samples found again in " + in.getFileName();
                    desk.edit(new Edits.Edited(found.template(), words), found.sounds());
                  }
                }),
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  /** Takes the looped bars of the reference as a new part, from a file of their own. */
  public void cutOfReference() {
    Reference r = desk.referenceProperty().get();
    Analysis a = desk.analysisProperty().get();
    double from = playback.player().loopStart();
    double to = playback.player().loopEnd();
    if (r == null || a == null || a.pulse().isEmpty() || !(to > from)) {
      desk.say("Loop some bars of the reference first (O): they become the part.");
      return;
    }
    double beats = a.pulse().get().beatsAt(to) - a.pulse().get().beatsAt(from);
    int rate = r.audio().sampleRate();
    Audio cut = r.audio().slice((int) (from * rate), (int) (to * rate));
    String name = String.format(Locale.ROOT, "cut %.1f to %.1f s.wav", from, to);
    lanes
        .reading()
        .start(
            p -> write(cut, folder.resolve(r.fingerprint()).resolve(name)),
            SameTrack.only(
                desk, file -> take(file, Optional.of((double) Math.round(beats)), RIGHTS)),
            e -> desk.say("The cut can't be kept: " + e.getMessage()));
  }

  private static Path write(Audio cut, Path file) throws IOException {
    Files.createDirectories(file.getParent());
    new WavWriter().write(cut, file);
    return file;
  }
}
