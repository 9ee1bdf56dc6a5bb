package looseecho.desktop.ledger;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Pages;
import looseecho.desktop.ledger.SettingRows.Range;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.EchoSound;
import looseecho.desktop.session.Matching;
import looseecho.mix.Group;
import looseecho.mix.GroupBus;
import looseecho.mix.Master;
import looseecho.mix.Sounds;
import looseecho.mix.Squeeze;

/** What parts run through together: groups, room, and what the whole ends in. */
public final class MixerLedger extends VBox {
  private final Desk desk;
  private final EchoMaker maker;
  private final VBox body = new VBox(4);
  private final VBox end = new VBox(4);
  private SettingRows rows;
  private SettingRows last; // of what it ends in

  public MixerLedger(Desk desk, EchoMaker maker, Matching matching) {
    this.desk = desk;
    this.maker = maker;
    getChildren()
        .add(
            new Pages()
                .with("mixer-groups", "Groups", "What drums, bass and tones run through", body)
                .with(
                    "mixer-shared",
                    "Shared",
                    "Room, delay and noise, and what it all ends in",
                    end,
                    GroundLedger.rule(),
                    new SharedSoundPanel(desk, maker, matching)));
    maker
        .soundsProperty()
        .addListener(
            (o, a, b) -> {
              if (!rows.isSetting() && !last.isSetting()) {
                show();
              } else if (!offered(a).equals(offered(b))) {
                Platform.runLater(this::show); // not under the hand that turns a dial
              }
            });
    maker.echoProperty().addListener((o, a, b) -> tell());
    show();
  }

  /** What decides which rows there are. */
  private static List<Boolean> offered(Sounds s) {
    return Arrays.stream(Group.values())
        .flatMap(g -> Stream.of(s.group(g).squeeze().isOff(), s.group(g).drive() > 0))
        .toList();
  }

  private Sounds sounds() {
    return maker.soundsProperty().get();
  }

  private void show() {
    rows = new SettingRows(desk, maker, "Mixer");
    for (Group g : Group.values()) {
      rows.heading(g == Group.ALL ? "All together" : "The " + g.words());
      GroupBus b = sounds().group(g);
      group(g, "level", new Range(-24, 12, 0), b.levelDb(), "%+.1f dB", GroupBus::level);
      rows.dial(
          g.words() + " press",
          new Range(1, 10, 1),
          b.squeeze().ratio(),
          v -> v < 1.05 ? "off" : String.format(Locale.ROOT, "%.1f : 1", v),
          v -> pressed(g, squeeze(g).by(v < 1.05 ? 1 : v)));
      if (!b.squeeze().isOff()) {
        rows.dial(
            g.words() + " above",
            new Range(-50, 0, -18),
            b.squeeze().thresholdDb(),
            v -> Math.round(v) + " dB",
            v -> pressed(g, squeeze(g).from(v)));
        rows.dial(
            g.words() + " low back",
            new Range(0, 9, 0),
            b.squeeze().lowBackDb(),
            v -> String.format(Locale.ROOT, "%.1f dB", v),
            v -> pressed(g, squeeze(g).givingBack(v)));
        rows.told("takes off", "pressed-" + g.name().toLowerCase(Locale.ROOT));
      }
      rows.dial(
          g.words() + " drive",
          new Range(0, 10, 0),
          b.drive(),
          v -> SettingRows.percent(v / 10),
          v -> sounds().with(g, sounds().group(g).driven(v, sounds().group(g).blend())));
      if (b.drive() > 0) {
        rows.dial(
            g.words() + " blend",
            new Range(0, 1, 1),
            b.blend(),
            SettingRows::percent,
            v -> sounds().with(g, sounds().group(g).driven(sounds().group(g).drive(), v)));
      }
    }
    body.getChildren().setAll(rows);
    last = new SettingRows(desk, maker, "Mixer");
    ends();
    end.getChildren().setAll(last);
    tell();
  }

  /** What the compressors do in the echo as it was last made. */
  private void tell() {
    EchoSound e = maker.echoProperty().get();
    for (Group g : Group.values()) {
      if (lookup("#pressed-" + g.name().toLowerCase(Locale.ROOT)) instanceof Label label) {
        Double db = e == null ? null : e.pressedDb().get(g);
        label.setText(
            db == null ? "once the echo is made" : String.format(Locale.ROOT, "up to %.1f dB", db));
      }
    }
  }

  private void group(
      Group g,
      String name,
      Range range,
      double now,
      String format,
      BiFunction<GroupBus, Double, GroupBus> change) {
    rows.dial(
        g.words() + " " + name,
        range,
        now,
        v -> String.format(Locale.ROOT, format, v),
        v -> sounds().with(g, change.apply(sounds().group(g), v)));
  }

  private Squeeze squeeze(Group g) {
    return sounds().group(g).squeeze();
  }

  private Sounds pressed(Group g, Squeeze s) {
    return sounds().with(g, sounds().group(g).with(s));
  }

  private void ends() {
    last.heading("It ends in");
    Master m = sounds().whole().master();
    last.choice(
        "ends in",
        List.of(Master.End.values()),
        m.end(),
        Master.End::words,
        e -> master(new Master(e, sounds().whole().master().upward())));
    last.dial(
        "lift the soft",
        new Range(0, 0.4, 0),
        m.upward(),
        SettingRows::percent,
        v -> master(new Master(sounds().whole().master().end(), v)));
    last.dial(
        "room damped",
        new Range(0, 0.95, 0.35),
        sounds().space().damping(),
        SettingRows::percent,
        v -> sounds().with(sounds().space().damped(v)));
    last.dial(
        "room driven",
        new Range(0, 5, 0),
        sounds().space().drive(),
        v -> SettingRows.percent(v / 5),
        v -> sounds().with(sounds().space().driven(v)));
  }

  private Sounds master(Master m) {
    return sounds().with(sounds().whole().with(m));
  }
}
