package looseecho.desktop.session;

import java.util.function.Consumer;

/**
 * What comes of work in the background is taken by the track that it was begun for, and no other.
 */
public final class SameTrack {
  private SameTrack() {}

  /** Takes a result if the track that is on the desk now is still there then. */
  public static <T> Consumer<T> only(Desk desk, Consumer<T> to) {
    Reference here = desk.referenceProperty().get();
    return found -> {
      if (desk.referenceProperty().get() == here) {
        to.accept(found);
      } else {
        desk.say("That was for the track before; here nothing was changed.");
      }
    };
  }
}
