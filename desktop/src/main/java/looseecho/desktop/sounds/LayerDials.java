package looseecho.desktop.sounds;

import java.util.List;
import java.util.function.DoubleFunction;
import looseecho.desktop.ledger.SettingRows;
import looseecho.desktop.ledger.SettingRows.Range;
import looseecho.mix.Chain;
import looseecho.mix.Job;
import looseecho.mix.Layer;
import looseecho.mix.Sounds;
import looseecho.mix.Spread;
import looseecho.mix.Squeeze;

/** What the picked layer is for, where it stands, and what it runs through. */
final class LayerDials {
  private static final double OPEN_LOW = 15; // below it a low cut is off
  private static final double OPEN_HIGH = 20_000;

  private final SettingRows rows;
  private final Picked picked;

  LayerDials(SettingRows rows, Picked picked) {
    this.rows = rows;
    this.picked = picked;
  }

  private Layer layer() {
    return picked.layer();
  }

  private Sounds put(Layer other) {
    return picked.with(other);
  }

  void place() {
    Layer l = layer();
    rows.heading("Layer");
    rows.choice("job", List.of(Job.values()), l.job(), Job::words, j -> put(layer().with(j)));
    rows.dial(
        "layer level",
        new Range(-40, 12, 0),
        l.levelDb(),
        v -> String.format(java.util.Locale.ROOT, "%.1f dB", v),
        v -> put(layer().placed(v, layer().pan())));
    rows.dial(
        "layer place",
        new Range(-1, 1, 0),
        l.pan(),
        SettingRows::side,
        v -> put(layer().placed(layer().levelDb(), v)));
    rows.choice(
        "width by",
        List.of(Spread.Kind.values()),
        l.spread().kind(),
        Spread.Kind::words,
        k -> put(layer().with(new Spread(k, Math.max(0.4, layer().spread().amount())))));
    if (l.spread().kind() != Spread.Kind.POINT) {
      boolean late = l.spread().kind() == Spread.Kind.DELAYED;
      rows.dial(
          "how wide",
          new Range(0, 1, 0.4),
          l.spread().amount(),
          v -> late ? Math.round(v * Spread.LONGEST_MS) + " ms" : SettingRows.percent(v),
          v -> put(layer().with(new Spread(layer().spread().kind(), v))));
    }
    rows.dial(
        "comes later",
        new Range(0, 200, 0),
        l.delayMs(),
        v -> Math.round(v) + " ms",
        v -> put(layer().later(v)));
  }

  void chain() {
    Chain c = layer().chain();
    rows.heading("Cuts and drive");
    low("low cut", Chain.Dial.LOW_CUT, c.lowCutHz());
    high("high cut", Chain.Dial.HIGH_CUT, c.highCutHz());
    dial(
        "drive it",
        Chain.Dial.DRIVE,
        new Range(0, 10, 0),
        c.drive(),
        v -> SettingRows.percent(v / 10));
    dial("blend", Chain.Dial.BLEND, new Range(0, 1, 1), c.blend(), SettingRows::percent);
    low("low cut after", Chain.Dial.LOW_AFTER, c.lowAfterHz());
    high("high cut after", Chain.Dial.HIGH_AFTER, c.highAfterHz());
    rows.heading("Dynamics");
    dial("attacks", Chain.Dial.ATTACK, new Range(-12, 12, 0), c.attackDb(), LayerDials::decibels);
    dial("ringing", Chain.Dial.SUSTAIN, new Range(-12, 12, 0), c.sustainDb(), LayerDials::decibels);
    Squeeze s = c.squeeze();
    rows.dial(
        "press by",
        new Range(1, 12, 1),
        s.ratio(),
        v -> v < 1.05 ? "off" : String.format(java.util.Locale.ROOT, "%.1f : 1", v),
        v -> pressed(squeeze().by(v < 1.05 ? 1 : v)));
    rows.dial(
        "press above",
        new Range(-50, 0, -18),
        s.thresholdDb(),
        LayerDials::decibels,
        v -> pressed(squeeze().from(v)));
  }

  private static String decibels(double v) {
    return String.format(java.util.Locale.ROOT, "%+.1f dB", v);
  }

  private Squeeze squeeze() {
    return layer().chain().squeeze();
  }

  private Sounds pressed(Squeeze s) {
    return put(layer().with(layer().chain().with(s)));
  }

  private void dial(
      String name, Chain.Dial dial, Range range, double now, DoubleFunction<String> words) {
    rows.dial(name, range, now, words, v -> put(layer().with(layer().chain().with(dial, v))));
  }

  private void low(String name, Chain.Dial dial, double now) {
    rows.dial(
        name,
        new Range(OPEN_LOW, 4000, OPEN_LOW),
        Math.max(OPEN_LOW, now),
        v -> v <= OPEN_LOW * 1.05 ? "off" : Math.round(v) + " Hz",
        v -> put(layer().with(layer().chain().with(dial, v <= OPEN_LOW * 1.05 ? 0 : v))));
  }

  private void high(String name, Chain.Dial dial, double now) {
    rows.dial(
        name,
        new Range(100, OPEN_HIGH, OPEN_HIGH),
        now == 0 ? OPEN_HIGH : now,
        v -> v >= OPEN_HIGH * 0.97 ? "off" : Math.round(v) + " Hz",
        v -> put(layer().with(layer().chain().with(dial, v >= OPEN_HIGH * 0.97 ? 0 : v))));
  }
}
