package looseecho.desktop.echo;

import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.OwnAudio;
import looseecho.desktop.session.Selection;
import looseecho.echo.Course;
import looseecho.echo.Edits;
import looseecho.echo.Moves;
import looseecho.echo.Template;
import looseecho.echo.Transition;

/** Adds what leads into the section at work and what moves in it. */
final class MoveTools extends HBox {
  private final Desk desk;
  private final Selection selection;
  private final OwnAudio own;

  MoveTools(Desk desk, Selection selection, OwnAudio own) {
    super(6);
    this.desk = desk;
    this.selection = selection;
    this.own = own;
    setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(leads().button(), moves().button());
  }

  private Menus leads() {
    Menus menu = Menus.of("lead", "Leads in", "Something that leads into the picked section");
    for (Transition.Kind kind : Transition.Kind.values()) {
      String id = "lead-" + kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
      String words = Character.toUpperCase(kind.words().charAt(0)) + kind.words().substring(1);
      if (kind == Transition.Kind.FILE) {
        menu.add(id, "A recording of yours…", this::file);
      } else {
        menu.add(id, words, () -> lead(kind, ""));
      }
    }
    return menu;
  }

  private Menus moves() {
    return Menus.of("move", "Moves", "Something that moves through the picked section")
        .add(
            "build-up-4",
            "Build up over the last 4 bars",
            () -> edit(t -> Moves.buildUp(t, at(), 4)))
        .add(
            "build-up-8",
            "Build up over the last 8 bars",
            () -> edit(t -> Moves.buildUp(t, at(), 8)))
        .line()
        .add(
            "opens",
            "The tones open",
            () -> course(Course.TONES, Course.Target.HIGH_CUT, 300, 16000))
        .add(
            "closes",
            "The tones close",
            () -> course(Course.TONES, Course.Target.HIGH_CUT, 16000, 300))
        .add(
            "thins",
            "All lose their low end",
            () -> course(Course.ALL, Course.Target.LOW_CUT, 30, 900))
        .add(
            "comes",
            "All come in from nothing",
            () -> course(Course.ALL, Course.Target.LEVEL, -40, 0))
        .add("goes", "All go out to nothing", () -> course(Course.ALL, Course.Target.LEVEL, 0, -40))
        .add("narrows", "All get narrow", () -> course(Course.ALL, Course.Target.WIDTH, 1, 0.2))
        .line()
        .add("part-up", "The picked part climbs an octave", () -> part(Course.Target.PITCH, 0, 12))
        .add("part-room", "The picked part's room grows", () -> part(Course.Target.ROOM, 0, 0.7))
        .add("part-drive", "The picked part gets rougher", () -> part(Course.Target.DRIVE, 0, 5));
  }

  private int at() {
    return selection.sectionProperty().get();
  }

  private void edit(Function<Template, Edits.Edited> how) {
    Template t = desk.templateProperty().get();
    if (t != null) {
      desk.edit(how.apply(t));
    }
  }

  private void lead(Transition.Kind kind, String file) {
    edit(t -> Moves.lead(t, at(), Transition.into(kind, t.meter().ticksPerBeat()).from(file)));
  }

  private void file() {
    SoundFiles.choose("A sound that leads into the section")
        .ifPresent(file -> own.read(file, sample -> lead(Transition.Kind.FILE, sample.path())));
  }

  private void course(String scope, Course.Target target, double from, double to) {
    edit(t -> Moves.course(t, at(), Course.of(scope, target, t.ticks(at()), from, to)));
  }

  private void part(Course.Target target, double from, double to) {
    course(selection.partProperty().get().toString(), target, from, to);
  }
}
