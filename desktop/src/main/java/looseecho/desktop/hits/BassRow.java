package looseecho.desktop.hits;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import looseecho.desktop.hits.BarRows.BassMark;
import looseecho.desktop.theme.Theme;

/** The bass under the lanes: heard as outlines, the echo's solid below them with its note names. */
record BassRow(Color ink, Color heard, Color echo) {
  static final double HEIGHT = 46;

  /** Draws the notes; {@code x} gives the place of a step, {@code end} the right border. */
  void draw(
      GraphicsContext g, List<BassMark> notes, double top, DoubleUnaryOperator x, double end) {
    double y = top + HEIGHT / 2 + 4;
    g.setFont(Font.font(Theme.TEXT_FAMILY, 14));
    g.setFill(ink);
    g.fillText("bass", 26, y);
    g.setFont(Font.font(Theme.NUMBER_FAMILY, 12));
    for (BassMark m : notes) {
      double left = x.applyAsDouble(m.step()) - 1;
      double right = Math.min(end, x.applyAsDouble(m.step() + m.lengthSteps()) - 2);
      if (m.heard()) {
        g.setStroke(heard);
        g.setLineWidth(1.5);
        g.strokeRoundRect(left, y - 14, Math.max(4, right - left), 12, 6, 6);
        g.setLineWidth(1);
      } else {
        g.setFill(echo);
        g.fillRoundRect(left, y, Math.max(4, right - left), 6, 4, 4);
        g.setFill(ink);
        g.fillText(m.name(), left, y + 15, Math.max(22, right - left));
      }
    }
  }
}
