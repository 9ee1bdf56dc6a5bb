package looseecho.desktop.session;

import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Supplier;
import looseecho.analysis.Analysis;
import looseecho.echo.Template;
import looseecho.echo.Tighten;
import looseecho.mix.Sounds;
import looseecho.palette.NearSounds;
import looseecho.project.Document;
import looseecho.reading.Progress;

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
            desk.matched(d, asWanted(near));
            said(d, "Your echo's sounds are near the track's now");
            turn(
                d,
                near,
                turned -> {
                  desk.matched(d, asWanted(turned.sounds()));
                  said(d, words(turned));
                });
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
        near ->
            turn(
                d.get(),
                near,
                turned -> {
                  Sounds wanted = asWanted(turned.sounds());
                  d.get().near(wanted);
                  if (desk.document().equals(d)) {
                    desk.sound(wanted, words(turned));
                  }
                }));
  }

  /** The built-in sounds again. */
  public void plain() {
    desk.sound(Sounds.plain(), "Built-in sounds");
  }

  private void match(Document d, Consumer<Sounds> done) {
    start(d, (near, p) -> near.matched(p), done);
  }

  /** The second step, which takes longer: what the first one found is at work meanwhile. */
  private void turn(Document d, Sounds matched, Consumer<NearSounds.Turned> done) {
    Analysis a = d.state().analysis();
    start(d, (near, p) -> near.turned(matched, a, p), done);
  }

  private <T> void start(Document d, BiFunction<NearSounds, Progress, T> step, Consumer<T> done) {
    Reference r = desk.referenceProperty().get();
    Optional<Template> exact = d.state().exact();
    if (r != null && exact.isPresent() && desk.document().filter(x -> x == d).isPresent()) {
      lane.start(
          p -> step.apply(new NearSounds(r.audio(), exact.get()), p),
          done,
          e -> notice.failed("Matching the sounds", e, "The echo sounds as before."));
    }
  }

  private Sounds asWanted(Sounds near) {
    return schools.get().monoBass() ? near : near.monoBelow(0);
  }

  private void said(Document d, String words) {
    if (desk.document().filter(x -> x == d).isPresent()) {
      notice.say(words);
    }
  }

  private static String words(NearSounds.Turned t) {
    return String.format(
        Locale.ROOT, "Sounds %.1f dB from the track's (%.1f before)", t.after(), t.before());
  }
}
