package looseecho.desktop.session;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.audio.Audio;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Excerpt;
import looseecho.mix.LoudnessMatch;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.play.Player;

/**
 * Turns the template into sound, aside while the music goes on; a newer edit replaces a rendering
 * that is still running. Belongs to the interface's thread.
 */
public final class EchoMaker implements AutoCloseable {
  private static final double NOTE_SECONDS = 0.4;
  private static final double SHORT = 20; // seconds of a template that is rendered at once

  /** Seconds that are rendered of a longer one before the whole, one after the other. */
  private static final double[] AHEAD = {1.6, 10};

  private static final double BEHIND = 0.2;

  private final Player player;
  private final Consumer<Excerpt> sooner;
  private final Consumer<EchoSound> ready;
  private final Consumer<Throwable> failed;
  private final Work rendering = Work.newest("rendering");
  private final ReadOnlyObjectWrapper<EchoSound> echo = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Sounds> sounds = new ReadOnlyObjectWrapper<>(Sounds.plain());
  private final ExecutorService aside =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "sounds");
            t.setDaemon(true);
            return t;
          });
  private CompletableFuture<EchoRenderer> renderer = prepared(Sounds.plain());

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
      Consumer<Throwable> failed) {
    this.player = player;
    this.sooner = sooner;
    this.ready = ready;
    this.failed = failed;
  }

  void forget() {
    echo.set(null);
    renderer.thenAccept(EchoRenderer::forget);
  }

  /** Drums are synthesised and samples read aside: a slow disk never stops the window. */
  private CompletableFuture<EchoRenderer> prepared(Sounds s) {
    return CompletableFuture.supplyAsync(() -> new EchoRenderer(s), aside);
  }

  /** Other sounds for what is rendered from now on. */
  void use(Sounds other) {
    if (!sounds.get().equals(other)) {
      renderer.thenAccept(EchoRenderer::forget);
      renderer = prepared(other);
      sounds.set(other); // those who follow the sounds ask for the renderer
      renderer.thenAccept(r -> Platform.runLater(() -> name(r.missing())));
    }
  }

  private void name(List<String> missing) {
    if (!missing.isEmpty()) {
      failed.accept(new IOException(String.join(" ", missing)));
    }
  }

  /** Renders what is played next, so that an edit is heard at once, and then the whole. */
  void render(Template t) {
    CompletableFuture<EchoRenderer> now = renderer;
    if (echo.get() == null || t.end() < SHORT) {
      whole(now, t);
      return;
    }
    ahead(now, t, 0);
  }

  private void ahead(CompletableFuture<EchoRenderer> now, Template t, int stretch) {
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
        p -> now.join().excerpt(t, start, seconds, p),
        e -> {
          sooner.accept(e);
          ahead(now, t, stretch + 1);
        },
        failed);
  }

  private void whole(CompletableFuture<EchoRenderer> now, Template t) {
    rendering.start(
        p -> {
          EchoRenderer.Mixed mixed = now.join().mixed(t, p);
          Audio mix = mixed.audio();
          return new EchoSound(mix, new Peaks(mix), LoudnessMatch.gain(mix), t, mixed.pressedDb());
        },
        e -> {
          echo.set(e);
          ready.accept(e);
        },
        failed);
  }

  /** What renders now; to be asked on a working thread, since its samples may still be read. */
  EchoRenderer renderer() {
    return renderer.join();
  }

  /** Lets one hit be heard at once. */
  public void audition(DrumPart drum, int velocity) {
    renderer.thenAcceptAsync(r -> player.audition(r.oneShot(drum, velocity)), aside);
  }

  /** What a sound of a part looks like alone; made aside, taken on the interface's thread. */
  public void picture(Part part, Sound sound, Consumer<float[]> to) {
    renderer.thenAcceptAsync(
        r -> {
          float[] x = r.picture(part, sound);
          Platform.runLater(() -> to.accept(x));
        },
        aside);
  }

  /** Lets notes be heard together at once. */
  public void audition(LinePart line, List<Integer> pitches, int velocity) {
    renderer.thenAcceptAsync(r -> player.audition(together(r, line, pitches, velocity)), aside);
  }

  private static float[] together(
      EchoRenderer r, LinePart line, List<Integer> pitches, int velocity) {
    float[] all = new float[0];
    for (int pitch : pitches) {
      float[] one = r.oneNote(line, pitch, velocity, NOTE_SECONDS);
      all = all.length < one.length ? Arrays.copyOf(all, one.length) : all;
      for (int i = 0; i < one.length; i++) {
        all[i] += one[i];
      }
    }
    return all;
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
    renderer.thenAccept(EchoRenderer::forget);
    aside.shutdown();
  }
}
