package looseecho.desktop.ledger;

import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.ledger.SettingRows.Range;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Matching;
import looseecho.mix.Bed;
import looseecho.mix.Sounds;

/** What all parts share: the room, the delay, the drums' drive and a bed of noise. */
final class SharedSoundPanel extends VBox {
  private static final double[] DELAYS = {0.25, 1.0 / 3, 0.5, 2.0 / 3, 0.75, 1, 1.5, 2, 4};
  private static final String[] NAMES = {
    "16th", "8th triplet", "8th", "4th triplet", "dotted 8th", "4th", "dotted 4th", "half", "whole"
  };

  private final Desk desk;
  private final EchoMaker maker;
  private final Matching matching;
  private SettingRows rows;

  SharedSoundPanel(Desk desk, EchoMaker maker, Matching matching) {
    super(4);
    this.desk = desk;
    this.maker = maker;
    this.matching = matching;
    maker.soundsProperty().addListener((o, a, b) -> changed());
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
    Sounds s = sounds();
    Sounds u = desk.near();
    rows = new SettingRows(desk, maker, "All parts");
    rows.dial(
        "room lasts",
        new Range(0.1, 4, u.roomSeconds()),
        s.roomSeconds(),
        "%.1f s",
        v -> sounds().room(v));
    rows.dial(
        "delay of",
        new Range(0, DELAYS.length - 1.0, nearest(u.delayBeats())),
        nearest(s.delayBeats()),
        v -> NAMES[(int) Math.rint(v)],
        v -> sounds().delay(DELAYS[(int) Math.rint(v)], sounds().delayFeedback()));
    rows.dial(
        "repeats",
        new Range(0, 0.9, u.delayFeedback()),
        s.delayFeedback(),
        v -> Math.round(100 * v) + " %",
        v -> sounds().delay(sounds().delayBeats(), v));
    rows.dial(
        "drum drive",
        new Range(0, 5, u.drumDrive()),
        s.drumDrive(),
        v -> SettingRows.percent(v / 5),
        v -> sounds().driven(v));
    rows.dial(
        "mono below",
        new Range(0, 300, u.monoBelowHz()),
        s.monoBelowHz(),
        v -> v < 1 ? "off" : Math.round(v) + " Hz",
        v -> sounds().monoBelow(v < 1 ? 0 : v));
    bed(s.bed(), u.bed());
    rows.bars("colour", s.colour(), c -> sounds().coloured(c, sounds().sides()));
    rows.bars("sides", s.sides(), c -> sounds().coloured(sounds().colour(), c));
    getChildren()
        .setAll(
            ReadingRow.heading("Shared by all parts"),
            new FlowPane(
                6,
                4,
                Buttons.of(
                    "match",
                    "Near the track",
                    "Brings level, colour, place, width and length of all parts near what is heard",
                    matching::match),
                Buttons.of(
                    "plain", "Built-in", "The built-in sounds as they are", matching::plain)),
            rows);
  }

  private static int nearest(double beats) {
    int best = 0;
    for (int i = 1; i < DELAYS.length; i++) {
      best = Math.abs(DELAYS[i] - beats) < Math.abs(DELAYS[best] - beats) ? i : best;
    }
    return best;
  }

  private void bed(Bed bed, Bed usual) {
    rows.dial(
        "noise bed",
        new Range(Bed.SILENT_DB, -12, usual.levelDb()),
        bed.levelDb(),
        v -> v <= Bed.SILENT_DB ? "off" : String.format(java.util.Locale.ROOT, "%.0f dB", v),
        v -> sounds().with(sounds().bed().level(v)));
    rows.dial(
        "bed up to",
        new Range(600, 16000, usual.highHz()),
        bed.highHz(),
        "%.0f Hz",
        v -> sounds().with(sounds().bed().bright(v)));
    rows.dial(
        "bed ducks",
        new Range(0, 24, usual.duckDb()),
        bed.duckDb(),
        "%.0f dB",
        v -> sounds().with(sounds().bed().ducked(v, sounds().bed().duckMs())));
    rows.dial(
        "bed recovers",
        new Range(20, 1000, usual.duckMs()),
        bed.duckMs(),
        "%.0f ms",
        v -> sounds().with(sounds().bed().ducked(sounds().bed().duckDb(), v)));
  }
}
