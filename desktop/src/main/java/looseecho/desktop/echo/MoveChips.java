package looseecho.desktop.echo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.echo.Course;
import looseecho.echo.Edits;
import looseecho.echo.Movement;
import looseecho.echo.Moves;
import looseecho.echo.Template;
import looseecho.echo.Transition;
import looseecho.echo.Words;

/** What leads into the section at work and what moves in it: to be changed and taken away. */
final class MoveChips extends FlowPane {
  private final Desk desk;
  private final Selection selection;
  private final Consumer<Course> drawn;

  MoveChips(Desk desk, Selection selection, Consumer<Course> drawn) {
    super(6, 4);
    this.drawn = drawn;
    this.desk = desk;
    this.selection = selection;
    setAlignment(Pos.CENTER_LEFT);
    managedProperty().bind(Bindings.isNotEmpty(getChildren()));
    desk.templateProperty().addListener((o, a, b) -> show());
    selection.sectionProperty().addListener((o, a, b) -> show());
    show();
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

  private void show() {
    getChildren().clear();
    Template t = desk.templateProperty().get();
    if (t == null || at() < 0 || at() >= t.sections().size()) {
      return;
    }
    Movement m = t.sections().get(at()).movement();
    m.transitions().forEach(x -> getChildren().add(chip(t, x)));
    m.courses().forEach(c -> getChildren().add(chip(t, c)));
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
        .field("course-typed", typed(c))
        .add("c-draw", "Show it, to draw it", () -> drawn.accept(c))
        .line()
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
    Tips.on(
        field, "From and to, in " + (c.target().unit().isEmpty() ? "0 to 1" : c.target().unit()));
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
