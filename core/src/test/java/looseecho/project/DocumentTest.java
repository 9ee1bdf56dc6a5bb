package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.analysis.Heard;
import looseecho.audio.Audio;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Retune;
import looseecho.echo.Template;
import looseecho.hits.HitMark;
import looseecho.mix.Bus;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.reading.Progress;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One track's work: what is asked, what is heard, what is edited and what is saved. */
class DocumentTest {
  @TempDir private Path dir;
  private static final Analyzer ANALYZER = new Analyzer();
  private static Heard heard;
  private static Analysis analysis;

  @BeforeAll
  static void hear() {
    EchoRenderer kit = new EchoRenderer(Sounds.plain());
    Bus bus = new Bus(14 * EchoRenderer.RATE, EchoRenderer.RATE);
    for (int eighth = 0; eighth < 54; eighth++) {
      bus.add(kit.oneShot(Part.of(Lane.HAT_CLOSED), 90), 0.25 * eighth, 1, 0);
      if (eighth % 2 == 0) {
        bus.add(
            kit.oneShot(eighth % 4 == 0 ? Part.of(Lane.KICK) : Part.of(Lane.SNARE), 110),
            0.25 * eighth,
            1,
            0);
      }
    }
    Audio audio = bus.audio(0.5);
    heard = ANALYZER.listen(audio, Progress.NONE);
    analysis = ANALYZER.read(heard, Corrections.NONE, Progress.NONE);
  }

  private static Document open() {
    Document.Origin origin = new Document.Origin("pier", Path.of("pier.wav"), "ab12", false);
    return Document.of(origin, Optional.of(heard), Corrections.NONE, analysis);
  }

  private static Template template(Document d) {
    return d.state().template().orElseThrow();
  }

  private static Edits.Edited clap(Document d, int step) {
    return Edits.toggle(template(d), Cell.step(0, Part.of(Lane.CLAP), step), 77, false);
  }

  private static long claps(Template t) {
    return t.sections().get(0).hits(Lane.CLAP).stream().filter(h -> h.velocity() == 77).count();
  }

  private static boolean correct(Document d, Corrections now) {
    d.ask(c -> now);
    return d.corrected(now, ANALYZER.read(heard, now, Progress.NONE), "corrected");
  }

  @Test
  void savedIsTheRevisionThatWasWrittenNotTheOneEditedMeanwhile() {
    Document d = open();
    assertTrue(d.isSaved(), "nothing was done yet");
    d.edit(clap(d, 3));
    long written = d.revision();
    Project onDisk = d.project().orElseThrow();
    d.edit(clap(d, 5)); // while it is being written
    d.saved(written);
    assertFalse(d.isSaved());
    assertEquals(1, claps(onDisk.template()));
    d.saved(d.revision());
    assertTrue(d.isSaved());
    d.undo();
    assertFalse(d.isSaved());
  }

  /**
   * Matched sounds reach every state that had the built-in ones, and a file written before them.
   */
  @Test
  void matchedSoundsAreWhereTheBuiltInOnesWere() {
    Document d = open();
    Sounds own = Sounds.plain().room(2);
    Sounds near = Sounds.plain().driven(1);
    d.sound(own, "own", "");
    d.matched(near);
    assertEquals(own, d.state().sounds(), "what the person chose stays");
    d.undo();
    assertEquals(near, d.state().sounds());
    assertEquals(near, d.project().orElseThrow().near());
    Sounds nearer = near.driven(2);
    d.redo();
    d.matched(nearer);
    assertEquals(own, d.state().sounds(), "and the second step leaves it, too");
    d.undo();
    assertEquals(nearer, d.state().sounds());
    Document fresh = open();
    fresh.matched(near);
    assertTrue(fresh.isSaved(), "nothing to save");
    Document written = open();
    written.saved(written.revision());
    written.matched(near);
    assertFalse(written.isSaved(), "the file has the built-in ones");
  }

  @Test
  void theLogTellsBeforeAndAfterAndTheReason() {
    Document d = open();
    int claps = template(d).sections().get(0).hits(Lane.CLAP).size();
    d.edit(clap(d, 3));
    assertEquals("clap " + claps + " to " + (claps + 1), last(d).change());
    d.edit(Retune.tempo(template(d), 96, true));
    assertTrue(last(d).change().matches("tempo 1(19|20).\\d\\d to 96.00"), last(d).change());
    Sounds mine = d.state().sounds();
    var kick = Part.of(Lane.KICK);
    Sounds wide = mine.with(kick, mine.strip(kick).level(-7.5).wide(0.5));
    d.sound(wide, "Kick set", "");
    String change = last(d).change();
    assertTrue(change.contains("dB to -7.5 dB, kick width") && change.endsWith(" to 50 %"), change);
    d.sound(wide.room(2), "Room", "");
    d.undo();
    assertTrue(last(d).change().startsWith("room 2.0 s to "), last(d).told());
    long before = d.revision();
    d.explain(1, "it answers the snare");
    assertTrue(d.revision() > before, "there is something to save");
    assertTrue(d.log().get(1).told().endsWith(". Why: it answers the snare"));
    assertEquals(d.log(), d.project().orElseThrow().log());
  }

  private static LogLine last(Document d) {
    return d.log().get(d.log().size() - 1);
  }

  @Test
  void correctionsAskedForInARowBuildOnEachOther() {
    Document d = open();
    d.ask(c -> c.withBarOneAt(1));
    Corrections both = d.ask(c -> c.withKey(new Key(2, true)));
    assertEquals(Optional.of(1.0), both.pulse().barOneAt());
    assertEquals(Corrections.NONE, d.state().corrections(), "nothing counts before it is heard");
    d.refused();
    assertEquals(Corrections.NONE, d.asked());
  }

  @Test
  void aCorrectionKeepsTempoKeyNamesAndOrderOfTheEcho() {
    Document d = open();
    d.edit(Retune.tempo(template(d), 96, true));
    d.edit(Retune.key(template(d), new Key(2, true)));
    d.edit(clap(d, 3));
    HitMark add = HitMark.add(Lane.TOM, 1.125, 90);
    assertTrue(correct(d, Corrections.NONE.withHits(List.of(add))));
    Template t = template(d);
    assertEquals(96, t.bpm(), 1e-9);
    assertEquals(new Key(2, true), t.key());
    assertEquals(1, claps(t), "the person's clap stays");
    assertTrue(
        t.sections().get(0).hits(Lane.TOM).stream().anyMatch(h -> h.velocity() == 90),
        "the correction follows");
    Edits.Edited twice = looseecho.echo.Arrangement.repeat(t, 0);
    d.edit(twice);
    int sections = template(d).sections().size();
    assertTrue(correct(d, Corrections.NONE.withKey(new Key(7, false))));
    assertEquals(sections, template(d).sections().size(), "the order stays");
    assertEquals(96, template(d).bpm(), 1e-9);
  }

  @Test
  void undoTakesACorrectionBackWithItsTemplate() {
    Document d = open();
    Template before = template(d);
    correct(d, Corrections.NONE.withHits(List.of(HitMark.add(Lane.TOM, 1.125, 90))));
    assertFalse(before.equals(template(d)));
    d.undo();
    assertEquals(before, template(d));
    assertEquals(Corrections.NONE, d.asked());
    assertEquals(Corrections.NONE, d.project().orElseThrow().corrections());
  }

  @Test
  void whatWasHeardComesBackEqualAndOnlyForItsCorrections() throws IOException {
    HeardStore store = new HeardStore(dir.resolve("heard"));
    store.save("ab12", Corrections.NONE, analysis);
    assertEquals(Optional.of(analysis), store.load("ab12", Corrections.NONE));
    assertEquals(Optional.empty(), store.load("ab12", Corrections.NONE.withBpm(60)));
    assertEquals(Optional.empty(), store.load("cd34", Corrections.NONE));
    try (var files = Files.list(dir.resolve("heard"))) {
      Files.write(files.findFirst().orElseThrow(), new byte[] {1, 2, 3});
    }
    assertEquals(Optional.empty(), store.load("ab12", Corrections.NONE), "it is heard again");
    Path file = dir.resolve("a.looseecho");
    Project project = open().project().orElseThrow();
    new ProjectFile().write(project, Optional.empty(), Optional.of(analysis), file);
    ProjectFile.Opened opened = new ProjectFile().open(file);
    assertEquals(project, opened.project());
    assertEquals(Optional.of(analysis), opened.heard());
    assertEquals(Analyzer.EAR, opened.ear());
  }
}
