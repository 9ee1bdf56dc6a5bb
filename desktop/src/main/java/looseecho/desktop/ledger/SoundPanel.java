package looseecho.desktop.ledger;

import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.activity.Lane;
import looseecho.desktop.control.Choices;
import looseecho.desktop.ledger.SettingRows.Range;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Lanes;
import looseecho.desktop.session.OwnAudio;
import looseecho.desktop.session.Selection;
import looseecho.echo.Arithmetic;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.synth.DrumSound;
import looseecho.synth.SampleSound;
import looseecho.synth.ToneSound;

/** The sound of the part at work: its place in the mix and the few settings that matter most. */
final class SoundPanel extends VBox {
  private final Desk desk;
  private final Selection selection;
  private final EchoMaker maker;
  private final Lanes lanes;
  private final SampleRows samples;
  private SettingRows rows;

  SoundPanel(Desk desk, Selection selection, EchoMaker maker, Lanes lanes, OwnAudio own) {
    super(4);
    this.desk = desk;
    this.selection = selection;
    this.maker = maker;
    this.lanes = lanes;
    samples = new SampleRows(desk, maker, own);
    selection.partProperty().addListener((o, a, b) -> show());
    maker.soundsProperty().addListener((o, a, b) -> changed());
    desk.templateProperty()
        .addListener(
            (o, a, b) -> {
              if (a == null || b == null || a.bpm() != b.bpm() || !a.names().equals(b.names())) {
                show();
              }
            });
    show();
  }

  private void changed() {
    if (rows == null || !rows.isSetting()) {
      show();
    }
  }

  private Sounds sounds() {
    return maker.soundsProperty().get();
  }

  private void show() {
    Part part = selection.partProperty().get();
    Strip s = sounds().strip(part);
    Strip u = desk.near().strip(part);
    rows = new SettingRows(desk, maker, desk.name(part));
    rows.dial(
        "level",
        new Range(-48, 6, u.levelDb()),
        s.levelDb(),
        "%.1f dB",
        v -> sounds().with(part, strip(part).level(v)));
    rows.dial(
        "place",
        new Range(-1, 1, u.pan()),
        s.pan(),
        SettingRows::side,
        v -> sounds().with(part, strip(part).panned(v)));
    rows.dial(
        "width",
        new Range(0, 1, u.width()),
        s.width(),
        SettingRows::percent,
        v -> sounds().with(part, strip(part).wide(v)));
    rows.dial(
        "duck",
        new Range(0, 24, u.duckDb()),
        s.duckDb(),
        "%.0f dB",
        v -> sounds().with(part, strip(part).ducked(v, strip(part).duckMs())));
    rows.dial(
        "recovery",
        new Range(20, s.duck().everyBar() ? 4000 : 1000, u.duckMs()),
        s.duckMs(),
        this::inNoteValues,
        v -> sounds().with(part, strip(part).ducked(strip(part).duckDb(), v)));
    rows.dial(
        "room",
        new Range(0, 1, u.room()),
        s.room(),
        SettingRows::percent,
        v -> sounds().with(part, strip(part).sends(v, strip(part).delay())));
    rows.dial(
        "delay",
        new Range(0, 1, u.delay()),
        s.delay(),
        SettingRows::percent,
        v -> sounds().with(part, strip(part).sends(strip(part).room(), v)));
    new SendRows(rows, maker, part).show();
    rows.bars("colour", s.colour(), c -> sounds().with(part, strip(part).coloured(c)));
    part.asDrum().ifPresent(this::drum);
    part.asLine().ifPresent(this::tone);
    getChildren()
        .setAll(
            ReadingRow.heading("Sound of the " + desk.name(part)),
            new PartName(desk, part),
            rows,
            duckedBy(part));
    part.asDrum().ifPresent(drum -> getChildren().add(samples.buttons(drum)));
    part.asDrum()
        .flatMap(drum -> sounds().sample(drum).map(own -> cut(drum, own)))
        .ifPresent(getChildren()::add);
  }

  private CutPanel cut(DrumPart drum, SampleSound own) {
    return new CutPanel(desk, selection, maker, lanes, drum, own);
  }

  /** The drum that pushes the part down. */
  private HBox duckedBy(Part part) {
    ComboBox<Lane> box =
        Choices.of(
            "duck-by",
            Lane.SHOWN,
            strip(part).duckBy(),
            Lane::words,
            "Which drum pushes the " + desk.name(part) + " down");
    box.setOnAction(
        e -> {
          Sounds to = sounds().with(part, strip(part).duckedBy(box.getValue()));
          desk.sound(to, desk.name(part) + " ducks under the " + box.getValue().words());
        });
    Label name = new Label("ducks under");
    HBox row = new HBox(8, name, box);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  /** Milliseconds, and under them the note value nearest to them at the echo's tempo. */
  private String inNoteValues(double ms) {
    Template t = desk.templateProperty().get();
    String value = t == null ? "" : Arithmetic.nearest(ms, t.bpm()).brief();
    return String.format(Locale.ROOT, "%.0f ms%n%s", ms, value).trim();
  }

  private Strip strip(Part part) {
    return sounds().strip(part);
  }

  private void drum(DrumPart drum) {
    SampleSound own = own(drum);
    if (own != null) {
      samples.rows(rows, drum, own);
      return;
    }
    DrumSound d = sounds().drum(drum);
    DrumSound du = desk.near().drum(drum);
    if (d.toneHz() > 0) {
      rows.dial(
          "pitch",
          new Range(30, 600, du.toneHz()),
          d.toneHz(),
          "%.0f Hz",
          v -> sounds().with(drum, now(drum).tuned(v)));
    }
    rows.dial(
        "length",
        new Range(5, 800, length(du)),
        length(d),
        "%.0f ms",
        v -> sounds().with(drum, now(drum).longer(v / length(now(drum)))));
    rows.dial(
        "brightness",
        new Range(1500, 18000, du.highHz()),
        d.highHz(),
        "%.0f Hz",
        v -> sounds().with(drum, now(drum).brighter(v)));
  }

  /** The sample that stands in for it; null for none. */
  private SampleSound own(DrumPart drum) {
    return sounds().sample(drum).orElse(null);
  }

  private static double length(DrumSound d) {
    return Math.max(d.toneMs(), d.noiseMs());
  }

  /** The drum as it is by now: a slider moves it on from there. */
  private DrumSound now(DrumPart drum) {
    return sounds().drum(drum);
  }

  private void tone(LinePart line) {
    tone(line, "wave", 0, 1, ToneSound::saw, SoundPanel::wave, ToneSound::wave);
    tone(line, "spread", 0, 40, ToneSound::detuneCents, v -> unit(v, "cents"), ToneSound::spread);
    tone(line, "filter", 80, 6000, ToneSound::cutoffHz, v -> unit(v, "Hz"), ToneSound::filtered);
    tone(line, "opens by", 0, 6000, ToneSound::openHz, v -> unit(v, "Hz"), ToneSound::opening);
    tone(line, "decay", 20, 1500, ToneSound::decayMs, v -> unit(v, "ms"), ToneSound::decaying);
    tone(line, "drive", 0, 5, ToneSound::drive, v -> SettingRows.percent(v / 5), ToneSound::driven);
    tone(line, "sub", 0, 1, ToneSound::sub, SettingRows::percent, ToneSound::subbed);
  }

  private void tone(
      LinePart line,
      String name,
      double min,
      double max,
      ToDoubleFunction<ToneSound> value,
      DoubleFunction<String> words,
      BiFunction<ToneSound, Double, ToneSound> change) {
    rows.dial(
        name,
        new Range(min, max, value.applyAsDouble(desk.near().tone(line))),
        value.applyAsDouble(sounds().tone(line)),
        words,
        v -> sounds().with(line, change.apply(sounds().tone(line), v)));
  }

  private static String unit(double value, String unit) {
    return Math.round(value) + " " + unit;
  }

  private static String wave(double saw) {
    if (saw < 0.02 || saw > 0.98) {
      return saw < 0.5 ? "sine" : "saw";
    }
    return Math.round(100 * saw) + " % saw";
  }
}
