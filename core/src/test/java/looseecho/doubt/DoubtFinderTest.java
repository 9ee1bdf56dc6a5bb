package looseecho.doubt;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.doubt.Doubt.Topic;
import looseecho.form.Change;
import looseecho.form.Form;
import looseecho.form.Section;
import looseecho.hits.Feel;
import looseecho.hits.Hit;
import looseecho.notes.Chord;
import looseecho.notes.ChordKind;
import looseecho.notes.Key;
import looseecho.notes.Note;
import looseecho.notes.TonalContent;
import looseecho.notes.Tonality;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Alternative;
import org.junit.jupiter.api.Test;

/** What is named as worth checking is in doubt, and what most hangs on comes first. */
class DoubtFinderTest {
  private static Analysis heard(double tempoSure, TonalContent content, List<Hit> hits) {
    List<Beat> beats =
        IntStream.range(0, 33).mapToObj(k -> new Beat(0.5 * k, k % 4 + 1, k / 4 + 1)).toList();
    Reading<Double> tempo =
        new Reading<>(
            120.0,
            tempoSure,
            "",
            List.of(new Alternative<>(60.0, 0.4, "")),
            Reading.Settled.MEASURED);
    Pulse pulse = new Pulse(tempo, true, 1, 1, Reading.measured(Meter.FOUR_FOUR, 1, ""), beats);
    Form form =
        new Form(
            List.of(
                new Section("A", "intro", 0, 8, 4, 0.2, Change.NONE),
                new Section("B", "drop", 8, 16, 4, 0.3, Change.NONE)),
            List.of(),
            List.of());
    Tonality tones =
        new Tonality(
            content,
            Reading.measured(new Key(9, false), 0.4, ""),
            List.of(),
            0,
            List.of(
                new Chord(0, 4, 9, ChordKind.MINOR, 0.9), new Chord(4, 8, 5, ChordKind.MAJOR, 0.1)),
            List.of(new Note(8.1, 8.6, 33, 90, 0.3), new Note(9.1, 9.6, 33, 90, 0.9)),
            List.of(),
            List.of());
    return new Analysis(16, Optional.of(pulse), form, hits, Feel.of(hits, pulse), tones, List.of());
  }

  private static Hit hit(Lane lane, double time, int velocity, double sure) {
    int tick = (int) Math.round(time * 2 * Meter.QUARTER);
    int bar = 4 * Meter.QUARTER;
    return new Hit(lane, time, velocity, tick / bar + 1, tick % bar, 0, 0, null, sure, null, 0);
  }

  private static List<Doubt> of(List<Doubt> all, Topic topic) {
    return all.stream().filter(d -> d.topic() == topic).toList();
  }

  @Test
  void theGroundComesFirstAndOnlyWhatIsOpen() {
    List<Doubt> ground = of(DoubtFinder.of(heard(0.5, TonalContent.KEY, List.of())), Topic.GROUND);
    assertEquals("Tempo: 120 BPM, 50 % sure; or 60 BPM", ground.get(0).words());
    assertEquals("Key: A major, 40 % sure", ground.get(1).words());
    assertEquals("Does B begin in bar 5?", ground.get(2).words());
    assertEquals(3, ground.size(), "the first section begins where the track does");
    List<Doubt> sure = of(DoubtFinder.of(heard(0.9, TonalContent.HOME, List.of())), Topic.GROUND);
    assertEquals(List.of("Does B begin in bar 5?"), sure.stream().map(Doubt::words).toList());
  }

  @Test
  void ofManyHitsThoseThatMatter() {
    List<Hit> hits = new ArrayList<>();
    for (int k = 0; k < 30; k++) {
      hits.add(hit(Lane.HAT_CLOSED, 0.5 * k, 40 + k, k % 2 == 0 ? 0.5 : 0.9));
    }
    hits.add(hit(Lane.KICK, 6.25, 60, 0.55));
    hits.add(hit(Lane.SNARE, 7, 120, 0.95));
    List<Doubt> open = of(DoubtFinder.of(heard(0.9, TonalContent.KEY, hits)), Topic.HITS);
    assertEquals(6, open.size());
    assertTrue(
        open.get(0).words().startsWith("kick in bar 4, step 3, 55 % sure: one of the 6 that"),
        open.get(0).words());
    assertTrue(open.get(0).words().contains("of 16 in doubt"), open.get(0).words());
    assertEquals(Optional.of(new Doubt.Spot(6.25, Optional.of(Lane.KICK))), open.get(0).spot());
    assertEquals(14, open.get(1).spot().orElseThrow().time(), "then the loudest hat");
  }

  @Test
  void longDoubtfulChordsAndBassNotes() {
    List<Doubt> notes = of(DoubtFinder.of(heard(0.9, TonalContent.KEY, List.of())), Topic.NOTES);
    assertEquals(
        List.of("The chord in bar 3 is in doubt: F", "The bass's A1 in bar 5, 30 % sure"),
        notes.stream().map(Doubt::words).toList());
  }
}
