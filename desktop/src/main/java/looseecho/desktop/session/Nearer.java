package looseecho.desktop.session;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import looseecho.echo.Part;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.palette.RecipeFitter;
import looseecho.reading.Progress;

/**
 * Sounds whose recipes were turned towards the track's.
 *
 * @param turned the parts whose sounds are others, with these
 * @param words what came of it
 */
record Nearer(Map<Part, Sound> turned, String words) {
  /** Fits some rows; takes a moment. */
  static Nearer of(List<PaletteRow> rows, EchoRenderer renderer, Sounds now, Progress p) {
    RecipeFitter fitter = new RecipeFitter(renderer);
    Map<Part, Sound> turned = new HashMap<>();
    double before = 0;
    double after = 0;
    String steps = "";
    for (int k = 0; k < rows.size(); k++) {
      p.step("Bringing " + rows.get(k).heard().name() + " nearer", (double) k / rows.size());
      var part = rows.get(k).heard().part();
      RecipeFitter.Fitted fitted = fitter.fit(rows.get(k).heard(), now.sound(part), p);
      if (!fitted.steps().isEmpty()) {
        turned.put(part, fitted.sound());
      }
      before += fitted.before() / rows.size();
      after += fitted.after() / rows.size();
      steps = String.join(", ", fitted.steps());
    }
    String name = rows.size() == 1 ? rows.get(0).heard().name() : "All sounds";
    String apart = String.format(Locale.ROOT, "%.1f to %.1f dB", before, after);
    String words =
        turned.isEmpty()
            ? name + ": no turn of its dials brings it nearer"
            : name + ": " + apart + " from the track's" + (rows.size() == 1 ? "; " + steps : "");
    return new Nearer(Map.copyOf(turned), words);
  }
}
