package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.activity.LineNet;
import looseecho.activity.Register;
import looseecho.audio.Resampler;
import looseecho.mix.Bus;
import looseecho.pulse.PlainPulse;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import looseecho.reading.Reading;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NotesTest {
  private static final double[] C_MAJOR_PROFILE = {
    6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88
  };

  /**
   * Krumhansl and Kessler 1982, correlations of the C major profile with other keys (also Krumhansl
   * 1990, chapter 2; from memory, two decimals): A minor .651, G major .591, F major .591, E minor
   * .536, C minor .511.
   */
  @ParameterizedTest
  @CsvSource({
    "C:major,1.0",
    "A:minor,0.651",
    "G:major,0.591",
    "F:major,0.591",
    "E:minor,0.536",
    "C:minor,0.511"
  })
  void profilesCorrelateAsPublished(String key, double correlation) {
    double got =
        new KeyFinder()
            .rank(C_MAJOR_PROFILE).stream()
                .filter(r -> r.key().label().equals(key))
                .findFirst()
                .orElseThrow()
                .score();
    assertEquals(correlation, got, 0.006);
  }

  @ParameterizedTest
  @CsvSource({"-0.3,in tune", "12.4,12 cents sharp", "-0.6,1 cent flat"})
  void tuningIsSaidAsAMusicianSaysIt(double cents, String words) {
    List<Reading<Key>> none = List.of();
    Tonality t =
        new Tonality(
            TonalContent.NONE, null, none, cents, List.of(), List.of(), List.of(), List.of());
    assertEquals(words, t.tuningWords());
  }

  @Test
  void theBassSettlesTheHomeAmongCousins() {
    double[] white = {1, 0, 1, 0, 1, 1, 0, 1, 0, 1, 0, 1};
    double[] bassOnA = new double[12];
    bassOnA[9] = 10;
    bassOnA[4] = 4;
    double[] bassOnC = new double[12];
    bassOnC[0] = 10;
    bassOnC[7] = 4;
    assertEquals(new Key(9, true), find(white, bassOnA).value());
    assertTrue(find(white, bassOnA).reason().contains("the bass rests on A"));
    var major = find(white, bassOnC);
    assertEquals(new Key(0, false), major.value());
    assertTrue(
        major.alternatives().stream()
            .anyMatch(
                a -> a.value().equals(new Key(9, true)) && a.reason().contains("same notes")));
  }

  private static Reading<Key> find(double[] tones, double[] bass) {
    return new KeyFinder()
        .find(new KeyFinder.Evidence(tones, bass, new double[12], Optional.empty()));
  }

  /**
   * The white notes from D make the dorian mode (Kostka and Payne, "Tonal Harmony"; from memory):
   * with D as home it is offered, and the note that tells it from D minor is named.
   */
  @Test
  void modalCousinsAreOfferedWithTheirNote() {
    double[] tones = {3, 0, 6, 0, 3, 4, 0, 4, 0, 4, 0, 2.5};
    double[] bass = new double[12];
    bass[2] = 10;
    Reading<Key> key = find(tones, bass);
    Key dorian = new Key(2, Scale.DORIAN);
    var offered =
        key.alternatives().stream().filter(a -> a.value().equals(dorian)).findFirst().orElseThrow();
    assertEquals(2, key.value().tonic());
    assertTrue(offered.reason().contains("B is heard"), offered.reason());
    assertEquals(0, dorian.fifths(), "no sharps, no flats");
    assertEquals(-1, new Key(2, true).fifths());
  }

  @Test
  void keysAreReadAndWritten() {
    assertEquals(new Key(1, true), Key.parse("C#:minor"));
    assertEquals("C#:minor", new Key(1, true).label());
    assertThrows(IllegalArgumentException.class, () -> Key.parse("H:moll"));
    assertThrows(IllegalArgumentException.class, () -> new Key(12, true));
  }

  /**
   * Degrees and numerals against the major scale on the home note, capitals for a major third
   * (common practice); chord labels after Harte and others 2005.
   */
  @ParameterizedTest
  @CsvSource({
    "2,MINOR,D:min,Dm,i",
    "10,MAJOR,A#:maj,B♭,♭VI",
    "0,MAJOR,C:maj,C,♭VII",
    "9,SEVENTH,A:7,A7,V7",
    "7,MINOR_7,G:min7,Gm7,iv7",
    "9,SUS_4,A:sus4,Asus4,Vsus4",
    "2,POWER,D:5,D5,I5",
    "4,DIMINISHED,E:dim,E°,ii°"
  })
  void chordsAreNamedInTheKey(int root, ChordKind kind, String label, String name, String numeral) {
    Chord c = new Chord(0, 1, root, kind, 1);
    assertEquals(label, c.label());
    assertEquals(name, c.words(new Key(2, true)));
    assertEquals(numeral, c.numeral(new Key(2, true)).orElseThrow());
  }

  @Test
  void degreesAndRungsFollowTheKey() {
    Key d = new Key(2, true);
    assertEquals("♭3", d.degree(53));
    assertTrue(d.has(53) && !d.has(54));
    for (int pitch = 20; pitch < 100; pitch++) {
      assertTrue(!d.has(pitch) || d.pitch(d.rung(pitch)) == pitch, "on its own rung: " + pitch);
    }
    assertEquals("third", new Chord(0, 1, 2, ChordKind.MINOR, 1).part(65));
    assertEquals("N", new Chord(0, 1, Chord.NONE, ChordKind.MAJOR, 1).label());
  }

  private static final Pulse PULSE = pulse();

  private static Pulse pulse() {
    return PlainPulse.at120(0, 33);
  }

  @Test
  void figuresComeBackAndAreNamed() {
    List<Note> riff = new ArrayList<>();
    int[][] bars = {
      {62, 65, 69}, {62, 65, 69}, {74, 72, 70}, {62, 65, 69}, {74, 72, 70}, {60, 61, 50}
    };
    for (int b = 0; b < bars.length; b++) {
      for (int k = 0; k < 3; k++) {
        riff.add(new Note(2 * b + 0.25 * k, 2 * b + 0.25 * k + 0.2, bars[b][k], 90, 1));
      }
    }
    List<Figure> found = new FigureFinder().find(riff, PULSE);
    assertEquals(List.of("a", "b"), found.stream().map(Figure::name).toList());
    assertEquals(List.of(1, 2, 4), found.get(0).at());
    assertEquals("rising in leaps", found.get(0).shape());
    assertEquals("falling by steps", found.get(1).shape());
    Interlock lock =
        Interlock.of(
            List.of(new Note(0, 0.2, 30, 90, 1), new Note(0.5, 0.7, 30, 90, 1)),
            List.of(0.01, 2.0));
    assertEquals(List.of(true, false), lock.with());
    assertEquals(0.5, lock.kicksFollowed());
    String still =
        Harmony.drone(
            List.of(new Note(0, 9, 38, 90, 1), new Note(9, 10, 50, 90, 1)),
            new Key(2, true),
            0,
            10);
    assertEquals("The bass stays on D, degree 1, in 2 octaves", still);
    List<Chord> one = List.of(new Chord(0, 8, 2, ChordKind.MINOR, 1));
    assertEquals("One chord throughout: Dm, i", Harmony.chords(one, new Key(2, true), 0, 8));
  }

  private static List<Note> hear(float[] low) {
    return new LineFinder(LineFinder.Settings.BASS)
        .find(LineNet.load(Register.BASS).run(low, 0, Progress.NONE), Optional.empty());
  }

  private static float[] low(Bus bus) {
    return new Resampler().resample(bus.audio(1).mono(), 44100, Register.BASS.rate());
  }

  /**
   * Notes played on our own synthesiser come back with their pitches (equal temperament, A4 = 440
   * Hz) and attacks.
   */
  @Test
  void aBassLineIsTranscribed() {
    int[] pitches = {33, 45, 33, 40, 38, 38, 29, 36};
    Bus bus = new Bus(44100 * 9, 44100);
    for (int k = 0; k < pitches.length; k++) {
      bus.add(new ToneSynth().render(ToneSound.BASS, pitches[k], 0.7, 100, 44100), 0.5 + k, 0.5, 0);
    }
    List<Note> notes = hear(low(bus));
    for (int k = 0; k < pitches.length; k++) {
      double start = 0.5 + k;
      int pitch = pitches[k];
      assertTrue(
          notes.stream().anyMatch(n -> n.pitch() == pitch && Math.abs(n.start() - start) < 0.05),
          "note " + pitch + " at " + start + " in " + notes);
    }
    assertTrue(notes.size() <= pitches.length + 2, notes.toString());
    assertTrue(hear(new float[Register.BASS.rate() * 3]).isEmpty(), "silence has no notes");
  }

  /** A slide over an octave is heard as one, loud and soft are told apart, and so is a sub. */
  @Test
  void slidesLoudnessAndSubAreMeasured() {
    ToneSound sine = new ToneSound(0, 1, 0, 2000, 0, 5, 500, 1, 20, 0, 0, Timbre.PLAIN);
    Bus bus = new Bus(44100 * 4, 44100);
    ToneSynth synth = new ToneSynth();
    bus.add(synth.render(sine, 33, 0.8, 110, 12, 0.15, 44100), 0.5, 0.5, 0);
    bus.add(synth.render(sine, 33, 0.8, 60, 44100), 2, 0.5, 0);
    bus.add(
        synth.render(
            new ToneSound(1, 1, 0, 3000, 0, 5, 500, 1, 20, 0, 0, Timbre.PLAIN),
            33,
            0.8,
            110,
            44100),
        3,
        0.5,
        0);
    List<Note> plain =
        List.of(
            new Note(0.5, 1.3, 33, 90, 1),
            new Note(2, 2.8, 33, 90, 1),
            new Note(3, 3.8, 33, 90, 1));
    List<Note> notes =
        new BassDetails(low(bus), Register.BASS.rate(), 0, t -> false).complete(plain);
    Glide g = notes.get(0).glide().orElseThrow();
    assertEquals(45, g.from(), 2.5, "from an octave above");
    assertEquals(0.65, g.end(), 0.04);
    assertTrue(notes.get(1).glide().isEmpty() && notes.get(2).glide().isEmpty());
    assertTrue(notes.get(1).velocity() < notes.get(2).velocity() - 20, notes.toString());
    assertTrue(notes.get(1).sub() && !notes.get(2).sub());
  }

  /** Every degree has a letter of its own (notation, common practice). */
  @Test
  void pitchesAreSpelledByTheKey() {
    Key dMinor = new Key(2, true);
    assertEquals("B♭", dMinor.spelled(10), "the flat six of D minor");
    assertEquals("B♭1", dMinor.noteName(34));
    assertEquals("C#4", dMinor.noteName(61), "its leading note");
    assertEquals("B♭ minor", new Key(10, true).words());
    assertEquals("C# minor", new Key(1, true).words());
    assertEquals("E♭ major", new Key(3, false).words());
    for (int tonic = 0; tonic < 12; tonic++) {
      for (boolean minor : new boolean[] {true, false}) {
        Key key = new Key(tonic, minor);
        assertEquals(key, Key.parse(key.words()));
        assertEquals(key, Key.parse(key.label()));
        java.util.Set<Character> letters = new java.util.HashSet<>();
        for (int rung = 0; rung < 7; rung++) {
          letters.add(key.spelled(Math.floorMod(key.pitch(rung), 12)).charAt(0));
        }
        assertEquals(7, letters.size(), key.words());
      }
    }
  }
}
