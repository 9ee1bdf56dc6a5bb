package looseecho.desktop.session;

import static looseecho.desktop.session.WorkTest.fx;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.echo.Edits;
import looseecho.echo.Template;
import looseecho.notes.Key;
import looseecho.project.CorrectionStore;
import looseecho.reading.Progress;
import looseecho.separate.StemPowers;
import org.junit.jupiter.api.Test;

/** What is heard, corrected and written stays with its track. */
class DeskTest extends SessionFixture {
  @Test
  void whatIsHeardOfOneTrackTouchesNoOther() throws IOException {
    begin();
    Path pier = track("pier.wav", 12);
    Path quay = track("quay.wav", 14);
    opened(pier);
    String first = desk.referenceProperty().get().fingerprint();
    fx(
        () -> {
          desk.correct(c -> MINOR, "Key corrected");
          papers.open(quay);
          desk.correct(c -> c.withKey(new Key(4, false)), "while the second track loads");
          desk.edit(new Edits.Edited(desk.templateProperty().get(), "an edit"));
        });
    settled();
    assertEquals("quay.wav", desk.referenceProperty().get().name());
    String second = desk.referenceProperty().get().fingerprint();
    assertNotEquals(first, second);
    assertEquals(Corrections.NONE, desk.correctionsProperty().get());
    CorrectionStore kept = new CorrectionStore(dir.resolve("corrections"));
    assertEquals(Corrections.NONE, kept.load(second).corrections());
  }

  @Test
  void aCorrectionIsTakenBackAndDoneAgain() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    fx(() -> desk.edit(clap(3)));
    Template mine = desk.templateProperty().get();
    fx(() -> desk.correct(c -> MINOR, "Key corrected"));
    settled();
    assertEquals(new Key(9, true), desk.templateProperty().get().key());
    assertEquals(
        mine.sections().get(0).hits(Lane.CLAP),
        desk.templateProperty().get().sections().get(0).hits(Lane.CLAP),
        "the edit is carried over");
    fx(desk::undo);
    settled();
    assertEquals(mine, desk.templateProperty().get());
    assertEquals(Corrections.NONE, desk.correctionsProperty().get());
    fx(desk::redo);
    settled();
    assertEquals(MINOR, desk.correctionsProperty().get());
    String fingerprint = desk.referenceProperty().get().fingerprint();
    CorrectionStore kept = new CorrectionStore(dir.resolve("corrections"));
    assertEquals(MINOR, kept.load(fingerprint).corrections());
    fx(() -> desk.correct(c -> c.withLocked(true), "Locked"));
    settled();
    fx(() -> desk.correct(c -> c.withBpm(90), "Other tempo"));
    says("The ground is locked");
  }

  @Test
  void aCorrectionThatIsStoppedLeavesEverything() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Template before = desk.templateProperty().get();
    CountDownLatch gate = busy(session.lanes().saving()); // hearing itself stays free
    fx(
        () -> {
          desk.correct(c -> MINOR, "Key corrected");
          session.lanes().hearing().cancel();
        });
    gate.countDown();
    settled();
    says("The correction was stopped. Nothing was changed.");
    assertEquals(before, desk.templateProperty().get());
    fx(() -> desk.correct(c -> c.withBpm(120), "Tempo confirmed"));
    settled();
    assertTrue(desk.correctionsProperty().get().key().isEmpty(), "the stopped one is forgotten");
  }

  /** Its file is gone: only what is still known of it can answer. */
  @Test
  void whoGoesBackToATrackWaitsForNoHearing() throws IOException {
    begin();
    Path pier = track("pier.wav", 12);
    opened(pier);
    opened(track("quay.wav", 14));
    opened(pier);
    Files.delete(pier);
    fx(() -> desk.correct(c -> MINOR, "Key corrected"));
    settled();
    says("Key corrected");
    assertEquals(new Key(9, true), desk.templateProperty().get().key());
  }

  /** A correction of the layers does not wait for that again. */
  @Test
  void aTrackIsPartedOnce() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Reference pier = desk.referenceProperty().get();
    Hearings hearings = new Hearings();
    StemPowers parted = hearings.parted(pier, List.of(), Progress.NONE);
    assertSame(parted, hearings.parted(pier, List.of(), Progress.NONE));
    opened(track("quay.wav", 14));
    Reference quay = desk.referenceProperty().get();
    assertNotSame(parted, hearings.parted(quay, List.of(), Progress.NONE));
  }
}
