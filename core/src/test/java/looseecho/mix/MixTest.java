package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Arrangement;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateTest;
import looseecho.echo.Tone;
import looseecho.isolate.LineIsolator;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.notes.Tonality;
import looseecho.reading.Progress;
import looseecho.reading.Reading;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;

/** What single parts do in the mix. */
class MixTest {
  private static final int RATE = EchoRenderer.RATE;

  private static Map<String, Audio> stems(Sounds s, Template t) {
    return Rendered.of(new EchoRenderer(s), t).stems();
  }

  /** A project that was made before a drum was told apart still opens. */
  @Test
  void aDrumThatIsMissingSoundsAsItsBase() {
    Sounds plain = Sounds.plain();
    Map<Part, Sound> parts = new HashMap<>(plain.parts());
    parts.remove(Part.of(Lane.RIDE));
    Sounds opened =
        new Sounds(
            parts,
            plain.letters(),
            plain.groups(),
            plain.space(),
            plain.delay(),
            plain.bed(),
            plain.beds(),
            plain.whole());
    assertEquals(plain.sound(Part.of(Lane.CYMBAL)), opened.sound(Part.of(Lane.RIDE)));
  }

  @Test
  void levelPanAndMuteDoWhatTheySay() {
    Template t = TemplateTest.small();
    Part kick = Part.of(Lane.KICK);
    Sounds plain = Sounds.plain();
    float[] before = stems(plain, t).get("kick").channel(0);
    Sounds softer = plain.with(kick, plain.strip(kick).level(plain.strip(kick).levelDb() - 6.0206));
    float[] after = stems(softer, t).get("kick").channel(0);
    int at = RATE / 2 + 2000;
    assertEquals(0.5, Signals.rms(after, at, at + 4000) / Signals.rms(before, at, at + 4000), 1e-3);
    Sounds left = plain.monoBelow(0).with(kick, plain.strip(kick).panned(-1));
    assertEquals(0, Signals.rms(stems(left, t).get("kick").channel(1), 0, 3 * RATE), 1e-6);
    Sounds off = plain.with(kick, plain.strip(kick).muted(true));
    assertTrue(!stems(off, t).containsKey("kick"));
    assertThrows(IllegalArgumentException.class, () -> new Strip(0, 2, false, 0, 100, 0, 0));
    assertThrows(IllegalArgumentException.class, () -> new Strip(Double.NaN, 0, false, 0, 1, 0, 0));
  }

  @Test
  void theBassDucksUnderTheKickByItsDecibels() {
    Template t = TemplateTest.small();
    Part bass = Part.of(Line.BASS);
    Sounds dry = Sounds.plain().with(bass, Sounds.plain().strip(bass).ducked(0, 100));
    Sounds ducked = Sounds.plain().with(bass, Sounds.plain().strip(bass).ducked(12, 200));
    float[] a = stems(dry, t).get("bass").channel(0);
    float[] b = stems(ducked, t).get("bass").channel(0);
    int kick = (int) (t.time(0, t.sections().get(0).hits(Lane.KICK).get(0).step(), 0) * RATE);
    double ratio = Signals.rms(b, kick + 10, kick + 500) / Signals.rms(a, kick + 10, kick + 500);
    assertEquals(-12, 20 * Math.log10(ratio), 1.0);
  }

  /** The cache gives what a new rendering gives, whichever part is edited and undone. */
  @Test
  void onlyWhatChangedIsRenderedAnewAndItSoundsTheSame() {
    EchoRenderer kept = new EchoRenderer(Sounds.plain());
    Template t = TemplateTest.small();
    kept.mix(t, Progress.NONE);
    Template edited = Edits.toggle(t, Cell.step(0, Part.of(Lane.KICK), 7), 90, false).template();
    List<Tone> riff = List.of(new Tone(720, 0, 960, 69, 90, -5, 80));
    Template more = Edits.line(edited, 0, Part.of(Line.RIFF), riff, "").template();
    for (Template x : List.of(edited, more, t)) {
      assertArrayEquals(
          new EchoRenderer(Sounds.plain()).mix(x, Progress.NONE).channel(0),
          kept.mix(x, Progress.NONE).channel(0));
    }
  }

  @Test
  void aSlideArrivesAtItsPitch() {
    ToneSound sine = new ToneSound(0, 1, 0, 8000, 0, 1, 500, 1, 10, 0, 0, Timbre.PLAIN);
    float[] x = new ToneSynth().render(sine, 57, 1, 110, 12, 0.3, RATE);
    assertEquals(440, crossings(x, 0, 2000), 30, "an octave above at first");
    assertEquals(
        220, crossings(x, RATE / 2, RATE * 9 / 10), 3, "A3 in the end (equal temperament)");
  }

  private static double crossings(float[] x, int from, int to) {
    int count = 0;
    int first = -1;
    int last = -1;
    for (int i = from + 1; i < to; i++) {
      if (x[i - 1] <= 0 && x[i] > 0) {
        first = first < 0 ? i : first;
        last = i;
        count++;
      }
    }
    return (count - 1) * (double) RATE / (last - first);
  }

  @Test
  void aLineIsBroughtForwardWhileItSounds() {
    Audio mix = Signals.sine(60, 0.4, 3, RATE, true);
    float[] both = mix.channel(0).clone();
    float[] high = Signals.sine(2000, 0.4, 3, RATE, true).channel(0);
    for (int i = 0; i < both.length; i++) {
      both[i] += high[i];
    }
    Audio audio = new Audio(both, both.clone(), RATE);
    Tonality heard =
        new Tonality(
            looseecho.notes.TonalContent.KEY,
            Reading.measured(new Key(0, true), 1, ""),
            List.of(),
            0,
            List.of(),
            List.of(new Note(1, 2, 35, 90, 1)),
            List.of(new Note(0.5, 1, 95, 90, 1)),
            List.of());
    float[] bass = new LineIsolator().isolate(audio, Line.BASS, heard, Progress.NONE).channel(0);
    assertEquals(0.283, Signals.rms(bass, RATE + 5000, 2 * RATE - 5000), 0.03, "the bass alone");
    assertEquals(0, Signals.rms(bass, 0, RATE - 3000), 1e-6);
    float[] riff = new LineIsolator().isolate(audio, Line.RIFF, heard, Progress.NONE).channel(0);
    assertEquals(0.283, Signals.rms(riff, RATE * 6 / 10, RATE * 9 / 10), 0.03, "the riff alone");
    assertTrue(Signals.rms(riff, 2 * RATE, 3 * RATE) < 1e-6);
  }

  @Test
  void anyLaneCanDuckAPart() {
    Template t = TemplateTest.small();
    Part bass = Part.of(Line.BASS);
    Strip strip = Sounds.plain().strip(bass).ducked(12, 200);
    float[] free = stems(Sounds.plain().with(bass, strip.ducked(0, 200)), t).get("bass").channel(0);
    Sounds under = Sounds.plain().with(bass, strip.duckedBy(Lane.SNARE));
    float[] ducked = stems(under, t).get("bass").channel(0);
    int snare = (int) (t.time(0, 4 * 240, 12) * RATE);
    double ratio =
        Signals.rms(ducked, snare + 10, snare + 500) / Signals.rms(free, snare + 10, snare + 500);
    assertEquals(-12, 20 * Math.log10(ratio), 1.0);
    // Once in a bar and by no stroke: as loud under the snare, pushed down at the bar line.
    Sounds swell = Sounds.plain().with(bass, strip.duckedBy(Lane.SNARE).with(Duck.SWELL));
    float[] swells = stems(swell, t).get("bass").channel(0);
    double there = Signals.rms(swells, snare, snare + 500) / Signals.rms(free, snare, snare + 500);
    assertEquals(0, 20 * Math.log10(there), 0.01);
    int line = (int) (t.time(0, 0, 0) * RATE);
    double at =
        Signals.rms(swells, line + 10, line + 500) / Signals.rms(free, line + 10, line + 500);
    assertEquals(-12, 20 * Math.log10(at), 1.0);
    int kick = (int) (t.time(0, 0, 0) * RATE);
    assertEquals(
        Signals.rms(free, kick, kick + 2000), Signals.rms(ducked, kick, kick + 2000), 1e-6);
  }

  /** Wide on two speakers, and still the same in mono. */
  @Test
  void aWidePartKeepsItsMonoSum() {
    Template t = TemplateTest.small();
    Part bass = Part.of(Line.BASS);
    Audio point = Rendered.of(new EchoRenderer(Sounds.plain()), t).stems().get("bass");
    Sounds wide = Sounds.plain().with(bass, Sounds.plain().strip(bass).wide(1));
    Audio spread = Rendered.of(new EchoRenderer(wide), t).stems().get("bass");
    float[] a = point.mono();
    float[] b = spread.mono();
    float apart = 0;
    for (int i = 0; i < a.length; i++) {
      assertEquals(a[i], b[i], 1e-6);
      apart = Math.max(apart, Math.abs(spread.left(i) - spread.right(i)));
    }
    assertTrue(apart > 0.5 * point.peak());
  }

  @Test
  void aHitThatIsCutIsSilentAfterItsLength() {
    Template t = TemplateTest.small();
    Template cut = Edits.length(t, Cell.step(0, Part.of(Lane.SNARE), 4), -6).template();
    assertEquals(360, cut.sections().get(0).hits(Lane.SNARE).get(0).manner().lengthTicks());
    assertEquals(
        t, Edits.length(cut, Cell.step(0, Part.of(Lane.SNARE), 4), 6).template(), "it rings again");
    float[] rings = stems(Sounds.plain(), t).get("snare").channel(0);
    float[] x = stems(Sounds.plain(), cut).get("snare").channel(0);
    int hit = (int) (t.time(0, 4 * 240, 12) * RATE);
    int end = hit + (int) (1.5 * 0.125 * RATE); // a sixteenth at 120 lasts 0.125 s
    assertEquals(Signals.rms(rings, hit, end - 10), Signals.rms(x, hit, end - 10), 1e-9);
    assertTrue(Signals.rms(rings, end + 300, end + 2000) > 1e-4);
    assertEquals(0, Signals.rms(x, end + 300, end + 2000), 1e-9);
  }

  @Test
  void theOctaveBelowHasHalfThePitch() {
    ToneSound sine = new ToneSound(0, 1, 0, 8000, 0, 1, 500, 1, 10, 0, 0, Timbre.PLAIN);
    float[] plain = new ToneSynth().render(sine, 57, 1, 110, RATE);
    float[] both = new ToneSynth().render(sine.subbed(1), 57, 1, 110, RATE);
    for (int i = 0; i < plain.length; i++) {
      both[i] -= plain[i];
    }
    assertEquals(110, crossings(both, RATE / 10, RATE * 9 / 10), 1, "A2 below A3");
  }

  /** 20 log10 of a ratio of amplitudes is its decibels. */
  @Test
  void theBedOfNoiseDucksAndRestsWhereNothingPlays() {
    Template t = Arrangement.silence(TemplateTest.small(), Part.of(Lane.HAT_CLOSED), 1).template();
    Bed loud = new Bed(-20, 20, 19000, 0, 100);
    Audio whole =
        Rendered.of(new EchoRenderer(Sounds.plain().with(loud)), t).stems().get("noise bed");
    float[] x = whole.channel(0);
    Audio ducked =
        Rendered.of(new EchoRenderer(Sounds.plain().with(loud.ducked(12, 100))), t)
            .stems()
            .get("noise bed");
    int kick = (int) Math.round(0.5 * RATE);
    double ratio =
        Signals.rms(ducked.channel(0), kick, kick + 300) / Signals.rms(x, kick, kick + 300);
    assertEquals(-12, 20 * Math.log10(ratio), 0.5);
    int second = (int) (t.time(1, 0, 0) * RATE);
    assertTrue(Signals.rms(x, RATE, 2 * RATE) > 0.02);
    assertEquals(0, Signals.rms(x, second + RATE / 10, x.length), 1e-9);
    assertTrue(Math.abs(whole.left(RATE) - whole.right(RATE)) > 1e-4, "it is wide");
  }
}
