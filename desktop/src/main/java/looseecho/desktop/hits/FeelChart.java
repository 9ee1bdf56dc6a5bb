package looseecho.desktop.hits;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import looseecho.activity.Lane;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.Glyphs;
import looseecho.desktop.theme.Theme;
import looseecho.hits.TypicalBar;
import looseecho.hits.TypicalBar.Slot;
import looseecho.pulse.Meter;

/**
 * How early or late each lane is on each step of the typical bar: a lane per row, late below its
 * line and early above it, with the spread as a stroke.
 */
final class FeelChart extends ChartPane {
  private static final double NAMES = 126;
  private static final double HEAD = 26;
  private static final double LEAST_RANGE_MS = 20;
  private TypicalBar bar = new TypicalBar(0, java.util.Map.of());
  private int steps = 16;
  private int stepsPerBeat = 4;

  FeelChart() {
    setId("feel");
    setPrefHeight(380);
    setMinHeight(160);
    setAccessibleText("How early or late each drum is on each step");
  }

  void show(TypicalBar shown, int count, int perBeat) {
    bar = shown;
    steps = count;
    stepsPerBeat = perBeat;
    redraw();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    List<Lane> lanes = new ArrayList<>(bar.lanes().keySet());
    lanes.sort(java.util.Comparator.comparingInt(Lane.SHOWN::indexOf));
    if (lanes.isEmpty()) {
      return;
    }
    double range = LEAST_RANGE_MS;
    for (List<Slot> slots : bar.lanes().values()) {
      for (Slot s : slots) {
        range = Math.max(range, Math.abs(s.offsetMs()) + s.spreadMs());
      }
    }
    range = Math.min(60, range);
    double row = Math.min(84, (h - HEAD) / lanes.size());
    double step = (w - NAMES - 8) / steps;
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.CENTER);
    for (int s = 0; s < steps; s++) {
      double x = Math.round(NAMES + (s + 0.5) * step) + 0.5;
      boolean beat = s % stepsPerBeat == 0;
      g.setStroke(beat ? colour(Hue.QUIET, 0.7) : colour(Hue.LINE));
      g.strokeLine(x, HEAD - 4, x, HEAD + row * lanes.size());
      g.setFont(Font.font(Theme.NUMBER_FAMILY, beat ? 14 : 12));
      g.setFill(beat ? colour(Hue.INK) : colour(Hue.QUIET));
      g.fillText(String.valueOf(s + 1), x, HEAD / 2 - 2);
    }
    g.setTextAlign(TextAlignment.LEFT);
    for (int i = 0; i < lanes.size(); i++) {
      lane(g, lanes.get(i), HEAD + (i + 0.5) * row, row, step, range);
    }
  }

  private void lane(GraphicsContext g, Lane lane, double y, double row, double step, double range) {
    double scale = (row / 2 - 4) / range;
    g.setStroke(colour(Hue.LINE));
    g.strokeLine(NAMES, Math.round(y) + 0.5, getWidth() - 8, Math.round(y) + 0.5);
    g.setFill(colour(Hue.QUIET));
    Glyphs.solid(g, lane, 10, y, 13);
    g.setFont(Font.font(Theme.TEXT_FAMILY, 14));
    g.setFill(colour(Hue.INK));
    g.fillText(lane.words(), 26, y);
    g.setFont(Font.font(Theme.NUMBER_FAMILY, 12));
    for (Slot s : bar.lanes().get(lane)) {
      if (s.step() > steps || s.share() < 0.25) {
        continue;
      }
      double x = NAMES + ((double) s.tick() / Meter.STEP + 0.5) * step;
      double at = y + s.offsetMs() * scale;
      g.setStroke(colour(Hue.HEARD, 0.3 + 0.7 * s.share()));
      g.setLineWidth(1.5);
      g.strokeLine(x, at - s.spreadMs() * scale, x, at + s.spreadMs() * scale);
      g.setLineWidth(1);
      Glyphs.hollow(g, lane, x, at, 11, 1.4);
      if (Math.abs(s.offsetMs()) >= 5 && step > 34) {
        g.setFill(colour(Hue.QUIET));
        g.fillText(
            String.format(java.util.Locale.ROOT, "%+.0f", s.offsetMs()).replace('-', '\u2212'),
            x + 8,
            at);
      }
    }
  }
}
