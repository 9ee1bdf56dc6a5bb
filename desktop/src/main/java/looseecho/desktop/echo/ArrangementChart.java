package looseecho.desktop.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.Glyphs;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Course;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Transition;
import looseecho.echo.Words;

/**
 * Parts by sections: an outline where the part is heard, filled where the echo plays it, the fuller
 * the busier. The section and the part at work are framed.
 */
final class ArrangementChart extends ChartPane {
  private static final double NAMES = 126;
  private static final double HEAD = 22;
  private static final double ROW = 15;
  private static final double LEAST_ROW = 13; // beside a hint
  private final Desk desk;
  private final Selection selection;
  private final EchoMaker maker;
  private final Consumer<String> hint;

  ArrangementChart(Desk desk, Selection selection, EchoMaker maker, Consumer<String> hint) {
    this.desk = desk;
    this.selection = selection;
    this.maker = maker;
    this.hint = hint;
    setId("arrangement");
    setMinHeight(120);
    desk.templateProperty().addListener((o, a, b) -> fit());
    fit();
    setFocusTraversable(true);
    setAccessibleText("Which part plays in which section");
    focusedProperty().addListener((o, a, b) -> redraw());
    follow(desk.templateProperty());
    follow(selection.sectionProperty());
    follow(selection.partProperty());
    follow(maker.soundsProperty());
    setOnMousePressed(this::pressed);
    setOnMouseMoved(e -> tell(sectionAt(e.getX()), partAt(e.getY())));
    setOnKeyPressed(this::key);
  }

  private void fit() {
    setMinHeight(Math.max(60, HEAD + LEAST_ROW * parts().size() + 2));
    setPrefHeight(Math.max(60, HEAD + ROW * parts().size() + 2));
  }

  private Template template() {
    return desk.templateProperty().get();
  }

  /** Parts that are heard or written anywhere. */
  List<Part> parts() {
    List<Part> out = new ArrayList<>();
    if (template() != null) {
      out.addAll(Part.of(template()));
      if (desk.exact() != null) {
        Part.of(desk.exact()).stream().filter(p -> !out.contains(p)).forEach(out::add);
      }
    }
    return out;
  }

  /** The heard section that is like one of the echo; null when there is none. */
  TemplateSection heardLike(int section) {
    Template exact = desk.exact();
    if (exact == null) {
      return null;
    }
    TemplateSection s = template().sections().get(section);
    if (section < exact.sections().size()
        && exact.sections().get(section).label().equals(s.label())) {
      return exact.sections().get(section);
    }
    return exact.sections().stream()
        .filter(e -> e.label().equals(s.label()))
        .findFirst()
        .orElse(null);
  }

  private double rowHeight() {
    return Math.min(22, (getHeight() - HEAD) / Math.max(1, parts().size()));
  }

  private double x(int beat) {
    int beats = template().beats().size() - 1;
    return NAMES + (getWidth() - NAMES - 8) * beat / beats;
  }

  private int sectionAt(double px) {
    Template t = template();
    for (int s = 0; t != null && s < t.sections().size(); s++) {
      if (px >= x(t.firstBeat(s)) && px < x(t.firstBeat(s) + t.sections().get(s).beats())) {
        return s;
      }
    }
    return -1;
  }

  private int partAt(double py) {
    int row = (int) Math.floor((py - HEAD) / rowHeight());
    return row >= 0 && row < parts().size() ? row : -1;
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    e.consume(); // the pane around would take the focus
    int section = sectionAt(e.getX());
    int part = partAt(e.getY());
    if (section >= 0) {
      selection.sectionProperty().set(section);
    }
    if (part >= 0) {
      selection.partProperty().set(parts().get(part));
    }
  }

  private void key(KeyEvent e) {
    List<Part> parts = parts();
    if (parts.isEmpty() || e.isShortcutDown() || e.isAltDown() || e.isShiftDown()) {
      return;
    }
    int row = Math.max(0, parts.indexOf(selection.partProperty().get()));
    int section = selection.sectionProperty().get();
    int sections = template().sections().size();
    switch (e.getCode()) {
      case LEFT -> selection.sectionProperty().set(Math.max(0, section - 1));
      case RIGHT -> selection.sectionProperty().set(Math.min(sections - 1, section + 1));
      case UP -> selection.partProperty().set(parts.get(Math.max(0, row - 1)));
      case DOWN -> selection.partProperty().set(parts.get(Math.min(parts.size() - 1, row + 1)));
      default -> {
        return;
      }
    }
    tell(selection.sectionProperty().get(), parts.indexOf(selection.partProperty().get()));
    e.consume();
  }

  private void tell(int section, int row) {
    if (section < 0 || row < 0) {
      hint.accept("");
      return;
    }
    Part part = parts().get(row);
    TemplateSection s = template().sections().get(section);
    TemplateSection heard = heardLike(section);
    String unit = part instanceof DrumPart ? " hits" : " notes";
    hint.accept(
        template().name(part)
            + " in "
            + s.label()
            + " "
            + s.role()
            + ", "
            + Words.bars((double) s.beats() / template().beatsPerBar())
            + (heard == null ? "" : "   heard: " + part.size(heard) + unit)
            + "   echo: "
            + part.size(s)
            + unit);
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    Template t = template();
    if (t == null) {
      return;
    }
    List<Part> parts = parts();
    double row = rowHeight();
    g.setTextBaseline(VPos.CENTER);
    drawSections(g, t, HEAD + row * parts.size());
    for (int i = 0; i < parts.size(); i++) {
      Part part = parts.get(i);
      double y = HEAD + (i + 0.5) * row;
      boolean muted = maker.soundsProperty().get().strip(part).muted();
      g.setFill(colour(Hue.QUIET));
      Glyphs.solid(g, part, 10, y, 11);
      g.setFont(Font.font(Theme.TEXT_FAMILY, row < 17 ? 12 : 13));
      g.setFill(colour(muted ? Hue.QUIET : Hue.INK));
      g.fillText(t.name(part) + (muted ? " (off)" : ""), 26, y, NAMES - 30);
      double busiest = 1e-9;
      for (TemplateSection s : t.sections()) {
        busiest = Math.max(busiest, (double) part.size(s) / s.beats());
      }
      for (int s = 0; s < t.sections().size(); s++) {
        drawCell(g, part, s, y, row, busiest, muted);
      }
    }
  }

  private void drawSections(GraphicsContext g, Template t, double bottom) {
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      double left = Math.round(x(t.firstBeat(s))) + 0.5;
      double right = x(t.firstBeat(s) + section.beats());
      if (s == selection.sectionProperty().get()) {
        g.setFill(colour(Hue.WASH));
        g.fillRect(left, 0, right - left, bottom);
      }
      g.setStroke(colour(Hue.LINE));
      g.strokeLine(left, 0, left, bottom);
      drawMoves(g, t, s, left, right);
      g.setFont(Font.font(Theme.TEXT_FAMILY, 13));
      g.setFill(colour(Hue.INK));
      if (right - left > 14) {
        g.fillText(
            right - left > 64 ? section.label() + "  " + section.role() : section.label(),
            left + 4,
            HEAD / 2,
            right - left - 6);
      }
    }
  }

  /** What moves in a section, as a slope under its name; what leads into it, as a wedge. */
  private void drawMoves(GraphicsContext g, Template t, int s, double left, double right) {
    g.setFill(colour(Hue.ECHO));
    double scale = (right - left) / t.ticks(s);
    for (Transition x : t.sections().get(s).movement().transitions()) {
      double edge = left + x.tick() * scale;
      double from = Math.max(NAMES - 6, edge - Math.max(6, x.before() * scale));
      double to = edge + x.after() * scale;
      boolean leads = x.before() > 0;
      g.fillPolygon(
          new double[] {leads ? from : edge, edge, leads ? edge : to},
          new double[] {HEAD - 1, HEAD - 7, HEAD - 1},
          3);
    }
    g.setStroke(colour(Hue.ECHO));
    for (Course c : t.sections().get(s).movement().courses()) {
      Course.Point a = c.points().get(0);
      Course.Point b = c.points().get(c.points().size() - 1);
      boolean up = b.value() > a.value();
      double x1 = left + a.tick() * scale;
      double x2 = left + b.tick() * scale;
      g.strokeLine(x1, up ? HEAD - 2 : HEAD - 7, x2, up ? HEAD - 7 : HEAD - 2);
    }
    boolean own = maker.soundsProperty().get().letters().containsKey(t.sections().get(s).label());
    if (own) {
      g.fillOval(right - 8, 4, 5, 5); // it has sounds of its own
    }
  }

  private void drawCell(
      GraphicsContext g, Part part, int s, double y, double row, double busiest, boolean muted) {
    Template t = template();
    TemplateSection section = t.sections().get(s);
    double left = x(t.firstBeat(s)) + 2;
    double width = Math.max(3, x(t.firstBeat(s) + section.beats()) - left - 2);
    double height = row - 3;
    TemplateSection heard = heardLike(s);
    if (part.size(section) > 0) {
      double full = 0.3 + 0.7 * part.size(section) / section.beats() / busiest;
      g.setFill(colour(Hue.ECHO, muted ? 0.25 : 0.85));
      g.fillRoundRect(left + 2, y - height * full / 2 + 1, width - 4, height * full - 2, 5, 5);
    }
    if (heard != null && part.size(heard) > 0) {
      g.setStroke(colour(Hue.HEARD));
      g.setLineWidth(1.2);
      g.strokeRoundRect(left, y - height / 2, width, height, 6, 6);
      g.setLineWidth(1);
    }
    if (part.equals(selection.partProperty().get()) && s == selection.sectionProperty().get()) {
      g.setStroke(colour(Hue.INK));
      g.setLineWidth(isFocused() ? 2 : 1);
      g.strokeRoundRect(left - 1.5, y - row / 2 + 0.5, width + 3, row - 1, 7, 7);
      g.setLineWidth(1);
    }
  }
}
