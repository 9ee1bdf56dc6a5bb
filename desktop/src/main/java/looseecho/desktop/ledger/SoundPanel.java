package looseecho.desktop.ledger;

import java.io.File;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.util.StringConverter;
import looseecho.activity.Lane;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.session.Session;
import looseecho.echo.Arithmetic;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.notes.Line;
import looseecho.synth.DrumSound;
import looseecho.synth.SampleSound;
import looseecho.synth.ToneSound;

/** The sound of the part at work: its place in the mix and the few settings that matter most. */
final class SoundPanel extends VBox {
  private final Session session;
  private SettingRows rows;

  SoundPanel(Session session) {
    super(4);
    this.session = session;
    session.partProperty().addListener((o, a, b) -> show());
    session.maker().soundsProperty().addListener((o, a, b) -> show());
    session
        .templateProperty()
        .addListener(
            (o, a, b) -> {
              if (a == null || b == null || a.bpm() != b.bpm()) {
                show();
              }
            });
    show();
  }

  private Sounds sounds() {
    return session.maker().soundsProperty().get();
  }

  private void show() {
    Part part = session.partProperty().get();
    Strip s = sounds().strip(part);
    rows = new SettingRows(session, part.words());
    rows.slider(
        "level", -48, 6, s.levelDb(), "%.1f dB", v -> sounds().with(part, strip(part).level(v)));
    rows.slider("place", -1, 1, s.pan(), "%+.2f", v -> sounds().with(part, strip(part).panned(v)));
    rows.slider("width", 0, 1, s.width(), "%.2f", v -> sounds().with(part, strip(part).wide(v)));
    rows.slider(
        "duck",
        0,
        24,
        s.duckDb(),
        "%.0f dB",
        v -> sounds().with(part, strip(part).ducked(v, strip(part).duckMs())));
    rows.slider(
        "recovery",
        20,
        600,
        s.duckMs(),
        this::inNoteValues,
        v -> sounds().with(part, strip(part).ducked(strip(part).duckDb(), v)));
    rows.slider(
        "room",
        0,
        1,
        s.room(),
        "%.2f",
        v -> sounds().with(part, strip(part).sends(v, strip(part).delay())));
    rows.slider(
        "delay",
        0,
        1,
        s.delay(),
        "%.2f",
        v -> sounds().with(part, strip(part).sends(strip(part).room(), v)));
    part.lane().ifPresent(this::drum);
    part.line().ifPresent(this::tone);
    getChildren().setAll(ReadingRow.heading("Sound of the " + part.words()), rows, duckedBy(part));
    part.lane().ifPresent(lane -> getChildren().add(sample(lane)));
  }

  /** The lane that pushes the part down. */
  private HBox duckedBy(Part part) {
    ComboBox<Lane> box = new ComboBox<>();
    box.setId("duck-by");
    box.getItems().addAll(Lane.SHOWN);
    box.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(Lane lane) {
            return lane == null ? "" : lane.words();
          }

          @Override
          public Lane fromString(String words) {
            return null; // the box is not typed into
          }
        });
    box.setValue(strip(part).duckBy());
    box.setOnAction(
        e -> {
          Sounds to = sounds().with(part, strip(part).duckedBy(box.getValue()));
          session.sound(to, part.words() + " ducks under the " + box.getValue().words());
        });
    Label name = new Label("ducks under");
    HBox row = new HBox(8, name, box);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  /** A one-shot of the person's own for a drum. */
  private FlowPane sample(Lane lane) {
    SampleSound now = sounds().samples().get(lane);
    FlowPane box = new FlowPane(6, 4);
    box.getChildren()
        .add(
            Buttons.of(
                "sample",
                "Own sample…",
                "A one-shot of yours instead of the built-in drum",
                () -> choose(lane)));
    if (now != null) {
      box.getChildren()
          .add(
              Buttons.of(
                  "sample-off", "Built-in", "The built-in drum again", () -> use(lane, null)));
    }
    return box;
  }

  private void choose(Lane lane) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("A one-shot for the " + lane.words());
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                "Sound files", "*.wav", "*.aif", "*.aiff", "*.flac", "*.mp3", "*.ogg"));
    File file = chooser.showOpenDialog(getScene().getWindow());
    if (file != null) {
      use(lane, SampleSound.of(file.toPath()));
    }
  }

  private void use(Lane lane, SampleSound sample) {
    String words = sample == null ? ": built-in" : ": " + new File(sample.path()).getName();
    session.sound(sounds().with(lane, sample), lane.words() + words);
  }

  /** Milliseconds, and under them the note value nearest to them at the echo's tempo. */
  private String inNoteValues(double ms) {
    Template t = session.templateProperty().get();
    String value = t == null ? "" : Arithmetic.nearest(ms, t.bpm()).brief();
    return String.format(Locale.ROOT, "%.0f ms%n%s", ms, value).trim();
  }

  private Strip strip(Part part) {
    return sounds().strip(part);
  }

  private void drum(Lane lane) {
    SampleSound own = sounds().samples().get(lane);
    if (own != null) {
      rows.slider(
          "semitones",
          -24,
          24,
          own.semitones(),
          "%+.0f",
          v -> sounds().with(lane, own.tuned(Math.rint(v))));
      rows.slider("start", 0, 500, own.startMs(), "%.0f ms", v -> sounds().with(lane, own.from(v)));
      rows.slider(
          "length", 0, 2000, own.lengthMs(), "%.0f ms", v -> sounds().with(lane, own.lasting(v)));
      double rise = own.riseMs();
      double decay = own.decayMs();
      double fade = own.fadeMs();
      rows.slider(
          "rise", 0, 200, rise, "%.0f ms", v -> sounds().with(lane, own.shaped(v, decay, fade)));
      rows.slider(
          "decay", 0, 1000, decay, "%.0f ms", v -> sounds().with(lane, own.shaped(rise, v, fade)));
      rows.slider(
          "fade", 0, 500, fade, "%.0f ms", v -> sounds().with(lane, own.shaped(rise, decay, v)));
      rows.slider(
          "backwards",
          0,
          1,
          own.reversed() ? 1 : 0,
          "%.0f",
          v -> sounds().with(lane, own.turned(v > 0.5)));
      return;
    }
    DrumSound d = sounds().drums().get(lane);
    if (d.toneHz() > 0) {
      rows.slider("pitch", 30, 600, d.toneHz(), "%.0f Hz", v -> sounds().with(lane, d.tuned(v)));
    }
    double ms = Math.max(d.toneMs(), d.noiseMs());
    rows.slider("length", 5, 800, ms, "%.0f ms", v -> sounds().with(lane, d.longer(v / ms)));
    rows.slider(
        "brightness", 1500, 18000, d.highHz(), "%.0f Hz", v -> sounds().with(lane, d.brighter(v)));
  }

  private void tone(Line line) {
    ToneSound t = sounds().tones().get(line);
    rows.slider("wave", 0, 1, t.saw(), "%.2f saw", v -> sounds().with(line, t.wave(v)));
    rows.slider(
        "spread", 0, 40, t.detuneCents(), "%.0f cents", v -> sounds().with(line, t.spread(v)));
    rows.slider(
        "filter", 80, 6000, t.cutoffHz(), "%.0f Hz", v -> sounds().with(line, t.filtered(v)));
    rows.slider("opens by", 0, 6000, t.openHz(), "%.0f Hz", v -> sounds().with(line, t.opening(v)));
    rows.slider("decay", 20, 1500, t.decayMs(), "%.0f ms", v -> sounds().with(line, t.decaying(v)));
    rows.slider("drive", 0, 5, t.drive(), "%.1f", v -> sounds().with(line, t.driven(v)));
    rows.slider("sub", 0, 1, t.sub(), "%.2f", v -> sounds().with(line, t.subbed(v)));
  }
}
