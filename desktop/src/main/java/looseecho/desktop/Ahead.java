package looseecho.desktop;

import java.util.concurrent.CompletableFuture;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.session.Session;
import looseecho.mix.EchoRenderer;
import looseecho.play.OutputDevice;
import looseecho.project.CorrectionStore;

/**
 * The session, made on another core while the toolkit starts: a third of a second less until the
 * window. The toolkit makes the application itself and hands it nothing but words, so what was
 * begun before waits here.
 */
final class Ahead {
  private static final CompletableFuture<Session> SESSION =
      CompletableFuture.supplyAsync(Ahead::make);

  private Ahead() {}

  /** Makes it in the background: touching the class is what begins it, once. */
  static void begin() {
    SESSION.isDone();
  }

  /** Waits until it is made; the caller's own from then on. */
  static Session session() {
    return SESSION.join();
  }

  private static Session make() {
    CorrectionStore store = CorrectionStore.ofUser();
    var sound = Preferences.read(store.folder()).sound();
    return new Session(OutputDevice.open(sound.output(), EchoRenderer.RATE), store);
  }
}
