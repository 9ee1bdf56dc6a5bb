package looseecho.desktop.session;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.hits.Hit;
import looseecho.isolate.LaneIsolator;
import looseecho.isolate.LineIsolator;
import looseecho.isolate.TimeStretch;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Excerpt;
import looseecho.mix.LoudnessMatch;
import looseecho.play.Player;
import looseecho.pulse.Beat;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import looseecho.separate.Separator;
import looseecho.separate.Stem;
import looseecho.separate.StemSound;

/**
 * What sounds: heard and echo at one speed, whole or one drum alone, with a click on the beats.
 * Slowed and isolated copies are made aside while the music goes on. Belongs to the interface's
 * thread.
 */
public final class Playback implements AutoCloseable {
  /** Longest sound that is slowed down, in seconds: its copies are held in memory. */
  static final double MOST_SECONDS = 900;

  private static final double MOST_LIFT = 8; // of what is heard alone

  private final Player player;
  private final Supplier<EchoRenderer> renderer;
  private final ObjectProperty<Part> solo = new SimpleObjectProperty<>();
  private final ObjectProperty<Set<Stem>> stems = new SimpleObjectProperty<>();
  private final DoubleProperty speed = new SimpleDoubleProperty(1);
  private final BooleanProperty click = new SimpleBooleanProperty(false);
  private final Work slowing = Work.newest("slowing");
  private final Consumer<Throwable> failed;
  private final ReadOnlyBooleanWrapper there = new ReadOnlyBooleanWrapper(false);
  private Reference reference;
  private Analysis analysis;
  private EchoSound echo;
  private Slowed slowed;

  /** A copy of what is heard, to be used again when only the echo changes. */
  private record Slowed(Reference of, double speed, Part solo, Set<Stem> stems, Audio audio) {
    boolean fits(Reference r, double to, Part part, Set<Stem> only) {
      return of == r && speed == to && Objects.equals(solo, part) && Objects.equals(stems, only);
    }
  }

  private record Both(Slowed heard, Audio echo) {}

  Playback(Player player, Supplier<EchoRenderer> renderer, Consumer<Throwable> failed) {
    this.failed = failed;
    this.player = player;
    this.renderer = renderer;
    speed.addListener((o, a, b) -> refresh());
    solo.addListener((o, a, b) -> refresh());
    stems.addListener((o, a, b) -> refresh());
    click.addListener((o, a, b) -> click());
  }

  /** A new reference; the echo is dropped and the speed set back. */
  void load(Reference r) {
    reference = r;
    analysis = null;
    echo = null;
    slowed = null;
    player.load(r.audio(), r.gain());
    speed.set(1);
    solo.set(null);
    stems.set(null);
    there.set(r.peaks().isMeasured());
    r.peaks()
        .whenMeasured(() -> Platform.runLater(() -> there.set(reference.peaks().isMeasured())));
  }

  /** False while the sound of a track that is shown is still being read. */
  public ReadOnlyBooleanProperty thereProperty() {
    return there.getReadOnlyProperty();
  }

  void heard(Analysis a) {
    analysis = a;
    slowed = null;
    click();
  }

  void echo(EchoSound e) {
    echo = e;
    if (speed.get() == 1 && solo.get() == null && stems.get() == null) {
      player.echo(e.audio(), e.gain());
    } else {
      refresh();
    }
  }

  /** A stretch of the edited echo that is ready before the whole. */
  void over(Excerpt newer) {
    if (speed.get() == 1 && solo.get() == null && stems.get() == null) {
      player.over(newer);
    }
  }

  /** True when the reference is short enough to be slowed down. */
  public boolean canSlow() {
    return reference != null && reference.audio().duration() <= MOST_SECONDS;
  }

  private void refresh() {
    double to = speed.get();
    if (reference == null) {
      return;
    }
    Part part = solo.get();
    Set<Stem> only = stems.get();
    if (to == 1 && part == null && only == null || !canSlow()) {
      slowing.drop();
      set(reference.audio(), echo == null ? null : echo.audio(), 1);
      return;
    }
    Reference r = reference;
    EchoSound e = echo;
    Analysis from = analysis;
    Slowed ready = slowed != null && slowed.fits(r, to, part, only) ? slowed : null;
    slowing.start(
        p -> {
          Slowed heard = ready == null ? copy(r, from, to, part, only, p) : ready;
          return new Both(heard, e == null ? null : copy(e, to, part, p));
        },
        both -> {
          slowed = both.heard();
          set(slowed.audio(), both.echo(), to);
        },
        why -> {
          speed.set(1);
          solo.set(null);
          stems.set(null);
          failed.accept(why);
        });
  }

  private static Slowed copy(
      Reference r, Analysis a, double to, Part part, Set<Stem> only, Progress p) {
    List<Hit> hits = a == null ? List.of() : a.hits();
    Audio own = r.audio();
    if (part instanceof DrumPart drum) {
      own = new LaneIsolator().isolate(own, drum.lane(), hits, p);
    } else if (part instanceof LinePart line && a != null) {
      own = new LineIsolator().isolate(own, line.line(), a.tonality(), p);
    } else if (only != null) {
      own = alone(own, hits, only, p);
    }
    double[] attacks = hits.stream().mapToDouble(Hit::time).toArray();
    return new Slowed(r, to, part, only, slow(own, to, attacks, p));
  }

  /** Some groups of the track, as loud as the whole. */
  private static Audio alone(Audio whole, List<Hit> hits, Set<Stem> only, Progress p) {
    Audio own = new StemSound().of(new Separator(whole, hits), only, p);
    double gain = Math.min(MOST_LIFT, LoudnessMatch.gain(own) / LoudnessMatch.gain(whole));
    float[][] x = {own.channel(0), own.channel(1)};
    for (float[] side : x) {
      for (int i = 0; i < side.length; i++) {
        side[i] *= (float) gain;
      }
    }
    return new Resampler().resample(new Audio(x[0], x[1], own.sampleRate()), whole.sampleRate());
  }

  private Audio copy(EchoSound e, double to, Part part, Progress p) {
    Template t = e.template();
    Template alone = part == null ? t : t.only(part);
    Audio own = part == null ? e.audio() : renderer.get().mix(alone, p);
    return slow(own, to, t.attacks(), p);
  }

  private static Audio slow(Audio own, double to, double[] attacks, Progress p) {
    return to == 1 ? own : new TimeStretch().slow(own, to, attacks, p);
  }

  private void set(Audio heard, Audio other, double to) {
    player.speed(heard, other, to);
    if (echo != null && other != null) {
      player.echo(other, echo.gain());
    }
    click();
  }

  /**
   * Loops so many bars from the one that is played now; 0 lets the track run on.
   *
   * @return false where no bars are known
   */
  public boolean loopBars(int bars) {
    if (bars == 0 || analysis == null || analysis.pulse().isEmpty()) {
      player.loop(0, 0);
      return bars == 0;
    }
    Pulse p = analysis.pulse().get();
    int beat = Math.max(0, p.beatAt(player.position() + 0.01));
    while (beat > 0 && p.beats().get(beat).position() != 1) {
      beat--;
    }
    player.loop(p.timeAt(beat), p.timeAt(beat + (double) bars * p.beatsPerBar()));
    return true;
  }

  private void click() {
    List<Beat> beats =
        analysis == null || !click.get()
            ? List.of()
            : analysis.pulse().map(p -> p.beats()).orElse(List.of());
    double[] times = new double[beats.size()];
    boolean[] ones = new boolean[beats.size()];
    for (int i = 0; i < times.length; i++) {
      times[i] = beats.get(i).time();
      ones[i] = beats.get(i).position() == 1;
    }
    player.click(times, ones);
  }

  public Player player() {
    return player;
  }

  /** 0.5 to 1; the pitch stays. */
  public DoubleProperty speedProperty() {
    return speed;
  }

  /** The groups of layers that sound alone, as well as can be; null for all. */
  public ObjectProperty<Set<Stem>> stemsProperty() {
    return stems;
  }

  /** The one part that sounds alone, from the reference as well as can be; null for all. */
  public ObjectProperty<Part> soloProperty() {
    return solo;
  }

  /** Whether a click sounds on the beats, over heard and echo alike. */
  public BooleanProperty clickProperty() {
    return click;
  }

  /** True while slowed copies are being made. */
  public Work slowing() {
    return slowing;
  }

  @Override
  public void close() {
    slowing.close();
  }
}
