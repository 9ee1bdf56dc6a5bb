package looseecho.desktop.ground;

import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.text.Font;
import looseecho.analysis.Analysis;
import looseecho.audio.Audio;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.EachFrame;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.control.TimeWindow;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Reference;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.pulse.Beat;

/**
 * The wave with beat and bar lines, from the whole track down to single samples. The wheel zooms at
 * the pointer, dragging moves, a click sets the playhead.
 */
public final class WaveChart extends ChartPane {
  private static final double HEAD = 20;
  private static final double STEP = 1.5; // pixels between points of the outline
  private static final double SAMPLES_PER_PIXEL = 6; // below this the wave itself is drawn
  private static final double DOTS = 0.25; // samples per pixel below which each is a dot
  private static final double DRAG = 4;
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final TimeWindow window = new TimeWindow(TimeWindow.USUAL);
  private double drawn = -1;
  private double pressedAt;
  private double draggedTo;
  private boolean dragging;

  public WaveChart(Desk desk, Selection selection, Playback playback) {
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    setId("wave");
    setPrefHeight(170);
    setMinHeight(90);
    setFocusTraversable(true);
    setAccessibleText("The wave with its beats");
    follow(desk.referenceProperty());
    follow(playback.thereProperty());
    follow(desk.analysisProperty());
    desk.referenceProperty().addListener((o, a, b) -> track(b));
    track(desk.referenceProperty().get());
    setOnScroll(this::scrolled);
    setOnMousePressed(this::pressed);
    setOnMouseDragged(this::dragged);
    setOnMouseReleased(this::released);
    setOnKeyPressed(this::key);
    HereMenu.on(
        this,
        "Bar 1 here",
        "1",
        "Nearer",
        "Plus",
        "Farther",
        "Minus",
        "The whole track",
        "Home",
        "Back to the playhead",
        "End");
    EachFrame.of(
        this,
        () -> {
          if (playback.player().position() != drawn) {
            window.show(playback.player().position(), playback.player().playing());
            redraw();
          }
        });
  }

  private void track(Reference r) {
    window.track(r == null ? 1 : r.peaks().duration());
    window.zoom(selection.waveSecondsProperty().get() / window.span(), 0);
  }

  /** As near as the person left it: the next track and the next start show it so. */
  private void zoomed() {
    selection.waveSecondsProperty().set(window.span());
    redraw();
  }

  /** The stretch shown, to be measured and tested. */
  public TimeWindow window() {
    return window;
  }

  private void scrolled(ScrollEvent e) {
    if (e.isShiftDown() || Math.abs(e.getDeltaX()) > Math.abs(e.getDeltaY())) {
      window.move(-(e.getDeltaX() + e.getDeltaY()) / getWidth());
    } else {
      window.zoom(Math.pow(1.2, -e.getDeltaY() / 40), e.getX() / getWidth());
    }
    zoomed();
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    pressedAt = e.getX();
    draggedTo = e.getX();
    dragging = false;
  }

  private void dragged(MouseEvent e) {
    dragging |= Math.abs(e.getX() - pressedAt) > DRAG;
    if (dragging) {
      window.move((draggedTo - e.getX()) / getWidth());
      draggedTo = e.getX();
      redraw();
    }
  }

  private void released(MouseEvent e) {
    if (!dragging) {
      window.follow();
      playback.player().seek(nearestBeat(window.seconds(e.getX() / getWidth())));
      redraw();
    }
  }

  private void key(KeyEvent e) {
    double at = Math.max(0, Math.min(1, window.share(playback.player().position())));
    switch (e.getCode()) {
      case DIGIT1 -> barOneHere();
      case PLUS, EQUALS, ADD -> window.zoom(0.7, at);
      case MINUS, SUBTRACT -> window.zoom(1.4, at);
      case LEFT -> window.move(-0.2);
      case RIGHT -> window.move(0.2);
      case HOME -> window.whole();
      case END -> {
        window.follow();
        window.zoom(TimeWindow.USUAL / window.span(), at);
        window.show(playback.player().position(), false);
      }
      default -> {
        return;
      }
    }
    e.consume();
    zoomed();
  }

  private void barOneHere() {
    double at = playback.player().position();
    desk.correct(c -> c.withBarOneAt(at), String.format(Locale.ROOT, "Bar 1 set at %.2f s", at));
  }

  /** The beat that a click means; the clicked second itself where no beat is near. */
  private double nearestBeat(double time) {
    Analysis a = desk.analysisProperty().get();
    if (a == null || a.pulse().isEmpty()) {
      return time;
    }
    var p = a.pulse().get();
    double beat = p.timeAt(Math.rint(p.beatsAt(time)));
    return Math.abs(beat - time) < window.span() / 60 ? beat : time;
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    Reference r = desk.referenceProperty().get();
    if (r == null) {
      return;
    }
    drawn = playback.player().position();
    g.setFill(colour(Hue.PANEL));
    g.fillRect(0, HEAD, w, h - HEAD);
    drawBeats(g, w, h);
    g.setStroke(colour(Hue.HEARD));
    g.setLineWidth(1.5);
    boolean near = window.span() * r.audio().sampleRate() / w < SAMPLES_PER_PIXEL;
    if (near && r.peaks().isMeasured()) { // this thread waits for no sound
      samples(g, r.audio(), w, h);
    } else {
      outline(g, r, w, h);
    }
    g.setLineWidth(1);
    double x = Math.round(window.share(drawn) * w) + 0.5;
    g.setStroke(colour(Hue.INK));
    g.strokeLine(x, HEAD - 4, x, h);
  }

  private void outline(GraphicsContext g, Reference r, double w, double h) {
    double middle = HEAD + (h - HEAD) / 2;
    int points = (int) (w / STEP) + 1;
    double[] peaks = new double[points];
    for (int i = 0; i < points; i++) {
      double from = window.seconds(i * STEP / w);
      peaks[i] = r.peaks().peak(from, from + STEP / w * window.span()) * (h - HEAD - 10) / 2;
    }
    for (int side = -1; side <= 1; side += 2) {
      g.beginPath();
      g.moveTo(0, middle + side * peaks[0]);
      for (int i = 1; i < points; i++) {
        g.lineTo(i * STEP, middle + side * peaks[i]);
      }
      g.stroke();
    }
  }

  /** The middle of both sides, sample by sample. */
  private void samples(GraphicsContext g, Audio audio, double w, double h) {
    double middle = HEAD + (h - HEAD) / 2;
    double rate = audio.sampleRate();
    int first = Math.max(0, (int) Math.floor(window.left() * rate));
    int last =
        Math.min(audio.length() - 1, (int) Math.ceil((window.left() + window.span()) * rate));
    boolean dots = window.span() * rate / w < DOTS;
    g.beginPath();
    for (int i = first; i <= last; i++) {
      double x = window.share(i / rate) * w;
      double y = middle - (audio.left(i) + audio.right(i)) / 2 * (h - HEAD - 10) / 2;
      if (i == first) {
        g.moveTo(x, y);
      } else {
        g.lineTo(x, y);
      }
      if (dots) {
        g.strokeOval(x - 2, y - 2, 4, 4);
      }
    }
    g.stroke();
  }

  private void drawBeats(GraphicsContext g, double w, double h) {
    Analysis a = desk.analysisProperty().get();
    if (a == null || a.pulse().isEmpty()) {
      return;
    }
    g.setFont(Font.font(Theme.NUMBER_FAMILY, 12));
    g.setTextBaseline(VPos.CENTER);
    var p = a.pulse().get();
    double beatWidth = w / window.span() * 60 / p.tempo().value();
    double barWidth = beatWidth * p.beatsPerBar();
    int every = barWidth > 24 ? 1 : barWidth > 6 ? 4 : 16;
    int last = p.beats().size() - 1;
    int to = Math.min(last, p.beatAt(window.left() + window.span()) + 1);
    for (int i = Math.max(0, p.beatAt(window.left())); i <= to; i++) {
      Beat b = p.beats().get(i);
      boolean one = b.position() == 1;
      if (!one && beatWidth < 7 || one && Math.floorMod(b.bar() - 1, every) != 0) {
        continue;
      }
      double x = Math.round(window.share(b.time()) * w) + 0.5;
      g.setStroke(one ? colour(Hue.QUIET) : colour(Hue.LINE));
      g.strokeLine(x, HEAD, x, h);
      if (one || beatWidth > 44) {
        g.setFill(one ? colour(Hue.INK) : colour(Hue.QUIET));
        String bar = barWidth * every > 70 ? "bar " + b.bar() : String.valueOf(b.bar());
        g.fillText(one ? bar : "." + b.position(), x + 3, HEAD / 2);
      }
    }
  }
}
