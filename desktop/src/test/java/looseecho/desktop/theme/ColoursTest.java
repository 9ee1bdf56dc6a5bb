package looseecho.desktop.theme;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The style sheet's colours, by day and by night, for every eye. */
class ColoursTest {
  private static final List<String> GROUNDS = List.of("ground", "panel");
  private static final List<String> TEXTS =
      List.of("ink", "quiet", "heard", "echo", "agree", "doubt");
  private static final List<String> FAMILIES =
      List.of("kick", "snare", "clap", "hat", "open", "tom", "cymbal", "perc", "bass");

  /** Red, green and blue of each named colour, 0..1. */
  private static List<Map<String, double[]>> themes() throws IOException {
    String css;
    try (var in = Theme.class.getResourceAsStream("app.css")) {
      css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
    List<Map<String, double[]>> out = new ArrayList<>();
    for (String block : List.of("\\.root \\{", "\\.root\\.night \\{")) {
      Matcher start = Pattern.compile(block + "([^}]*)}").matcher(css);
      assertTrue(start.find(), block);
      Map<String, double[]> colours = new HashMap<>();
      Matcher m = Pattern.compile("-(\\w+): #(\\p{XDigit}{6});").matcher(start.group(1));
      while (m.find()) {
        int rgb = Integer.parseInt(m.group(2), 16);
        colours.put(
            m.group(1),
            new double[] {(rgb >> 16) / 255.0, (rgb >> 8 & 255) / 255.0, (rgb & 255) / 255.0});
      }
      out.add(colours);
    }
    return out;
  }

  private static double linear(double c) {
    return c <= 0.03928 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
  }

  /** WCAG 2.1, "relative luminance" and "contrast ratio". */
  private static double contrast(double[] a, double[] b) {
    double one = luminance(a);
    double two = luminance(b);
    return (Math.max(one, two) + 0.05) / (Math.min(one, two) + 0.05);
  }

  private static double luminance(double[] c) {
    return 0.2126 * linear(c[0]) + 0.7152 * linear(c[1]) + 0.0722 * linear(c[2]);
  }

  @Test
  void theMeasureItself() {
    double[] black = {0, 0, 0};
    double[] white = {1, 1, 1};
    double[] grey = {0x77 / 255.0, 0x77 / 255.0, 0x77 / 255.0};
    assertEquals(21, contrast(black, white), 1e-9, "WCAG 2.1: 21 to 1");
    assertEquals(
        4.48, contrast(grey, white), 0.01, "#777 on white just fails (WebAIM, from memory)");
    double[] lab = lab(new double[] {1, 0, 0});
    assertEquals(53.24, lab[0], 0.02, "CIELAB of sRGB red (Lindbloom, from memory)");
    assertEquals(80.09, lab[1], 0.05);
    assertEquals(67.20, lab[2], 0.05);
  }

  /** Text needs 4.5 to 1 (WCAG 2.1, 1.4.3), what is drawn 3 to 1 (1.4.11). */
  @Test
  void allThatIsReadStandsOut() throws IOException {
    List<String> weak = new ArrayList<>();
    for (Map<String, double[]> theme : themes()) {
      assertEquals(19, theme.size(), theme.keySet().toString());
      for (String ground : GROUNDS) {
        for (String text : TEXTS) {
          double ratio = contrast(theme.get(text), theme.get(ground));
          if (ratio < 4.5) {
            weak.add(text + " on " + ground + " " + ratio);
          }
        }
        for (String family : FAMILIES) {
          double ratio = contrast(theme.get(family), theme.get(ground));
          if (ratio < 3) {
            weak.add(family + " on " + ground + " " + ratio);
          }
        }
      }
      if (contrast(theme.get("ink"), theme.get("wash")) < 4.5
          || contrast(theme.get("quiet"), theme.get("wash")) < 4.5) {
        weak.add("text on wash " + contrast(theme.get("quiet"), theme.get("wash")));
      }
    }
    assertEquals(List.of(), weak);
  }

  /**
   * How a colour looks to someone without red or green cones: Machado, Oliveira and Fernandes 2009,
   * table 1, severity 1 (from memory); on linear light.
   */
  private static final double[][] NO_RED = {
    {0.152286, 1.052583, -0.204868},
    {0.114503, 0.786281, 0.099216},
    {-0.003882, -0.048116, 1.051998}
  };

  private static final double[][] NO_GREEN = {
    {0.367322, 0.860646, -0.227968}, {0.280085, 0.672501, 0.047413}, {-0.011820, 0.042940, 0.968881}
  };

  private static double[] seen(double[] c, double[][] eye) {
    double[] out = new double[3];
    for (int k = 0; k < 3; k++) {
      for (int j = 0; j < 3; j++) {
        out[k] += eye[k][j] * linear(c[j]);
      }
      double v = Math.max(0, Math.min(1, out[k]));
      out[k] = v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
    }
    return out;
  }

  /** CIELAB under D65 (CIE 15). */
  private static double[] lab(double[] c) {
    double r = linear(c[0]);
    double g = linear(c[1]);
    double b = linear(c[2]);
    double x = root((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.95047);
    double y = root(0.2126 * r + 0.7152 * g + 0.0722 * b);
    double z = root((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.08883);
    return new double[] {116 * y - 16, 500 * (x - y), 200 * (y - z)};
  }

  private static double root(double t) {
    return t > 216.0 / 24389 ? Math.cbrt(t) : (24389.0 / 27 * t + 16) / 116;
  }

  private static double apart(double[] a, double[] b) {
    double[] p = lab(a);
    double[] q = lab(b);
    return Math.hypot(Math.hypot(p[0] - q[0], p[1] - q[1]), p[2] - q[2]);
  }

  /**
   * Heard against echo must be told by hue alone; families of drums have their glyphs and words
   * beside, so those that lie next to each other in every list have to differ.
   */
  @Test
  void heardAndEchoAndNeighboursStayApartForEveryEye() throws IOException {
    List<String> alike = new ArrayList<>();
    for (Map<String, double[]> theme : themes()) {
      for (double[][] eye : List.of(NO_RED, NO_GREEN)) {
        double main = apart(seen(theme.get("heard"), eye), seen(theme.get("echo"), eye));
        assertTrue(main > 30, "heard and echo " + main);
        for (int k = 1; k < FAMILIES.size(); k++) {
          String a = FAMILIES.get(k - 1);
          String b = FAMILIES.get(k);
          double d = apart(seen(theme.get(a), eye), seen(theme.get(b), eye));
          if (d < 10) { // about ten differences that are just noticed
            alike.add(a + " and " + b + " " + d);
          }
        }
      }
    }
    assertEquals(List.of(), alike);
  }
}
