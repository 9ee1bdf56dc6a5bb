package looseecho.desktop.echo;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.echo.Course;
import looseecho.echo.Edits;
import looseecho.echo.Movement;
import looseecho.echo.Moves;
import looseecho.echo.Template;
import looseecho.echo.Transition;
import looseecho.echo.Words;

/** What leads into the section at work and what moves in it: added, changed, taken away. */
final class MoveTools extends FlowPane {
  private final Desk desk;
  private final Selection selection;
  private final MenuButton leads;
  private final MenuButton moves;

  MoveTools(Desk desk, Selection selection) {
    super(6, 4);
    this.desk = desk;
    this.selection = selection;
    setId("moves");
    setAlignment(Pos.CENTER_LEFT);
    leads = leads().button();
    moves = moves().button();
    desk.templateProperty().addListener((o, a, b) -> show());
    selection.sectionProperty().addListener((o, a, b) -> show());
    show();
  }

  private Menus leads() {
    Menus menu = Menus.of("lead", "Leads in", "Something that leads into the picked section");
    for (Transition.Kind kind : Transition.Kind.values()) {
      String id = "lead-" + kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
      String words = Character.toUpperCase(kind.words().charAt(0)) + kind.words().substring(1);
      if (kind == Transition.Kind.FILE) {
        menu.add(id, "A recording of yours…", this::file);
      } else {
        menu.add(id, words, () -> lead(kind));
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

  private void lead(Transition.Kind kind) {
    edit(t -> Moves.lead(t, at(), Transition.into(kind, t.meter().ticksPerBeat())));
  }

  private void file() {
    SoundFiles.choose("A sound that leads into the section")
        .map(Path::toString)
        .ifPresent(
            path ->
                edit(
                    t ->
                        Moves.lead(
                            t,
                            at(),
                            Transition.into(Transition.Kind.FILE, t.meter().ticksPerBeat())
                                .from(path))));
  }

  private void course(String scope, Course.Target target, double from, double to) {
    edit(t -> Moves.course(t, at(), Course.of(scope, target, t.ticks(at()), from, to)));
  }

  private void part(Course.Target target, double from, double to) {
    course(selection.partProperty().get().toString(), target, from, to);
  }

  private void show() {
    getChildren().setAll(leads, moves);
    Template t = desk.templateProperty().get();
    if (t == null || at() < 0 || at() >= t.sections().size()) {
      return;
    }
    Movement m = t.sections().get(at()).movement();
    m.transitions().forEach(x -> getChildren().add(chip(t, x)));
    m.courses().forEach(c -> getChildren().addAll(chip(t, c), typed(c)));
  }

  private MenuButton chip(Template t, Transition x) {
    int beat = t.meter().ticksPerBeat();
    String length = Words.number((double) (x.before() + x.after()) / beat);
    String where = x.tick() == 0 ? "" : " at beat " + (x.tick() / beat + 1);
    return Menus.of("transition", x.kind().words() + ", " + length + " beats" + where, "Change it")
        .add(
            "x-longer",
            "Twice as long",
            () -> change(x, y -> y.lasting(2 * y.before(), 2 * y.after())))
        .add(
            "x-shorter",
            "Half as long",
            () -> change(x, y -> y.lasting((y.before() + 1) / 2, (y.after() + 1) / 2)))
        .add(
            "x-louder", "3 dB louder", () -> change(x, y -> y.level(Math.min(12, y.levelDb() + 3))))
        .add(
            "x-softer",
            "3 dB softer",
            () -> change(x, y -> y.level(Math.max(-60, y.levelDb() - 3))))
        .add("x-sooner", "A beat sooner", () -> change(x, y -> y.at(Math.max(0, y.tick() - beat))))
        .add("x-later", "A beat later", () -> change(x, y -> y.at(y.tick() + beat)))
        .line()
        .add("x-out", "Take it away", () -> edit(u -> Moves.change(u, at(), x, Optional.empty())))
        .button();
  }

  private void change(Transition x, Function<Transition, Transition> how) {
    edit(t -> Moves.change(t, at(), x, Optional.of(how.apply(x))));
  }

  private MenuButton chip(Template t, Course c) {
    String of =
        c.isShared()
            ? c.scope()
            : looseecho.echo.Part.of(t).stream()
                .filter(p -> p.toString().equals(c.scope()))
                .map(t::name)
                .findFirst()
                .orElse(c.scope());
    return Menus.of("course", of + ": " + c.words(), "Change it")
        .add("c-back", "The other way round", () -> edit(u -> Moves.course(u, at(), turned(c))))
        .add(
            "c-late", "Only in the second half", () -> edit(u -> Moves.course(u, at(), late(u, c))))
        .line()
        .add("c-out", "Let it stand still", () -> edit(u -> Moves.drop(u, at(), c)))
        .button();
  }

  /** From where to where, to be typed: "30 900". */
  private TextField typed(Course c) {
    String from = Words.number(c.points().get(0).value());
    String to = Words.number(c.points().get(c.points().size() - 1).value());
    TextField field = new TextField(from + " " + to);
    field.setId("course-typed");
    field.setPrefColumnCount(6);
    field.setTooltip(
        new Tooltip(
            "From and to, in " + (c.target().unit().isEmpty() ? "0 to 1" : c.target().unit())));
    field.setOnAction(e -> type(c, field.getText()));
    return field;
  }

  private void type(Course c, String text) {
    String[] numbers = text.replace(',', '.').strip().split("[^0-9.+-]+", -1);
    try {
      double[] values = Arrays.stream(numbers).mapToDouble(Double::parseDouble).toArray();
      int first = c.points().get(0).tick();
      int last = c.points().get(c.points().size() - 1).tick();
      List<Course.Point> points = new ArrayList<>();
      for (int k = 0; k < values.length; k++) {
        int tick =
            values.length == 1
                ? first
                : first + (int) ((long) k * (last - first) / (values.length - 1));
        points.add(new Course.Point(tick, values[k]));
      }
      edit(t -> Moves.course(t, at(), new Course(c.scope(), c.target(), points)));
    } catch (IllegalArgumentException wrong) {
      desk.say(
          "Type numbers from "
              + Words.number(c.target().least())
              + " to "
              + Words.number(c.target().most())
              + ", such as 30 900");
    }
  }

  private static Course turned(Course c) {
    int n = c.points().size();
    java.util.List<Course.Point> out = new java.util.ArrayList<>();
    for (int k = 0; k < n; k++) {
      out.add(new Course.Point(c.points().get(k).tick(), c.points().get(n - 1 - k).value()));
    }
    return new Course(c.scope(), c.target(), out);
  }

  private Course late(Template t, Course c) {
    int end = t.ticks(at());
    double first = c.points().get(0).value();
    double last = c.points().get(c.points().size() - 1).value();
    return new Course(
        c.scope(),
        c.target(),
        java.util.List.of(new Course.Point(end / 2, first), new Course.Point(end, last)));
  }
}
