package looseecho.desktop.notes;

import java.util.List;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import looseecho.activity.Lane;
import looseecho.desktop.control.ChartPane.Hue;
import looseecho.desktop.control.Glyphs;
import looseecho.desktop.notes.NotesView.ChordMark;
import looseecho.desktop.notes.NotesView.Kick;
import looseecho.desktop.notes.NotesView.Ribbon;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Tone;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;

/** Draws the parts of the notes chart. */
record NotesPainter(
    GraphicsContext g,
    Function<Hue, Color> colour,
    NotesView view,
    DoubleUnaryOperator x,
    double tickWidth,
    int cell) {
  private static final double MOST_RIBBON = 15;

  void grid(double top, double bottom) {
    for (BarGrid.Bar bar : view.bars()) {
      for (int tick = bar.from(); tick < bar.end(); tick += cell) {
        int inBar = bar.inBar(tick);
        if (inBar % view.beatTicks() != 0) {
          line(tick, false, false, top, bottom);
        }
      }
      for (int tick = bar.from(); tick < bar.end(); tick += view.beatTicks()) {
        line(tick, bar.inBar(tick) == 0, true, top, bottom);
      }
      text(Theme.NUMBER_FAMILY, 14, Hue.INK);
      g.fillText("bar " + bar.number(), Math.round(x.applyAsDouble(bar.from())) + 5.5, 12);
    }
    line(view.from() + view.ticks(), true, true, top, bottom);
  }

  private void line(int tick, boolean bar, boolean beat, double top, double bottom) {
    double px = Math.round(x.applyAsDouble(tick)) + 0.5;
    if (beat || tickWidth * cell > 9) {
      Color c = bar ? colour.apply(Hue.QUIET) : colour.apply(Hue.LINE);
      g.setStroke(beat ? c : c.deriveColor(0, 1, 1, 0.45));
      g.strokeLine(px, bar ? 4 : top, px, bottom);
    }
  }

  private void text(String family, double size, Hue hue) {
    g.setFont(Font.font(family, size));
    g.setFill(colour.apply(hue));
  }

  /** Numerals with the chords' names, as open blocks. */
  void chords(double top, double height, double names) {
    text(Theme.TEXT_FAMILY, 14, Hue.INK);
    g.fillText("chords", 8, top + height / 2);
    for (ChordMark c : view.chords()) {
      double left = Math.max(names, x.applyAsDouble(c.tick()) + 1);
      double right =
          Math.min(
                  x.applyAsDouble(view.from() + view.ticks()),
                  x.applyAsDouble(c.tick() + c.length()))
              - 1;
      g.setStroke(colour.apply(Hue.HEARD).deriveColor(0, 1, 1, 0.4 + 0.6 * c.chord().confidence()));
      g.setLineWidth(1.5);
      g.strokeRoundRect(left, top + 2, Math.max(4, right - left), height - 4, 8, 8);
      g.setLineWidth(1);
      if (right - left > 24) {
        text(Theme.TEXT_FAMILY, 15, Hue.INK);
        String numeral = c.chord().numeral(view.key()).orElse("");
        g.fillText(numeral, left + 6, top + height / 2, right - left - 10);
        if (right - left > 86) {
          text(Theme.TEXT_FAMILY, 12, Hue.QUIET);
          g.fillText(c.chord().words(view.key()), left + 48, top + height / 2, right - left - 52);
        }
      }
    }
  }

  /** A line per degree, its name at the side; the home degree is marked. */
  void rungs(Ladder ladder, String name, boolean chosen, double names, double right) {
    for (int rung = ladder.low(); rung <= ladder.high(); rung++) {
      int pitch = view.key().pitch(rung);
      boolean home = Math.floorMod(pitch - view.key().tonic(), 12) == 0;
      double y = Math.round(ladder.yOfRung(rung)) + 0.5;
      g.setStroke(home ? colour.apply(Hue.QUIET) : colour.apply(Hue.LINE));
      g.setLineWidth(home ? 1.5 : 1);
      g.strokeLine(names, y, right, y);
      g.setLineWidth(1);
      if (home || ladder.rungHeight() >= 11) {
        text(Theme.NUMBER_FAMILY, home ? 13 : 12, home ? Hue.INK : Hue.QUIET);
        String degree = view.key().degree(pitch);
        g.fillText(home ? degree + " " + view.key().noteName(pitch) : degree, names - 36, y, 34);
      }
    }
    text(Theme.TEXT_FAMILY, 14, Hue.INK);
    double middle = ladder.top() + ladder.height() / 2;
    g.fillText(name, 8, middle);
    if (chosen) {
      g.setStroke(colour.apply(Hue.ECHO));
      g.setLineWidth(3);
      g.strokeLine(2, middle - 12, 2, middle + 12);
      g.setLineWidth(1);
    }
  }

  private double ribbon(Ladder ladder) {
    return Math.min(MOST_RIBBON, Math.max(6, ladder.rungHeight() * 0.85));
  }

  /** Open ribbons joined by a thin line; notes outside the key have a dotted edge and a ring. */
  void heard(List<Ribbon> notes, Ladder ladder) {
    double size = ribbon(ladder);
    Ribbon before = null;
    for (Ribbon n : notes) {
      double y = ladder.y(n.pitch());
      double left = x.applyAsDouble(n.tick());
      double width = Math.max(5, n.length() * tickWidth - 1);
      boolean inside = view.key().has(n.pitch());
      g.setStroke(colour.apply(Hue.HEARD).deriveColor(0, 1, 1, 0.35 + 0.65 * n.sure()));
      if (before != null && n.tick() - before.tick() - before.length() < Meter.STEP) {
        g.strokeLine(
            x.applyAsDouble(before.tick() + before.length()), ladder.y(before.pitch()), left, y);
      }
      g.setLineWidth(1 + 0.7 * n.sure());
      g.setLineDashes(inside ? new double[0] : new double[] {3, 3});
      g.strokeRoundRect(left, y - size / 2, width, size, size, size);
      g.setLineDashes(null);
      if (!inside) {
        g.strokeOval(left - 7, y - 2.5, 5, 5);
      }
      if (Math.abs(n.slideFrom() - n.pitch()) > 0.5) {
        double from = ladder.y(n.slideFrom());
        g.beginPath();
        g.moveTo(left - 8, from);
        g.bezierCurveTo(left + 2, from, left + 2, y, left + 10, y);
        g.stroke();
      }
      g.setLineWidth(1);
      before = n;
    }
  }

  /** Filled ribbons; the selected ones with an edge of ink. Soft notes are paler. */
  void echo(List<Tone> notes, Ladder ladder, Set<Integer> selected) {
    double size = Math.max(4, ribbon(ladder) * 0.55);
    int end = view.from() + view.ticks();
    for (int i = 0; i < notes.size(); i++) {
      Tone n = notes.get(i);
      if (n.end() <= view.from() || n.tick() >= end) {
        continue;
      }
      double y = ladder.y(n.pitch());
      double left =
          Math.max(
              x.applyAsDouble(view.from()),
              x.applyAsDouble(n.tick() + n.offsetMs() / view.tickMs()));
      double right = Math.min(x.applyAsDouble(end), x.applyAsDouble(n.end()));
      double width = Math.max(5, right - left - 1);
      g.setFill(colour.apply(Hue.ECHO).deriveColor(0, 1, 1, 0.4 + 0.6 * n.velocity() / 127.0));
      g.fillRoundRect(left, y - size / 2, width, size, size, size);
      if (selected.contains(i)) {
        g.setStroke(colour.apply(Hue.INK));
        g.setLineWidth(1.5);
        g.strokeRoundRect(left - 2, y - size / 2 - 2, width + 4, size + 4, size + 4, size + 4);
        g.setLineWidth(1);
      }
    }
  }

  /** Heard kicks under the bass; those that a bass note falls with have a foot line. */
  void kicks(double y) {
    text(Theme.TEXT_FAMILY, 14, Hue.INK);
    g.fillText("kick", 8, y);
    g.setStroke(colour.apply(Hue.HEARD));
    for (Kick k : view.kicks()) {
      double px = x.applyAsDouble(k.tick());
      Glyphs.hollow(g, Lane.KICK, px, y, 12, 1.4);
      if (k.withBass()) {
        g.strokeLine(px, y - 9, px, y - 16);
      }
    }
  }

  void drag(boolean frame, double fromX, double fromY, double toX, double toY) {
    g.setStroke(colour.apply(Hue.QUIET));
    g.setLineDashes(4, 3);
    if (frame) {
      g.strokeRect(
          Math.min(fromX, toX), Math.min(fromY, toY), Math.abs(toX - fromX), Math.abs(toY - fromY));
    } else {
      g.strokeLine(fromX, fromY, toX, toY);
    }
    g.setLineDashes(null);
  }
}
