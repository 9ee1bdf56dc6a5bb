package looseecho.desktop.ledger;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.PaletteEar;
import looseecho.desktop.session.PaletteRow;
import looseecho.palette.Descriptors;

/** The picked sound in figures and words, and the steps from the echo's to it. */
public final class PaletteLedger extends VBox {
  private final PaletteEar ear;

  public PaletteLedger(PaletteEar ear) {
    super(6);
    this.ear = ear;
    ear.pickedProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    getChildren().clear();
    PaletteRow r = ear.pickedProperty().get();
    if (r == null) {
      line("The sounds of the track are cut out when its hits are known.");
      return;
    }
    getChildren().add(ReadingRow.heading(r.heard().name()));
    Descriptors d = r.like();
    if (!d.words().isEmpty()) {
      line(String.join(", ", d.words()));
    }
    line(
        String.format(
            Locale.ROOT,
            "From %d strokes, %s",
            r.heard().strokes(),
            r.heard().quality() > 0.7
                ? "heard alone"
                : r.heard().quality() > 0.35 ? "others nearby" : "others on top of it"));
    line(
        String.format(
            Locale.ROOT, "Attack %.0f ms, 20 dB down after %.0f ms", d.attackMs(), d.decayMs()));
    if (d.pitchHz() > 0) {
      line(
          String.format(Locale.ROOT, "Pitch %.0f Hz", d.pitchHz())
              + (d.pitchFall() > 1
                  ? String.format(Locale.ROOT, ", begins %.0f semitones higher", d.pitchFall())
                  : ""));
    }
    line(String.format(Locale.ROOT, "Its weight lies at %.0f Hz", d.centroidHz()));
    getChildren().add(GroundLedger.rule());
    getChildren().add(ReadingRow.heading("From the echo's to it"));
    line(String.format(Locale.ROOT, "%.1f dB apart over time and frequency", r.distance()));
    List<String> steps = r.advice();
    if (steps.isEmpty()) {
      line("Nothing that is worth a word");
    }
    for (int k = 0; k < steps.size(); k++) {
      line((k + 1) + ". " + steps.get(k));
    }
    Button one =
        ReadingRow.chip(
            "Bring nearer",
            "Turns the dials of its recipe until it is nearest to the track's",
            ear::nearer);
    one.setId("palette-nearer");
    Button all =
        ReadingRow.chip("All nearer", "The same for all sounds, as one change", ear::allNearer);
    all.setId("palette-all-nearer");
    getChildren().add(new HBox(6, one, all));
    if (!r.stack().isEmpty()) {
      getChildren().add(GroundLedger.rule());
      getChildren().add(ReadingRow.heading("Your stack"));
      r.stack().forEach(this::line);
    }
  }

  private void line(String words) {
    getChildren().add(ReadingRow.line(words));
  }
}
