package looseecho.desktop.control;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.shape.SVGPath;
import looseecho.activity.Lane;
import looseecho.echo.Part;
import looseecho.notes.Line;

/**
 * One shape per family, so that hue is never needed to tell them apart. Drawn in a box of -1..1.
 */
public final class Glyphs {
  private Glyphs() {}

  /** Outline of the lane's glyph as an SVG path in a box of -1..1. */
  private static String path(Lane lane) {
    return switch (lane) {
      case SNARE_2 -> "M0.08 -1 L0.6 -1 L-0.08 1 L-0.6 1 Z"; // leaning bar
      case CLAP_2 ->
          "M-0.3 -1 L0.15 -1 L-0.4 1 L-0.85 1 Z M0.4 -1 L0.85 -1 L0.3 1 L-0.15 1 Z"; // leaning pair
      case TOM_LOW -> "M0 -0.85 A0.85 0.85 0 1 1 -0.001 -0.85 Z"; // disc
      case TOM_HIGH ->
          "M0 -0.85 A0.85 0.85 0 1 1 -0.001 -0.85 Z M0 -0.64 A0.64 0.64 0 1 0 0.001 -0.64 Z"; // hoop
      case RIDE ->
          "M0 -1 L0.24 -0.24 L1 0 L0.24 0.24 L0 1 L-0.24 0.24 L-1 0 L-0.24 -0.24 Z"; // four points
      default -> family(lane);
    };
  }

  /** What all lanes of a family share. */
  private static String family(Lane lane) {
    return switch (lane.base()) {
      case KICK ->
          "M0 -1 C0.35 -0.45 0.8 -0.1 0.8 0.32 A0.8 0.68 0 0 1 -0.8 0.32 C-0.8 -0.1 -0.35 -0.45 0 -1 Z"; // drop
      case SNARE -> "M-0.26 -1 L0.26 -1 L0.26 1 L-0.26 1 Z"; // bar
      case CLAP ->
          "M-0.65 -1 L-0.17 -1 L-0.17 1 L-0.65 1 Z M0.17 -1 L0.65 -1 L0.65 1 L0.17 1 Z"; // pair of
      // bars
      case HAT_CLOSED ->
          "M-0.8 0 L-0.45 -0.3 L-0.15 0.15 L0.7 -0.95 L0.95 -0.6 L-0.1 0.85 Z"; // tick
      case HAT_OPEN ->
          "M-0.95 -0.1 L-0.6 -0.4 L-0.35 0 L0.25 -0.95 L0.55 -0.7 L-0.05 0.3 L0.9 0.3 L0.9 0.62 L-0.45 0.7 Z"; // tick with tail
      case TOM ->
          "M0 -0.85 A0.85 0.85 0 1 1 -0.001 -0.85 Z M0 -0.42 A0.42 0.42 0 1 0 0.001 -0.42 Z"; // ring
      case CYMBAL ->
          "M0 -1 L0.26 -0.3 L0.98 -0.28 L0.4 0.16 L0.6 0.86 L0 0.44 L-0.6 0.86 L-0.4 0.16 L-0.98 -0.28 L-0.26 -0.3 Z"; // star
      default -> "M0 -0.95 L0.8 0 L0 0.95 L-0.8 0 Z"; // diamond
    };
  }

  /** Outline of a line's glyph. */
  private static String path(Line line) {
    return switch (line) {
      case BASS ->
          "M-1 0.2 C-0.6 -0.9 -0.35 -0.9 0 0 C0.35 0.9 0.6 0.9 1 -0.2 L1 0.25 C0.6 1.3 0.3 1.2 -0.1 0.3 C-0.4 -0.4 -0.6 -0.3 -1 0.65 Z"; // wave
      case CHORDS ->
          "M-0.8 -0.9 L0.8 -0.9 L0.8 -0.5 L-0.8 -0.5 Z M-0.8 -0.2 L0.8 -0.2 L0.8 0.2 L-0.8 0.2 Z M-0.8 0.5 L0.8 0.5 L0.8 0.9 L-0.8 0.9 Z"; // stack
      case RIFF ->
          "M-0.95 0.7 A0.95 1.3 0 0 1 0.95 0.7 L0.55 0.7 A0.55 0.85 0 0 0 -0.55 0.7 Z"; // arc
    };
  }

  /** The glyph of any part, filled in the current fill colour. */
  public static void solid(GraphicsContext g, Part part, double x, double y, double size) {
    String path =
        part.asDrum()
            .map(d -> path(d.lane()))
            .orElseGet(() -> path(part.asLine().orElseThrow().line()));
    trace(g, path, x, y, size, 1);
    g.fill();
    g.restore();
  }

  /** The glyph as a node in its family's hue, about {@code size} pixels high. */
  public static SVGPath node(Lane lane, double size) {
    SVGPath p = new SVGPath();
    p.setContent(path(lane));
    p.setScaleX(size / 2);
    p.setScaleY(size / 2);
    p.getStyleClass()
        .add("family-" + lane.base().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
    return p;
  }

  /** Heard: an outline in the current stroke colour. */
  public static void hollow(
      GraphicsContext g, Lane lane, double x, double y, double size, double lineWidth) {
    trace(g, path(lane), x, y, size, lineWidth);
    g.stroke();
    g.restore();
  }

  /** Echo: filled in the current fill colour. */
  public static void solid(GraphicsContext g, Lane lane, double x, double y, double size) {
    trace(g, path(lane), x, y, size, 1);
    g.fill();
    g.restore();
  }

  private static void trace(
      GraphicsContext g, String path, double x, double y, double size, double lineWidth) {
    g.save();
    g.translate(x, y);
    g.scale(size / 2, size / 2);
    g.setLineWidth(lineWidth * 2 / size);
    g.beginPath();
    g.appendSVGPath(path);
  }
}
