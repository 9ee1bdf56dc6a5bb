package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.Set;
import java.util.stream.Collectors;
import looseecho.analysis.Analysis;
import looseecho.echo.Template;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.play.OutputChoice;
import looseecho.play.OutputDevice;
import looseecho.play.Player;
import looseecho.project.CorrectionStore;
import looseecho.project.Document;

/**
 * Builds what a window works with and ties it together: views take from here what they need and
 * know nothing of the rest. Belongs to the interface's thread.
 */
public final class Session implements AutoCloseable {
  private final Lanes lanes = new Lanes();
  private final Selection selection = new Selection();
  private final Taps taps = new Taps();
  private final Path folder;
  private final Player player;
  private final EchoMaker maker;
  private final Playback playback;
  private final Desk desk;
  private final Papers papers;
  private final OwnAudio ownAudio;
  private final Matching matching;
  private final LayerEar layers;
  private final PaletteEar palette;
  private final Nearness nearness;
  private final Packing packing;
  private final Preferences preferences;
  private final Batch batch;
  private final Checklist checklist;
  private final PairEar pairs;

  public Session(OutputDevice device, CorrectionStore store) {
    this(device, store, new Hearings());
  }

  /** A session that goes on with what others have heard. */
  public Session(OutputDevice device, CorrectionStore store, Hearings hearings) {
    folder = store.folder();
    preferences = new Preferences(folder);
    Notice notice = new Notice(folder.resolveSibling("reports"));
    player = new Player(device);
    maker =
        new EchoMaker(
            player,
            e -> playback().over(e),
            e -> playback().echo(e),
            e -> notice.failed("Rendering", e, "You hear the echo as it was before."));
    playback =
        new Playback(
            player,
            maker::renderer,
            e -> notice.failed("Slow or single listening", e, "It plays on as it was."));
    Ear ear = new Ear(store, hearings);
    batch = new Batch(lanes.batch(), ear);
    Keeper keeper = new Keeper(folder.resolveSibling("kept"));
    desk = new Desk(lanes.hearing(), lanes.saving(), ear, notice, new Ties());
    matching = new Matching(desk, lanes.matching(), notice, () -> preferences.now().schools());
    papers = new Papers(lanes, ear, desk, maker, keeper, notice, matching::opened);
    ownAudio = new OwnAudio(desk, selection, maker, playback, lanes, folder.resolveSibling("cuts"));
    layers = new LayerEar(desk, lanes.parting(), notice, maker.soundsProperty()::get, hearings);
    SampleDrawer drawer =
        new SampleDrawer(lanes, notice, folder.resolveSibling("drawer"), this::sources);
    palette = new PaletteEar(desk, maker, playback, lanes, notice, drawer);
    checklist = new Checklist(desk, layers, palette, () -> preferences.now().schools());
    pairs = new PairEar(desk, maker, palette, playback, lanes);
    nearness = new Nearness(desk, maker, lanes.measuring(), notice, hearings);
    packing =
        new Packing(desk, lanes.exporting(), notice, layers, nearness.comparisonProperty()::get);
    sounding();
    notice.say(device.remark());
  }

  /** The player as it is set; another card is opened aside, which may take a moment. */
  private void sounding() {
    player.cap(Math.pow(10, preferences.now().sound().capDb() / 20.0));
    preferences
        .settingsProperty()
        .addListener(
            (o, was, now) -> {
              player.cap(Math.pow(10, now.sound().capDb() / 20.0));
              OutputChoice choice = now.sound().output();
              if (!choice.equals(was.sound().output())) {
                lanes
                    .plugging()
                    .start(
                        p -> OutputDevice.open(choice, EchoRenderer.RATE),
                        device -> {
                          player.device(device);
                          desk.say(device.remark());
                        },
                        e -> desk.say("That card can't be opened: " + e.getMessage()));
              }
            });
  }

  /** The folders of the echo's samples, where this person prefers one source. */
  private Set<Path> sources() {
    return preferences.now().schools().oneSource()
        ? maker.soundsProperty().get().samples().stream()
            .map(s -> Path.of(s.path()).toAbsolutePath().getParent())
            .collect(Collectors.toSet())
        : Set.of();
  }

  /** What follows the desk. */
  private final class Ties implements Follower {
    @Override
    public void opened(Reference r) {
      maker.forget();
      selection.none();
      playback.load(r);
    }

    @Override
    public void heard(Analysis a) {
      playback.heard(a);
    }

    @Override
    public void sounds(Sounds s) {
      maker.use(s);
    }

    @Override
    public void written(Template t) {
      selection.within(t);
      maker.render(t);
    }

    @Override
    public void changed(Document d) {
      papers.keep(d);
    }
  }

  /** What is worth checking. */
  public Checklist checklist() {
    return checklist;
  }

  /** Several tracks, heard one after the other. */
  public Batch batch() {
    return batch;
  }

  /** How the person has set the program. */
  public Preferences preferences() {
    return preferences;
  }

  /** The track at work. */
  public Desk desk() {
    return desk;
  }

  /** What is looked at. */
  public Selection selection() {
    return selection;
  }

  /** What sounds. */
  public Playback playback() {
    return playback;
  }

  /** What turns the echo into sound. */
  public EchoMaker maker() {
    return maker;
  }

  /** What brings the echo's sounds near the track's. */
  public Matching matching() {
    return matching;
  }

  /** What hears the layers of the track. */
  public LayerEar layers() {
    return layers;
  }

  /** The track's sounds beside the echo's. */
  public PaletteEar palette() {
    return palette;
  }

  /** Kick and snare as a pair. */
  public PairEar pairs() {
    return pairs;
  }

  /** How near the echo is. */
  public Nearness nearness() {
    return nearness;
  }

  /** What writes packs. */
  public Packing packing() {
    return packing;
  }

  /** Recordings of one's own as parts. */
  public OwnAudio ownAudio() {
    return ownAudio;
  }

  /** What is opened, saved and exported. */
  public Papers papers() {
    return papers;
  }

  public Lanes lanes() {
    return lanes;
  }

  public Taps taps() {
    return taps;
  }

  /** The folder in which the person's own things are kept. */
  public Path folder() {
    return folder;
  }

  @Override
  public void close() {
    papers.close();
    lanes.close();
    maker.close();
    papers.keeper().close();
    playback.close();
    player.close();
  }
}
