package looseecho.desktop.ledger;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.desktop.ledger.SettingRows.Range;
import looseecho.desktop.session.EchoMaker;
import looseecho.echo.Part;
import looseecho.mix.Duck;
import looseecho.mix.Repeats;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;

/** How a part's delay repeats, what else pushes it down, and how it comes back. */
final class SendRows {
  private static final double SHARED = 0;
  private static final List<Double> DELAYS = List.of(SHARED, 0.25, 0.5, 0.75, 1.0, 1.5, 2.0);

  /** What pushes a part down besides its first trigger. */
  private enum Also {
    NOTHING("nothing more"),
    SNARE("the snare, too"),
    BEATS("every beat, unheard"),
    BARS("every bar once"),
    BARS_ALONE("every bar, nothing else");

    private final String words;

    Also(String words) {
      this.words = words;
    }

    static Also of(Duck d) {
      if (d.everyBar()) {
        return d.first() == Duck.First.NONE ? BARS_ALONE : BARS;
      }
      return d.everyBeat() ? BEATS : d.also().isEmpty() ? NOTHING : SNARE;
    }

    Duck in(Duck d) {
      if (this == BARS_ALONE) {
        return Duck.SWELL.with(d.shape());
      }
      List<Lane> lanes = this == SNARE ? List.of(Lane.SNARE) : List.of();
      return Duck.PLAIN.also(lanes).beats(this == BEATS).bars(this == BARS).with(d.shape());
    }
  }

  private final SettingRows rows;
  private final EchoMaker maker;
  private final Part part;

  SendRows(SettingRows rows, EchoMaker maker, Part part) {
    this.rows = rows;
    this.maker = maker;
    this.part = part;
  }

  private Sounds sounds() {
    return maker.soundsProperty().get();
  }

  private Strip strip() {
    return sounds().strip(part);
  }

  private Sounds put(Strip s) {
    return sounds().with(part, s);
  }

  void show() {
    Strip s = strip();
    double own = s.repeats().map(Repeats::beats).orElse(SHARED);
    List<Double> offered = new ArrayList<>(DELAYS);
    if (!offered.contains(own)) {
      offered.add(own);
    }
    rows.choice("its delay", offered, own, SendRows::delay, this::delayed);
    s.repeats().ifPresent(this::repeats);
    if (s.duckDb() > 0) {
      rows.choice(
          "also under",
          List.of(Also.values()),
          Also.of(s.duck()),
          a -> a.words,
          a -> put(strip().with(a.in(strip().duck()))));
      rows.choice(
          "comes back",
          List.of(Duck.Shape.values()),
          s.duck().shape(),
          Duck.Shape::words,
          shape -> put(strip().with(strip().duck().with(shape))));
    }
  }

  private static String delay(double beats) {
    return beats == SHARED
        ? "shared"
        : beats == 0.75
            ? "dotted 8th"
            : beats == 1.5 ? "dotted 4th" : String.format(Locale.ROOT, "1/%.0f", 4 / beats);
  }

  private Sounds delayed(double beats) {
    Repeats usual = strip().repeats().orElse(new Repeats(1, 0.35, true, 150, 6000));
    return put(
        strip()
            .repeating(
                beats == SHARED
                    ? Optional.empty()
                    : Optional.of(
                        new Repeats(
                            beats,
                            usual.feedback(),
                            usual.pingPong(),
                            usual.lowCutHz(),
                            usual.highCutHz()))));
  }

  private void repeats(Repeats r) {
    rows.dial(
        "comes again",
        new Range(0, 0.9, 0.35),
        r.feedback(),
        SettingRows::percent,
        v -> put(strip().repeating(strip().repeats().map(x -> with(x, v, x.pingPong())))));
    rows.choice(
        "goes",
        List.of(true, false),
        r.pingPong(),
        crossing -> crossing ? "from side to side" : "straight",
        crossing ->
            put(strip().repeating(strip().repeats().map(x -> with(x, x.feedback(), crossing)))));
  }

  private static Repeats with(Repeats r, double feedback, boolean crossing) {
    return new Repeats(r.beats(), feedback, crossing, r.lowCutHz(), r.highCutHz());
  }
}
