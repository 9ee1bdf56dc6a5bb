package looseecho.desktop.session;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import looseecho.echo.Template;
import looseecho.echo.Tighten;
import looseecho.mix.Sounds;
import looseecho.palette.SoundMatcher;
import looseecho.project.Document;

/** Brings the echo's sounds near the track's: by itself for a new track, or when asked to. */
public final class Matching {
  private final Desk desk;
  private final Work lane;
  private final Notice notice;
  private final Supplier<Settings.Schools> schools;
  private boolean byItself = true;

  Matching(Desk desk, Work lane, Notice notice, Supplier<Settings.Schools> schools) {
    this.desk = desk;
    this.lane = lane;
    this.notice = notice;
    this.schools = schools;
  }

  /** False leaves new tracks the built-in sounds. */
  public void byItself(boolean wanted) {
    byItself = wanted;
  }

  /** For a track that was opened by itself: its echo begins as this person works. */
  void opened(Document d) {
    lane.drop();
    int tighten = schools.get().tighten();
    Template t = desk.templateProperty().get();
    if (tighten > 0 && t != null) {
      desk.edit(Tighten.all(t, tighten / 100.0));
    }
    if (byItself) {
      match(
          d,
          near -> {
            desk.matched(d, near);
            if (desk.document().filter(x -> x == d).isPresent()) {
              notice.say("Your echo's sounds are near the track's now");
            }
          });
    }
  }

  /** When the person asks for it: a change like any other. */
  public void match() {
    Optional<Document> d = desk.document();
    if (d.isEmpty() || d.get().state().exact().isEmpty()) {
      desk.say("There is no echo yet whose sounds could come near.");
      return;
    }
    match(
        d.get(),
        near -> {
          d.get().near(near);
          if (desk.document().equals(d)) {
            desk.sound(near, "Sounds near the track's");
          }
        });
  }

  /** The built-in sounds again. */
  public void plain() {
    desk.sound(Sounds.plain(), "Built-in sounds");
  }

  private void match(Document d, Consumer<Sounds> done) {
    Reference r = desk.referenceProperty().get();
    Optional<Template> exact = d.state().exact();
    if (r != null && exact.isPresent()) {
      lane.start(
          p -> new SoundMatcher().match(r.audio(), exact.get(), Sounds.plain(), p),
          near -> done.accept(schools.get().monoBass() ? near : near.monoBelow(0)),
          e -> notice.failed("Matching the sounds", e, "The echo sounds as before."));
    }
  }
}
