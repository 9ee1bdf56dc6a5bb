package looseecho.desktop.sounds;

import java.util.List;
import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import looseecho.desktop.ledger.SettingRows;
import looseecho.desktop.ledger.SettingRows.Range;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSound;
import looseecho.synth.Moved;
import looseecho.synth.Playing;
import looseecho.synth.SampleSound;
import looseecho.synth.Source;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;

/** How the picked layer's source is made: wave first, then filter, envelope, drive. */
final class SourceDials {
  private final SettingRows rows;
  private final Picked picked;

  SourceDials(SettingRows rows, Picked picked) {
    this.rows = rows;
    this.picked = picked;
  }

  void show() {
    Source source = picked.layer().source();
    if (source instanceof ToneSound tone) {
      wave(tone);
      filter(tone);
      envelope(tone);
    } else if (source instanceof DrumSound drum) {
      drum(drum);
    } else if (source instanceof SampleSound sample) {
      sample(sample);
    } else if (source instanceof Moved moved) {
      rows.heading("Copy of layer " + moved.layer());
      rows.dial(
          "moved by",
          new Range(-24, 24, 12),
          moved.semitones(),
          v -> Math.round(v) + " semitones",
          v -> put(new Moved(moved.layer(), Math.rint(v))));
    }
  }

  private Sounds put(Source source) {
    return picked.with(picked.layer().with(source));
  }

  private ToneSound tone() {
    return (ToneSound) picked.layer().source();
  }

  private void tone(
      String name,
      Range range,
      double now,
      DoubleFunction<String> words,
      Function<Double, ToneSound> change) {
    rows.dial(name, range, now, words, v -> put(change.apply(v)));
  }

  private static DoubleFunction<String> unit(String unit) {
    return v -> Math.round(v) + " " + unit;
  }

  private void wave(ToneSound t) {
    Timbre m = t.timbre();
    rows.heading("Wave");
    rows.choice(
        "shape",
        List.of(Timbre.Wave.values()),
        m.wave(),
        Timbre.Wave::words,
        w -> put(tone().with(tone().timbre().wave(w))));
    tone("against sine", new Range(0, 1, 0.7), t.saw(), SettingRows::percent, v -> tone().wave(v));
    tone("spread", new Range(0, 60, 0), t.detuneCents(), unit("cents"), v -> tone().spread(v));
    tone("octave below", new Range(0, 1, 0), t.sub(), SettingRows::percent, v -> tone().subbed(v));
    timbre("noise", Timbre.Dial.NOISE, new Range(0, 1, 0), m.noise(), SettingRows::percent);
    timbre("pulse", Timbre.Dial.PULSE, new Range(0.05, 0.95, 0.5), m.pulse(), SettingRows::percent);
    timbre("bell depth", Timbre.Dial.FM_INDEX, new Range(0, 12, 0), m.fmIndex(), SourceDials::two);
    timbre(
        "bell ratio", Timbre.Dial.FM_RATIO, new Range(0.25, 8, 1), m.fmRatio(), SourceDials::two);
  }

  private static String two(double v) {
    return String.format(Locale.ROOT, "%.2f", v);
  }

  private void timbre(
      String name, Timbre.Dial dial, Range range, double now, DoubleFunction<String> words) {
    tone(name, range, now, words, v -> tone().with(tone().timbre().with(dial, v)));
  }

  private void filter(ToneSound t) {
    Timbre m = t.timbre();
    rows.heading("Filter");
    rows.choice(
        "kind",
        List.of(Timbre.Filter.values()),
        m.filter(),
        Timbre.Filter::words,
        f -> filtered(f, tone().timbre().resonance(), tone().timbre().vowel()));
    if (m.filter() == Timbre.Filter.VOWEL) {
      rows.choice(
          "vowel",
          List.of(Timbre.Vowel.values()),
          m.vowel(),
          Timbre.Vowel::words,
          v -> filtered(tone().timbre().filter(), tone().timbre().resonance(), v));
    }
    tone("edge", new Range(40, 12000, 900), t.cutoffHz(), unit("Hz"), v -> tone().filtered(v));
    tone("opens by", new Range(0, 8000, 0), t.openHz(), unit("Hz"), v -> tone().opening(v));
    tone(
        "resonance",
        new Range(0, 0.95, 0),
        m.resonance(),
        SettingRows::percent,
        v ->
            tone()
                .with(
                    tone().timbre().filter(tone().timbre().filter(), v, tone().timbre().vowel())));
    timbre(
        "wobble every",
        Timbre.Dial.WOBBLE_BEATS,
        new Range(0, 4, 0),
        m.wobbleBeats(),
        v -> v < 0.02 ? "off" : String.format(Locale.ROOT, "%.2f beats", v));
    timbre(
        "wobble depth",
        Timbre.Dial.WOBBLE_OCTAVES,
        new Range(0, 4, 1),
        m.wobbleOctaves(),
        v -> String.format(Locale.ROOT, "%.1f octaves", v));
  }

  private Sounds filtered(Timbre.Filter kind, double resonance, Timbre.Vowel vowel) {
    return put(tone().with(tone().timbre().filter(kind, resonance, vowel)));
  }

  private void envelope(ToneSound t) {
    Timbre m = t.timbre();
    rows.heading("Envelope and drive");
    tone("attack", new Range(0, 500, 2), t.attackMs(), unit("ms"), v -> tone().rising(v));
    tone("decay", new Range(10, 3000, 250), t.decayMs(), unit("ms"), v -> tone().decaying(v));
    tone("held", new Range(0, 1, 0.5), t.sustain(), SettingRows::percent, v -> tone().holding(v));
    tone("release", new Range(0, 2000, 60), t.releaseMs(), unit("ms"), v -> tone().releasing(v));
    timbre(
        "pitch from",
        Timbre.Dial.PITCH_SEMITONES,
        new Range(-24, 24, 0),
        m.pitchSemitones(),
        v -> String.format(Locale.ROOT, "%+.0f semitones", v));
    timbre("pitch falls", Timbre.Dial.PITCH_MS, new Range(1, 500, 20), m.pitchMs(), unit("ms"));
    tone(
        "drive",
        new Range(0, 8, 0),
        t.drive(),
        v -> SettingRows.percent(v / 8),
        v -> tone().driven(v));
    rows.choice(
        "drive comes",
        List.of(false, true),
        m.driveFirst(),
        first -> first ? "before the filter" : "after the filter",
        first -> put(tone().with(tone().timbre().driveFirst(first))));
  }

  private void drum(DrumSound d) {
    rows.heading("Body");
    drum("pitch", DrumSound.Dial.TONE, new Range(0, 800, 180), unit("Hz"));
    drum(
        "starts at",
        DrumSound.Dial.SWEEP,
        new Range(1, 10, 1.5),
        v -> String.format(Locale.ROOT, "x %.1f", v));
    drum("sweep", DrumSound.Dial.SWEEP_MS, new Range(1, 200, 10), unit("ms"));
    drum("body lasts", DrumSound.Dial.TONE_MS, new Range(5, 1500, 100), unit("ms"));
    rows.heading("Noise and metal");
    drum("noise", DrumSound.Dial.NOISE, new Range(0, 2, 0.5), SettingRows::percent);
    drum("noise from", DrumSound.Dial.LOW, new Range(50, 10000, 1000), unit("Hz"));
    drum("noise up to", DrumSound.Dial.HIGH, new Range(500, 20000, 9000), unit("Hz"));
    drum("noise lasts", DrumSound.Dial.NOISE_MS, new Range(2, 2000, 80), unit("ms"));
    drum("metal", DrumSound.Dial.CLANG, new Range(0, 2, 0), SettingRows::percent);
    drum("strokes", DrumSound.Dial.BURSTS, new Range(1, 8, 1), v -> String.valueOf(Math.round(v)));
    if (d.bursts() > 1) {
      rows.heading("a clap of " + d.bursts() + " hands");
    }
  }

  private void drum(String name, DrumSound.Dial dial, Range range, DoubleFunction<String> words) {
    DrumSound now = (DrumSound) picked.layer().source();
    double value = Math.max(range.min(), Math.min(range.max(), now.get(dial)));
    rows.dial(
        name, range, value, words, v -> put(((DrumSound) picked.layer().source()).with(dial, v)));
  }

  private static int round(double v) {
    return (int) Math.rint(v);
  }

  private int high() {
    return sample().playing().highest();
  }

  private static String note(double v) {
    return "note " + Math.round(v);
  }

  private SampleSound sample() {
    return (SampleSound) picked.layer().source();
  }

  private void sample(SampleSound s) {
    rows.heading("Recording");
    rows.dial(
        "tuned",
        new Range(-24, 24, 0),
        s.semitones(),
        unit("semitones"),
        v -> put(sample().tuned(Math.rint(v))));
    rows.dial(
        "root",
        new Range(12, 108, 60),
        s.playing().root(),
        v -> "note " + Math.round(v),
        v -> put(sample().with(sample().playing().root(v))));
    if (picked.part().asLine().isPresent()) {
      Playing now = s.playing();
      rows.dial(
          "lowest note",
          new Range(0, 127, 0),
          now.lowest(),
          SourceDials::note,
          v -> put(sample().with(sample().playing().between(round(v), high()))));
      rows.dial(
          "highest note",
          new Range(0, 127, 127),
          now.highest(),
          SourceDials::note,
          v ->
              put(
                  sample()
                      .with(sample().playing().between(sample().playing().lowest(), round(v)))));
    }
    rows.dial("from", new Range(0, 2000, 0), s.startMs(), unit("ms"), v -> put(sample().from(v)));
    rows.dial(
        "length",
        new Range(0, 4000, 0),
        s.lengthMs(),
        v -> v < 1 ? "all" : Math.round(v) + " ms",
        v -> put(sample().lasting(v < 1 ? 0 : v)));
    rows.dial(
        "fade",
        new Range(0, 500, 5),
        s.fadeMs(),
        unit("ms"),
        v -> put(sample().shaped(sample().riseMs(), sample().decayMs(), v)));
    rows.choice(
        "ends",
        List.of(true, false),
        s.playing().gated(),
        gated -> gated ? "with its note" : "by itself",
        gated -> put(sample().with(sample().playing().gated(gated))));
    rows.choice(
        "held notes",
        List.of(false, true),
        s.playing().looped(),
        looped -> looped ? "go round" : "end with it",
        looped -> put(sample().with(sample().playing().looped(looped))));
    rows.choice(
        "played",
        List.of(false, true),
        s.reversed(),
        turned -> turned ? "backwards" : "forwards",
        turned -> put(sample().turned(turned)));
  }
}
