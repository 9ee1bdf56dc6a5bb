package looseecho.desktop.session;

import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Template;
import looseecho.notes.Line;
import looseecho.sound.EchoRenderer;
import looseecho.sound.Excerpt;
import looseecho.sound.LoudnessMatch;
import looseecho.sound.Player;
import looseecho.sound.Sounds;

/**
 * Turns the template into sound, aside while the music goes on; a newer edit replaces a rendering
 * that is still running. Belongs to the interface's thread.
 */
public final class EchoMaker implements AutoCloseable {
  static final double LONGEST = 1800; // seconds that are rendered to be played
  private static final double NOTE_SECONDS = 0.4;
  private static final double SHORT = 20; // seconds of a template that is rendered at once

  /** Seconds that are rendered of a longer one before the whole, one after the other. */
  private static final double[] AHEAD = {2.5, 10};

  private static final double BEHIND = 0.2;

  private final Player player;
  private final Consumer<Excerpt> sooner;
  private final Consumer<EchoSound> ready;
  private final Consumer<Exception> failed;
  private final Work rendering = new Work();
  private final ReadOnlyObjectWrapper<EchoSound> echo = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Sounds> sounds = new ReadOnlyObjectWrapper<>(Sounds.plain());
  private EchoRenderer renderer = new EchoRenderer(Sounds.plain());

  /**
   * Prepares to render.
   *
   * @param sooner takes the stretch that is played next, before the whole is ready
   * @param ready takes the whole
   */
  EchoMaker(
      Player player,
      Consumer<Excerpt> sooner,
      Consumer<EchoSound> ready,
      Consumer<Exception> failed) {
    this.player = player;
    this.sooner = sooner;
    this.ready = ready;
    this.failed = failed;
  }

  void forget() {
    echo.set(null);
    renderer.forget();
  }

  /** Other sounds for what is rendered from now on. */
  void use(Sounds other) {
    if (!sounds.get().equals(other)) {
      sounds.set(other);
      renderer.forget();
      renderer = new EchoRenderer(other);
      if (!renderer.missing().isEmpty()) {
        failed.accept(
            new java.io.IOException(
                "These samples are not there, built-in drums stand in for them: "
                    + String.join(", ", renderer.missing())));
      }
    }
  }

  /** Renders what is played next, so that an edit is heard at once, and then the whole. */
  void render(Template t) {
    EchoRenderer now = renderer;
    if (echo.get() == null || t.end() < SHORT) {
      whole(now, t);
      return;
    }
    ahead(now, t, 0);
  }

  private void ahead(EchoRenderer now, Template t, int stretch) {
    if (stretch == AHEAD.length) {
      whole(now, t);
      return;
    }
    double from = Math.max(0, player.position() - BEHIND);
    double to = from + AHEAD[stretch];
    if (to > player.loopEnd()) {
      from = Math.max(player.loopStart(), player.loopEnd() - 2 * AHEAD[stretch]);
      to = player.loopEnd() + BEHIND;
    }
    double start = from;
    double seconds = to - from;
    rendering.start(
        p -> now.excerpt(t, start, seconds, p),
        e -> {
          sooner.accept(e);
          ahead(now, t, stretch + 1);
        },
        failed);
  }

  private void whole(EchoRenderer now, Template t) {
    rendering.start(
        p -> {
          Audio mix = now.mix(t, p);
          return new EchoSound(mix, new Peaks(mix), LoudnessMatch.gain(mix), t);
        },
        e -> {
          echo.set(e);
          ready.accept(e);
        },
        failed);
  }

  EchoRenderer renderer() {
    return renderer;
  }

  /** Lets one hit be heard at once. */
  public void audition(Lane lane, int velocity) {
    player.audition(renderer.oneShot(lane, velocity));
  }

  /** Lets notes be heard together at once. */
  public void audition(Line line, List<Integer> pitches, int velocity) {
    float[] all = new float[0];
    for (int pitch : pitches) {
      float[] one = renderer.oneNote(line, pitch, velocity, NOTE_SECONDS);
      all = all.length < one.length ? Arrays.copyOf(all, one.length) : all;
      for (int i = 0; i < one.length; i++) {
        all[i] += one[i];
      }
    }
    player.audition(all);
  }

  /** Null until it is rendered. */
  public ReadOnlyObjectProperty<EchoSound> echoProperty() {
    return echo.getReadOnlyProperty();
  }

  /** Sounds and mix of the echo. */
  public ReadOnlyObjectProperty<Sounds> soundsProperty() {
    return sounds.getReadOnlyProperty();
  }

  @Override
  public void close() {
    rendering.close();
    renderer.forget();
  }
}
