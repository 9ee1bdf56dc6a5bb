package looseecho.form;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import looseecho.activity.DrawnActivity;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.audio.Audio;
import looseecho.dsp.Chroma;
import looseecho.dsp.ToneSpectra;
import looseecho.hits.Hit;
import looseecho.hits.Place;
import looseecho.hits.Places;
import looseecho.notes.Note;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import looseecho.reading.Reading;
import org.junit.jupiter.api.Test;

/** Events and edges in bars of two seconds (120 BPM, 4/4). */
class EventsTest {
  private static final int RATE = 44100;
  private static final double BAR = 2;
  private final List<Hit> hits = new ArrayList<>();

  static Pulse pulse(int bars) {
    List<Beat> beats =
        IntStream.range(0, 4 * bars)
            .mapToObj(k -> new Beat(k * BAR / 4, k % 4 + 1, k / 4 + 1))
            .toList();
    return new Pulse(
        Reading.measured(120.0, 1, ""),
        true,
        1,
        1,
        Reading.measured(Meter.FOUR_FOUR, 1, ""),
        beats);
  }

  private Form form(float[] x, int bars, List<Note> bass, List<SectionMark> marks) {
    return form(x, BandLevels.of(new Audio(x, x, RATE)), bars, bass, marks);
  }

  private Form form(
      float[] x, BandLevels levels, int bars, List<Note> bass, List<SectionMark> marks) {
    hits.sort(Comparator.comparingDouble(Hit::time));
    MelSpectra mel = MelSpectra.of(x, Progress.NONE);
    Chroma chroma = Chroma.of(ToneSpectra.of(x, RATE, 8192, 8192, 2205, Progress.NONE));
    DrawnActivity activity = new DrawnActivity(bars * BAR);
    hits.forEach(h -> activity.hit(h.lane(), h.time(), 0.9, h.velocity() / 127.0));
    return new SectionFinder()
        .find(
            new SectionFinder.Material(
                mel,
                chroma,
                activity.done(),
                pulse(bars),
                hits,
                bass,
                bars * BAR,
                levels,
                SweepFinder.find(mel, pulse(bars)),
                marks),
            Progress.NONE);
  }

  private void hit(Lane lane, double bars, int velocity) {
    Place p = new Places(pulse(64)).at(bars * BAR);
    hits.add(new Hit(lane, bars * BAR, velocity, p.bar(), p.step(), p.offsetMs(), 0.9));
  }

  private static Event only(Form form, Event.Kind kind) {
    assertEquals(1, form.events(kind).size(), kind + " in " + form.events());
    return form.events(kind).get(0);
  }

  /** Noise that swells by 24 dB over four bars, and later one whose low-pass opens by octaves. */
  @Test
  void swellsAndOpeningFiltersAreHeardWhereTheyAre() {
    int bars = 16;
    float[] x = new float[(int) (bars * BAR * RATE)];
    Random random = new Random(3);
    double low = 0;
    double lower = 0;
    for (int i = 0; i < x.length; i++) {
      double bar = i / (BAR * RATE);
      double noise = 0.1 * random.nextGaussian();
      double tone = 0.1 * Math.sin(2 * Math.PI * 110 * i / RATE);
      if (bar < 8) {
        double db = bar < 4 ? -24 : bar < 8 ? -24 + 6 * (bar - 4) : 0;
        x[i] = (float) (noise * Math.pow(10, db / 20));
      } else {
        double hz = bar < 12 ? 800 * Math.pow(2, bar - 8) : 12800;
        double a = 1 - Math.exp(-2 * Math.PI * hz / RATE);
        low += a * (noise - low);
        lower += a * (low - lower);
        x[i] = (float) (tone + lower);
      }
    }
    Form form = form(x, bars, List.of(), List.of());
    Event rise = form.events(Event.Kind.RISE).get(0);
    assertEquals(4 * BAR, rise.start(), BAR);
    assertEquals(8 * BAR, rise.end(), BAR);
    Event opens = only(form, Event.Kind.FILTER_OPENS);
    assertTrue(opens.start() >= 7 * BAR && opens.end() <= 13 * BAR, opens.toString());
    assertTrue(opens.end() - opens.start() >= 2 * BAR, opens.toString());
  }

  /**
   * Common practice: before an edge the low end is cut away step by step, the sides come in, the
   * level goes down, and a bar without the low end is another thing than one in which all is quiet.
   */
  @Test
  void buildUpsAreHeardWithTheirFigures() {
    int bars = 20;
    int rate = 44100;
    float[] left = new float[(int) (bars * BAR * rate)];
    float[] right = left.clone();
    Random random = new Random(5);
    double[] kept = new double[4];
    double dark = 0;
    for (int i = 0; i < left.length; i++) {
      double bar = i / (BAR * rate);
      double way = bar >= 6 && bar < 8 ? (bar - 6) / 2 : 0; // to the edge at bar 8
      double hz = bar >= 14 && bar < 15 ? 500 : 30 * Math.pow(2, 5 * way);
      dark += 0.01 * (random.nextGaussian() - dark); // falls above 70 Hz, as music does
      double x = 2 * dark;
      x = above(hz / rate, x, kept);
      double gain = Math.pow(10, -8 * way / 20);
      double side = 0.01 * random.nextGaussian() * (1 - 0.9 * way);
      left[i] = (float) (gain * (x + side));
      right[i] = (float) (gain * (x - side));
    }
    BandLevels levels = BandLevels.of(new Audio(left, right, rate));
    Form form = form(noise(bars), levels, bars, List.of(), List.of());
    List<Event> cuts = form.events(Event.Kind.LOW_CUT);
    assertEquals(2, cuts.size(), cuts.toString());
    assertEquals(6 * BAR, cuts.get(0).start(), BAR);
    assertEquals(8 * BAR, cuts.get(0).end(), BAR / 8);
    assertTrue(cuts.get(0).to() > 4 * cuts.get(0).from(), cuts.toString());
    assertEquals(14 * BAR, cuts.get(1).start(), BAR / 8);
    assertEquals(15 * BAR, cuts.get(1).end(), BAR / 8);
    Event narrow = only(form, Event.Kind.NARROWING);
    assertEquals(8 * BAR, narrow.end(), BAR / 8);
    assertTrue(narrow.to() < narrow.from() / 2, narrow.toString());
    assertEquals(-8, only(form, Event.Kind.DIP).to(), 5.5); // some of it is the cut's
  }

  /** What is left of a sample above a frequency, by as many poles as are kept. */
  private static double above(double cycles, double sample, double[] kept) {
    double x = sample;
    for (int k = 0; k < kept.length; k++) {
      kept[k] += (1 - Math.exp(-2 * Math.PI * cycles)) * (x - kept[k]);
      x -= kept[k];
    }
    return x;
  }

  /** With nothing below 200 Hz a growing cut is first seen there, but it has begun at 30 Hz. */
  @Test
  void aCutBeginsBelowWhatSounds() {
    int bars = 16;
    int rate = 44100;
    float[] x = new float[(int) (bars * BAR * rate)];
    Random random = new Random(5);
    double[] kept = new double[4];
    double dark = 0;
    for (int i = 0; i < x.length; i++) {
      double bar = i / (BAR * rate);
      double cut = bar >= 4 && bar < 8 ? 30 * Math.pow(2, 5 * (bar - 4) / 4) : 30;
      double hz = bar < 8 ? Math.max(200, cut) : cut;
      dark += 0.01 * (random.nextGaussian() - dark);
      x[i] = (float) above(hz / rate, 2 * dark, kept);
    }
    BandLevels levels = BandLevels.of(new Audio(x, x, rate));
    Form form = form(noise(bars), levels, bars, List.of(), List.of());
    List<Event> cuts = form.events(Event.Kind.LOW_CUT);
    assertEquals(1, cuts.size(), cuts.toString());
    assertEquals(4 * BAR, cuts.get(0).start(), BAR);
    assertEquals(8 * BAR, cuts.get(0).end(), BAR / 8);
    assertTrue(cuts.get(0).from() < 65, cuts.toString());
  }

  /** A sound turned round swells over a bar and is cut off; steady noise alone is nothing. */
  @Test
  void aSoundTurnedRoundIsHeardWhereItIsCutOff() {
    turned(bar -> -40, 0.5);
  }

  /** A bed that grows by little is one thing, and what swells in the last bar another. */
  @Test
  void aSoundTurnedRoundIsHeardOverABedThatGrows() {
    turned(bar -> bar < 7 ? -52 + 1.5 * bar : -40, 0);
  }

  private void turned(DoubleUnaryOperator bedDb, double rests) {
    int bars = 12;
    float[] x = new float[(int) (bars * BAR * RATE)];
    Random random = new Random(6);
    for (int i = 0; i < x.length; i++) {
      double bar = i / (BAR * RATE);
      boolean swells = bar >= 7 && bar < 8;
      double db = swells ? -40 + 30 * (bar - 7) : bedDb.applyAsDouble(bar);
      boolean silent = bar >= 8 && bar < 8 + rests;
      x[i] = (float) (silent ? 0 : Math.pow(10, db / 20) * random.nextGaussian());
    }
    Form form = form(noise(bars), BandLevels.of(new Audio(x, x, RATE)), bars, List.of(), List.of());
    Event turned = only(form, Event.Kind.REVERSED);
    assertEquals(7 * BAR, turned.start(), BAR / 4);
    assertEquals(8 * BAR, turned.end(), BAR / 8);
    assertTrue(form.events(Event.Kind.NOISE_RISES).isEmpty());
  }

  /** Common practice: a snare roll that grows leads over; the snare on three is half speed. */
  @Test
  void rollsHalfSpeedAndThinningAreFoundInTheHits() {
    for (int b = 0; b < 16; b++) {
      boolean half = b >= 8 && b < 11;
      if (b != 13) {
        hit(Lane.SNARE, half ? b + 0.5 : b + 0.25, 100);
        for (int e = 0; e < 8; e++) {
          hit(Lane.HAT_CLOSED, b + e / 8.0, 70);
        }
        hit(Lane.PERCUSSION, b + 0.375, 60);
      }
      if (!half && b != 13 && b != 5) {
        hit(Lane.SNARE, b + 0.75, 100);
      }
      hit(Lane.KICK, b, 110);
    }
    for (int s = 0; s < 8; s++) {
      hit(Lane.SNARE, 5.5 + s / 16.0, 40 + 10 * s);
    }
    Form form = form(noise(16), 16, List.of(), List.of());
    Event roll = only(form, Event.Kind.ROLL);
    assertEquals("snare roll in 16ths, getting louder", roll.words());
    assertEquals(5.5 * BAR, roll.start(), 0.001);
    assertEquals(6 * BAR, roll.end(), 0.07);
    Event half = only(form, Event.Kind.HALF_SPEED);
    assertEquals(8 * BAR, half.start(), 1e-9);
    assertEquals(11 * BAR, half.end(), 1e-9);
    assertEquals(13 * BAR, only(form, Event.Kind.THINNING).start(), 1e-9);
  }

  private static float[] noise(int bars) {
    float[] x = new float[(int) (bars * BAR * RATE)];
    Random random = new Random(8);
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.1 * random.nextGaussian());
    }
    return x;
  }

  @Test
  void edgesSayWhatChangesAndCanBeMovedSplitJoinedAndNamed() {
    List<Note> bass = new ArrayList<>();
    for (int b = 0; b < 12; b++) {
      hit(Lane.KICK, b, 100);
      if (b >= 4) {
        bass.add(new Note(b * BAR, (b + 0.9) * BAR, 40, 100, 0.9));
        hit(Lane.HAT_CLOSED, b + 0.125, 70);
      } else {
        hit(Lane.CLAP, b + 0.25, 90);
      }
    }
    List<SectionMark> mine =
        List.of(new SectionMark(0, "A", "intro"), new SectionMark(4 * BAR, "B", "verse"));
    Form form = form(noise(12), 12, bass, mine);
    assertEquals("hats and bass enter, clap leaves", form.sections().get(1).change().words());
    assertEquals("verse", form.sections().get(1).role());
    Pulse p = pulse(12);
    // An edge that is dragged lands on a beat, so that odd lengths are free.
    Form moved = form(noise(12), 12, bass, SectionEdits.move(form, p, 1, 5.5 * BAR + 0.04));
    assertEquals(List.of(5.5, 6.5), moved.sections().stream().map(Section::bars).toList());
    Form split = form(noise(12), 12, bass, SectionEdits.split(moved, p, 8 * BAR));
    assertEquals(List.of(5.5, 2.5, 4.0), split.sections().stream().map(Section::bars).toList());
    Form named = form(noise(12), 12, bass, SectionEdits.rename(split, 2, "C", "break"));
    assertEquals("C break", named.sections().get(2).label() + " " + named.sections().get(2).role());
    Form joined = form(noise(12), 12, bass, SectionEdits.join(named, 1));
    assertEquals(List.of("A", "C"), joined.sections().stream().map(Section::label).toList());
    assertEquals(8.0, joined.sections().get(0).bars(), 1e-9);
    assertEquals(
        SectionEdits.marks(joined), SectionEdits.split(joined, p, 8 * BAR), "an edge is no split");
  }
}
