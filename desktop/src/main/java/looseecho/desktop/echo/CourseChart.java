package looseecho.desktop.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Course;
import looseecho.echo.Moves;
import looseecho.echo.Template;
import looseecho.echo.Words;

/**
 * One course of the section at work, to be drawn: a press sets a point, a drag moves it, a right
 * click takes it away. Points lie on beats, with Shift anywhere.
 */
final class CourseChart extends ChartPane {
  private static final double LEFT = 126;
  private static final double EDGE = 6;
  private static final double NEAR = 9;
  private final Desk desk;
  private final Selection selection;
  private Course course;
  private List<Course> known = List.of();
  private int picked;
  private boolean dragging;

  CourseChart(Desk desk, Selection selection) {
    this.desk = desk;
    this.selection = selection;
    setId("course-chart");
    setMinHeight(64);
    setPrefHeight(64);
    setFocusTraversable(true);
    setAccessibleText(
        "The picked course: left and right pick a point, up and down move it, Insert adds one, "
            + "Delete takes it away");
    setOnMousePressed(this::press);
    setOnMouseDragged(e -> move(e.getX(), e.getY(), e.isShiftDown()));
    setOnMouseReleased(e -> done());
    setOnKeyPressed(this::key);
    focusedProperty().addListener((o, a, b) -> redraw());
    desk.templateProperty().addListener((o, a, b) -> again());
    selection.sectionProperty().addListener((o, a, b) -> again());
    again();
  }

  /** Shows a course of the section at work. */
  void show(Course c) {
    course = c;
    picked = 0;
    again();
  }

  private Template template() {
    return desk.templateProperty().get();
  }

  private int at() {
    return selection.sectionProperty().get();
  }

  /** The course as it stands now: a new one, else the one shown so far, else the first. */
  private void again() {
    Template t = template();
    List<Course> there =
        t == null || at() < 0 || at() >= t.sections().size()
            ? List.of()
            : t.sections().get(at()).movement().courses();
    Course before = there.stream().filter(c -> !known.contains(c)).findFirst().orElse(course);
    known = there;
    course =
        there.stream()
            .filter(c -> isSame(c, before))
            .findFirst()
            .or(() -> first(there))
            .orElse(null);
    dragging = false;
    setVisible(course != null);
    setManaged(course != null);
    redraw();
  }

  private static Optional<Course> first(List<Course> courses) {
    return courses.stream().findFirst();
  }

  private static boolean isSame(Course c, Course other) {
    return other != null && c.scope().equals(other.scope()) && c.target() == other.target();
  }

  private double x(int tick) {
    return LEFT + (getWidth() - LEFT - 10) * tick / template().ticks(at());
  }

  private double y(double value) {
    return EDGE + (getHeight() - 2 * EDGE) * (1 - course.target().share(value));
  }

  private Course.Point point(double px, double py, boolean free) {
    double ticks = template().ticks(at()) * (px - LEFT) / (getWidth() - LEFT - 10);
    int beat = template().meter().ticksPerBeat();
    double placed = free ? ticks : Math.rint(ticks / beat) * beat;
    double share = 1 - (py - EDGE) / (getHeight() - 2 * EDGE);
    int tick = (int) Math.max(0, Math.min(template().ticks(at()), placed));
    return new Course.Point(tick, course.target().value(share));
  }

  private void press(MouseEvent e) {
    requestFocus();
    e.consume(); // the pane around would take the focus
    if (course == null) {
      return;
    }
    List<Course.Point> points = course.points();
    int near = -1;
    for (int k = 0; k < points.size(); k++) {
      double apart =
          Math.hypot(x(points.get(k).tick()) - e.getX(), y(points.get(k).value()) - e.getY());
      near = apart < NEAR ? k : near;
    }
    if (e.getButton() == MouseButton.SECONDARY) {
      if (near >= 0) {
        picked = near;
        drop();
      }
    } else if (near >= 0) {
      picked = near;
      dragging = true;
      redraw();
    } else if (e.getX() > LEFT - NEAR) {
      course = course.with(point(e.getX(), e.getY(), e.isShiftDown()));
      picked = course.indexAt(point(e.getX(), e.getY(), e.isShiftDown()).tick());
      dragging = true;
      redraw();
    }
  }

  private void move(double px, double py, boolean free) {
    if (dragging && course != null) {
      Course.Point p = point(px, py, free);
      List<Course.Point> points = new ArrayList<>(course.points());
      points.remove(picked);
      course =
          new Course(course.scope(), course.target(), points.isEmpty() ? List.of(p) : points)
              .with(p);
      picked = course.indexAt(p.tick());
      redraw();
    }
  }

  private void done() {
    if (dragging) {
      dragging = false;
      desk.edit(Moves.course(template(), at(), course));
    }
  }

  private void drop() {
    if (course.points().size() > 1) {
      List<Course.Point> points = new ArrayList<>(course.points());
      points.remove(picked);
      picked = Math.max(0, picked - 1);
      desk.edit(
          Moves.course(template(), at(), new Course(course.scope(), course.target(), points)));
    }
  }

  private void key(KeyEvent e) {
    if (course == null || e.isShortcutDown() || e.isAltDown()) {
      return;
    }
    picked = Math.max(0, Math.min(course.points().size() - 1, picked));
    switch (e.getCode()) {
      case LEFT -> picked = Math.max(0, picked - 1);
      case RIGHT -> picked = Math.min(course.points().size() - 1, picked + 1);
      case UP -> nudge(e.isShiftDown() ? 0.01 : 0.05);
      case DOWN -> nudge(e.isShiftDown() ? -0.01 : -0.05);
      case INSERT -> insert();
      case DELETE, BACK_SPACE -> drop();
      default -> {
        return;
      }
    }
    redraw();
    e.consume();
  }

  private void nudge(double by) {
    Course.Point p = course.points().get(picked);
    double share = course.target().share(p.value()) + by;
    set(new Course.Point(p.tick(), course.target().value(share)));
  }

  /** A point in the middle between the picked one and the next. */
  private void insert() {
    List<Course.Point> points = course.points();
    int from = points.get(picked).tick();
    int to = picked + 1 < points.size() ? points.get(picked + 1).tick() : template().ticks(at());
    int tick = (from + to) / 2;
    set(new Course.Point(tick, course.at(tick)));
    picked = course.indexAt(tick);
  }

  private void set(Course.Point p) {
    desk.edit(Moves.course(template(), at(), course.with(p)));
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    if (course == null || template() == null) {
      return;
    }
    g.setFont(Font.font(Theme.TEXT_FAMILY, 12));
    g.setTextBaseline(VPos.TOP);
    g.setFill(colour(Hue.INK));
    g.fillText(course.target().words(), 0, EDGE, LEFT - 8);
    g.setFill(colour(Hue.QUIET));
    Course.Point at = course.points().get(Math.min(picked, course.points().size() - 1));
    g.fillText(
        (Words.number(at.value()) + " " + course.target().unit()).strip()
            + ", beat "
            + Words.number(1 + (double) at.tick() / template().meter().ticksPerBeat()),
        0,
        EDGE + 18,
        LEFT - 8);
    g.setStroke(colour(Hue.LINE));
    for (int tick = 0; tick <= template().ticks(at()); tick += template().ticksPerBar()) {
      double x = Math.round(x(tick)) + 0.5;
      g.strokeLine(x, EDGE, x, h - EDGE);
    }
    double usual = y(course.target().rest());
    g.setLineDashes(3, 4);
    g.strokeLine(LEFT, usual, w - 10, usual);
    g.setLineDashes();
    line(g);
    g.setFill(colour(Hue.ECHO));
    for (int k = 0; k < course.points().size(); k++) {
      Course.Point p = course.points().get(k);
      double r = k == picked && isFocused() ? 5.5 : 4;
      g.fillOval(x(p.tick()) - r, y(p.value()) - r, 2 * r, 2 * r);
    }
  }

  private void line(GraphicsContext g) {
    g.setStroke(colour(Hue.ECHO));
    g.setLineWidth(1.5);
    double before = y(course.points().get(0).value());
    double from = LEFT;
    for (Course.Point p : course.points()) {
      double x = x(p.tick());
      double y = y(p.value());
      g.strokeLine(from, before, x, y);
      from = x;
      before = y;
    }
    g.strokeLine(from, before, getWidth() - 10, before);
    g.setLineWidth(1);
  }
}
