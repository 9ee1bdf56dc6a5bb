package looseecho.desktop.river;

import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.EachFrame;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.EchoSound;
import looseecho.desktop.session.Peaks;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Reference;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Template;
import looseecho.form.Event;
import looseecho.form.Section;
import looseecho.pulse.Beat;

/**
 * The whole track. Click to move, click a section's name to loop it, drag to loop bars, double
 * click to loop nothing.
 */
public final class RiverView extends ChartPane {
  private static final double NAMES = 22;
  private static final double SIDE = 16;
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final EchoMaker maker;
  private double dragFrom = -1;
  private double loopStart;
  private double loopEnd;
  private double drawnPosition = -1;

  public RiverView(Desk desk, Selection selection, Playback playback, EchoMaker maker) {
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    this.maker = maker;
    setId("river");
    setPrefHeight(132);
    setMinHeight(110);
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    setAccessibleText("The whole track with its bars and sections");
    follow(desk.referenceProperty());
    follow(playback.thereProperty());
    follow(desk.analysisProperty());
    follow(maker.echoProperty());
    follow(selection.sectionProperty());
    desk.referenceProperty().addListener((o, a, b) -> loop(0, 0));
    setOnMousePressed(this::pressed);
    setOnMouseDragged(this::dragged);
    setOnMouseReleased(e -> dragFrom = -1);
    EachFrame.of(
        this,
        () -> {
          if (Math.abs(playback.player().position() - drawnPosition) > 0.005) {
            redraw();
          }
        });
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    if (desk.referenceProperty().get() == null) {
      return;
    }
    double time = time(e.getX());
    if (e.getClickCount() == 2) {
      loop(0, 0);
    } else if (e.getY() < NAMES) {
      selectSection(time);
    } else {
      playback.player().seek(time);
      sectionAt(time).ifPresent(selection.sectionProperty()::set); // the benches look there, too
      dragFrom = time;
    }
    redraw();
  }

  private void dragged(MouseEvent e) {
    if (dragFrom < 0 || desk.analysisProperty().get() == null) {
      return;
    }
    double to = time(e.getX());
    if (Math.abs(to - dragFrom) > 0.15) {
      loop(nearestBar(Math.min(dragFrom, to)), nearestBar(Math.max(dragFrom, to)));
      redraw();
    }
  }

  private double nearestBar(double time) {
    return desk.analysisProperty()
        .get()
        .pulse()
        .flatMap(
            p ->
                p.beats().stream()
                    .filter(b -> b.position() == 1)
                    .map(Beat::time)
                    .min(java.util.Comparator.comparingDouble(t -> Math.abs(t - time))))
        .orElse(time);
  }

  private void selectSection(double time) {
    sectionAt(time)
        .ifPresent(
            i -> {
              Section s = desk.analysisProperty().get().form().sections().get(i);
              selection.sectionProperty().set(i);
              loop(s.start(), s.end());
              playback.player().seek(s.start());
            });
  }

  /** The heard section at a second, as far as the echo has as many. */
  private OptionalInt sectionAt(double time) {
    Analysis a = desk.analysisProperty().get();
    Template t = desk.templateProperty().get();
    if (a == null || t == null) {
      return OptionalInt.empty();
    }
    List<Section> all = a.form().sections();
    return IntStream.range(0, Math.min(all.size(), t.sections().size()))
        .filter(i -> time >= all.get(i).start() && time < all.get(i).end())
        .findFirst();
  }

  private void loop(double start, double end) {
    loopStart = start;
    loopEnd = end;
    playback.player().loop(start, end);
  }

  private double duration() {
    Reference r = desk.referenceProperty().get();
    return r == null ? 1 : r.peaks().duration();
  }

  private double x(double time) {
    return SIDE + time / duration() * (getWidth() - 2 * SIDE);
  }

  private double time(double x) {
    return Math.max(0, Math.min(duration(), (x - SIDE) / (getWidth() - 2 * SIDE) * duration()));
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    g.setFill(colour(Hue.PANEL));
    g.fillRect(0, 0, w, h);
    Reference r = desk.referenceProperty().get();
    double water = NAMES + (h - NAMES) * 0.56;
    g.setStroke(colour(Hue.LINE));
    g.strokeLine(0, Math.round(h) - 0.5, w, Math.round(h) - 0.5);
    if (r == null) {
      return;
    }
    drawBars(g, h);
    drawLoop(g, h);
    EchoSound e = maker.echoProperty().get();
    if (e != null) {
      g.setFill(colour(Hue.ECHO, 0.75));
      trace(g, e.peaks(), e.gain(), water + 2, h - 8 - water);
      g.fill();
    }
    g.setStroke(colour(Hue.HEARD));
    g.setLineWidth(1.5);
    trace(g, r.peaks(), r.gain(), water, -(water - NAMES - 4));
    g.stroke();
    g.setLineWidth(1);
    g.setStroke(colour(Hue.QUIET, 0.6));
    g.strokeLine(SIDE, water + 0.5, w - SIDE, water + 0.5);
    drawPlayhead(g, h);
  }

  /** Outline of the peaks over a base line; positive heights go down. */
  private void trace(GraphicsContext g, Peaks peaks, double gain, double base, double height) {
    g.beginPath();
    g.moveTo(SIDE, base);
    double end = x(Math.min(duration(), peaks.duration()));
    for (double px = SIDE; px <= end; px += 2) {
      double p = Math.min(1, gain * peaks.peak(time(px), time(px + 2)));
      g.lineTo(px, base + height * Math.pow(p, 0.8));
    }
    g.lineTo(end, base);
  }

  private void drawBars(GraphicsContext g, double h) {
    var a = desk.analysisProperty().get();
    if (a == null) {
      return;
    }
    g.setFont(Font.font(Theme.TEXT_FAMILY, 13));
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.LEFT);
    a.pulse()
        .ifPresent(
            p -> {
              double gap = (getWidth() - 2 * SIDE) / Math.max(1, p.bars().size());
              int every = gap < 5 ? 8 : gap < 12 ? 4 : 1;
              for (Beat b : p.beats()) {
                if (b.position() == 1 && Math.floorMod(b.bar() - 1, every) == 0) {
                  double bx = Math.round(x(b.time())) + 0.5;
                  g.setStroke(colour(Hue.LINE));
                  g.strokeLine(bx, h - 7, bx, h);
                }
              }
            });
    int i = 0;
    for (Section s : a.form().sections()) {
      double left = x(s.start());
      double right = x(s.end());
      boolean chosen = i++ == selection.sectionProperty().get();
      if (chosen) {
        g.setFill(colour(Hue.WASH));
        g.fillRect(left, 0, right - left, h - 1);
      }
      g.setStroke(colour(Hue.QUIET, s.confidence() < 0.6 ? 0.45 : 0.9));
      g.setLineDashes(s.confidence() < 0.6 ? new double[] {3, 3} : new double[0]);
      g.strokeLine(Math.round(left) + 0.5, 4, Math.round(left) + 0.5, h - 8);
      g.setLineDashes((double[]) null);
      g.setFill(colour(Hue.INK));
      String name = s.label() + "  " + s.role();
      g.fillText(right - left > 62 ? name : s.label(), left + 6, 12, Math.max(8, right - left - 8));
    }
    for (Event e : a.form().events()) {
      double left = x(e.start());
      double right = Math.max(left + 2, x(e.end()));
      if (e.kind() == Event.Kind.STOP) {
        g.setFill(colour(Hue.DOUBT, 0.25));
        g.fillRect(left, NAMES, right - left, h - NAMES - 8);
      } else {
        g.setStroke(colour(Hue.QUIET));
        g.strokeLine(left, NAMES + 0.5, right, NAMES + 0.5);
      }
    }
  }

  private void drawLoop(GraphicsContext g, double h) {
    if (loopEnd > loopStart) {
      g.setStroke(colour(Hue.INK));
      g.setLineWidth(2);
      double a = x(loopStart);
      double b = x(loopEnd);
      g.strokeLine(a, h - 3, b, h - 3);
      g.strokeLine(a, h - 8, a, h - 2);
      g.strokeLine(b, h - 8, b, h - 2);
      g.setLineWidth(1);
    }
  }

  private void drawPlayhead(GraphicsContext g, double h) {
    drawnPosition = playback.player().position();
    double px = Math.round(x(drawnPosition)) + 0.5;
    g.setStroke(colour(Hue.INK));
    g.strokeLine(px, NAMES, px, h - 2);
    g.setFill(colour(Hue.INK));
    g.fillPolygon(new double[] {px - 5, px + 5, px}, new double[] {NAMES, NAMES, NAMES + 8}, 3);
  }
}
