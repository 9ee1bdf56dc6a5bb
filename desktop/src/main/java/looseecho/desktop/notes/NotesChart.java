package looseecho.desktop.notes;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.notes.NotesView.Ribbon;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Tone;
import looseecho.notes.Line;
import looseecho.pulse.Meter;

/**
 * Lines of notes as ribbons on ladders of scale degrees: chords above, the riff (or the chords'
 * notes) in the middle, the bass with the kicks below. The echo's notes of the chosen line can be
 * picked, dragged and changed by keys.
 */
final class NotesChart extends ChartPane {
  private static final double NAMES = 92;
  private static final double HEAD = 24;
  private static final double CHORDS = 30;
  private static final double KICKS = 22;
  private static final double GAP = 10;
  private static final double GRIP = 7; // pixels at a note's end that lengthen it

  private final NoteEditor editor;
  private final Consumer<LinePart> choose;
  private final Consumer<String> hint;
  private NotesView view = NotesView.EMPTY;
  private List<Tone> preview;
  private Drag drag;

  private enum Kind {
    MOVE,
    LENGTH,
    FRAME
  }

  private record Drag(Kind kind, double x, double y, double toX, double toY) {
    Drag to(double newX, double newY) {
      return new Drag(kind, x, y, newX, newY);
    }
  }

  NotesChart(NoteEditor editor, Consumer<LinePart> choose, Consumer<String> hint) {
    this.editor = editor;
    this.choose = choose;
    this.hint = hint;
    setId("notes");
    setPrefHeight(380);
    setMinHeight(160);
    setFocusTraversable(true);
    setAccessibleText("Notes of bass, riff and chords on the degrees of the key");
    focusedProperty().addListener((o, a, b) -> redraw());
    setOnMouseMoved(e -> tell(e.getX(), e.getY()));
    setOnMousePressed(this::pressed);
    setOnMouseDragged(
        e -> {
          if (drag != null) {
            drag = drag.to(e.getX(), e.getY());
            redraw();
          }
        });
    setOnMouseReleased(this::released);
    NoteKeys keys = new NoteKeys(editor, () -> view, hint);
    setOnKeyPressed(
        e -> {
          if (keys.take(e)) {
            e.consume();
            redraw();
          }
        });
  }

  /**
   * Shows bars; {@code cleaned} replaces the chosen line's echo while a clean-up is tried, or null.
   */
  void show(NotesView shown, List<Tone> cleaned) {
    view = shown;
    preview = cleaned;
    editor.refresh();
    redraw();
  }

  private LinePart upper() {
    return isBass(editor.line()) ? Part.of(Line.RIFF) : editor.line();
  }

  private LinePart lower() {
    return isBass(editor.line()) ? editor.line() : Part.of(Line.BASS);
  }

  static boolean isBass(LinePart part) {
    return part.line() == Line.BASS;
  }

  private Map<LinePart, Ladder> ladders() {
    double top = HEAD + CHORDS + GAP;
    double room = Math.max(60, getHeight() - top - KICKS - GAP);
    Map<LinePart, Ladder> out = new LinkedHashMap<>();
    out.put(upper(), ladder(upper(), top, room * 0.54));
    out.put(lower(), ladder(lower(), top + room * 0.54 + GAP, room * 0.46 - GAP));
    return out;
  }

  private Ladder ladder(LinePart line, double top, double height) {
    int end = view.from() + view.ticks();
    List<Tone> inView =
        echo(line).stream().filter(n -> n.tick() < end && n.end() > view.from()).toList();
    return Ladder.of(view.key(), heard(line), inView, top, height);
  }

  private List<Ribbon> heard(LinePart line) {
    return view.heard().getOrDefault(line, List.of());
  }

  private List<Tone> echo(LinePart line) {
    return preview != null && line.equals(editor.line())
        ? preview
        : view.echo().getOrDefault(line, List.of());
  }

  private double tickWidth() {
    return (getWidth() - NAMES - 8) / view.ticks();
  }

  /** Pixel of a tick of the section. */
  double x(double tick) {
    return NAMES + (tick - view.from()) * tickWidth();
  }

  private int tickAt(double x) {
    int cell = (int) Math.floor((x - NAMES) / tickWidth() / editor.cell());
    return view.from() + cell * editor.cell();
  }

  private double start(Tone n) {
    return x(n.tick() + n.offsetMs() / view.tickMs());
  }

  /** Index of the chosen line's echo note under a point, -1 for none. */
  private int noteAt(double px, double py) {
    Ladder ladder = ladders().get(editor.line());
    List<Tone> notes = view.echo().getOrDefault(editor.line(), List.of());
    double near = Math.max(6, ladder.rungHeight() / 2);
    for (int i = notes.size() - 1; i >= 0; i--) {
      Tone n = notes.get(i);
      double left = start(n) - 3;
      double right = Math.max(left + 10, x(n.end()) + 3);
      if (px >= left && px <= right && Math.abs(py - ladder.y(n.pitch())) <= near) {
        return i;
      }
    }
    return -1;
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    Map<LinePart, Ladder> ladders = ladders();
    for (var l : ladders.entrySet()) {
      if (l.getValue().holds(e.getY()) && !l.getKey().equals(editor.line())) {
        choose.accept(l.getKey());
      }
    }
    int i = noteAt(e.getX(), e.getY());
    if (i < 0) {
      if (e.getClickCount() == 2) {
        Ladder ladder = ladders().get(editor.line());
        int pitch = view.key().pitch(ladder.rungAt(e.getY()));
        editor.add(tickAt(e.getX()), pitch, view.beatTicks() / 2);
        return;
      }
      drag = new Drag(Kind.FRAME, e.getX(), e.getY(), e.getX(), e.getY());
    } else {
      Tone n = view.echo().get(editor.line()).get(i);
      if (!editor.selected().contains(i)) {
        editor.select(List.of(i), e.isShiftDown());
      }
      editor.hear();
      boolean end = e.getX() > x(n.end()) - GRIP && n.lengthTicks() > Meter.STEP;
      drag = new Drag(end ? Kind.LENGTH : Kind.MOVE, e.getX(), e.getY(), e.getX(), e.getY());
    }
    redraw();
  }

  private void released(MouseEvent e) {
    Drag done = drag;
    drag = null;
    if (done == null) {
      return;
    }
    int steps = (int) Math.round((e.getX() - done.x()) / tickWidth() / editor.cell());
    int rungs = (int) Math.round((done.y() - e.getY()) / ladders().get(editor.line()).rungHeight());
    switch (done.kind()) {
      case FRAME -> editor.select(inside(done), e.isShiftDown());
      case MOVE -> {
        if (steps != 0 || rungs != 0) {
          editor.move(steps, rungs);
        }
      }
      case LENGTH -> {
        if (steps != 0) {
          editor.lengthen(steps);
        }
      }
      default -> throw new IllegalStateException("no such drag: " + done.kind());
    }
    redraw();
  }

  private List<Integer> inside(Drag d) {
    List<Integer> out = new ArrayList<>();
    List<Tone> notes = view.echo().getOrDefault(editor.line(), List.of());
    Ladder ladder = ladders().get(editor.line());
    for (int i = 0; i < notes.size(); i++) {
      double nx = start(notes.get(i));
      double ny = ladder.y(notes.get(i).pitch());
      if (nx >= Math.min(d.x(), d.toX())
          && nx <= Math.max(d.x(), d.toX())
          && ny >= Math.min(d.y(), d.toY())
          && ny <= Math.max(d.y(), d.toY())) {
        out.add(i);
      }
    }
    return out;
  }

  private void tell(double px, double py) {
    StringBuilder words = new StringBuilder();
    for (var l : ladders().entrySet()) {
      for (Ribbon r : heard(l.getKey())) {
        boolean on = px >= x(r.tick()) - 3 && px <= x(r.tick() + r.length()) + 3;
        if (on
            && Math.abs(py - l.getValue().y(r.pitch()))
                <= Math.max(7, l.getValue().rungHeight() / 2)) {
          words.append(editor.name(l.getKey())).append(" heard: ").append(r.words());
        }
      }
    }
    int i = noteAt(px, py);
    if (i >= 0) {
      words.append(words.isEmpty() ? "" : "   ").append("echo: ");
      words.append(view.words(view.echo().get(editor.line()).get(i)));
    }
    hint.accept(words.toString());
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    g.setTextBaseline(VPos.CENTER);
    NotesPainter painter =
        new NotesPainter(g, this::colour, view, this::x, tickWidth(), editor.cell());
    Map<LinePart, Ladder> ladders = ladders();
    painter.grid(HEAD, h - KICKS);
    painter.chords(HEAD, CHORDS, NAMES);
    ladders.forEach(
        (line, ladder) -> {
          painter.rungs(ladder, editor.name(line), line.equals(editor.line()), NAMES, w - 8);
          painter.echo(
              echo(line),
              ladder,
              line.equals(editor.line()) ? editor.selected() : java.util.Set.of());
          painter.heard(heard(line), ladder);
        });
    painter.kicks(h - KICKS / 2);
    if (drag != null) {
      painter.drag(drag.kind() == Kind.FRAME, drag.x(), drag.y(), drag.toX(), drag.toY());
    }
  }
}
