package looseecho.desktop.session;

import static looseecho.desktop.session.WorkTest.fx;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import looseecho.analysis.Analysis;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.desktop.ClickTrack;
import looseecho.echo.Template;
import looseecho.hits.Hit;
import looseecho.mix.Sounds;
import looseecho.project.ProjectFile;
import org.junit.jupiter.api.Test;

/** Files are saved, exported and opened without one losing the other. */
class PapersTest extends SessionFixture {
  @Test
  void anEditMadeWhileItIsSavedIsNotSaved() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    fx(() -> desk.edit(clap(3)));
    Template written = desk.templateProperty().get();
    CountDownLatch gate = busy(session.lanes().saving());
    Path file = dir.resolve("pier.looseecho");
    fx(
        () -> {
          papers.save(file, false);
          desk.edit(clap(5));
        });
    gate.countDown();
    settled();
    assertTrue(papers.keeper().unsavedProperty().get(), "the later edit is not on the disk");
    assertEquals(written, new ProjectFile().read(file).template());
    fx(() -> papers.save(file, false));
    settled();
    assertFalse(papers.keeper().unsavedProperty().get());
    assertEquals(desk.templateProperty().get(), new ProjectFile().read(file).template());
  }

  @Test
  void savingAndExportingAtOnceBothCome() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Path out = Files.createDirectory(dir.resolve("out"));
    Path file = dir.resolve("pier.looseecho");
    fx(
        () -> {
          papers.export(out);
          papers.save(file, false);
        });
    settled();
    assertTrue(Files.exists(file));
    assertTrue(Files.exists(out.resolve("pier echo kick.wav")), "the stems are there");
    fx(() -> papers.export(out));
    settled();
    fx(() -> papers.open(dir.resolve("not there.wav")));
    says("not there.wav");
    assertEquals("pier.wav", desk.referenceProperty().get().name());
  }

  /** The last project is gone through while the window rests: nothing of it is seen or kept. */
  @Test
  void aRehearsalShowsNothingAndMakesRoom() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Path file = dir.resolve("pier.looseecho");
    fx(() -> papers.save(file, false));
    settled();
    close();
    begin();
    fx(() -> papers.rehearse());
    assertTrue(papers.rehearsed().join(), "it went through");
    fx(() -> assertTrue(session.lanes().resting()));
    assertNull(desk.referenceProperty().get());
    assertNull(papers.keeper().pathProperty().get());
    opened(file);
    assertEquals(file, papers.keeper().pathProperty().get());
    close();
    begin();
    fx(
        () -> {
          papers.open(file);
          papers.rehearse();
        });
    settled();
    assertFalse(papers.rehearsed().isDone(), "not beside what is opened");
  }

  /** Its readings are on the desk before its sound, for which whoever needs it waits. */
  @Test
  void aTrackThatIsKnownIsShownAtOnce() throws IOException {
    begin();
    Path pier = track("pier.wav", 12);
    FileTime hour = FileTime.from(Instant.now().minusSeconds(3600));
    Files.setLastModifiedTime(pier, hour);
    opened(pier);
    Analysis heard = desk.analysisProperty().get();
    float[] side = desk.referenceProperty().get().audio().channel(0);
    double gain = desk.referenceProperty().get().gain();
    close();
    begin();
    List<Boolean> there = new ArrayList<>();
    fx(
        () -> {
          var sound = session.playback().thereProperty();
          desk.analysisProperty().addListener((o, was, a) -> there.add(a != null && sound.get()));
          papers.open(pier);
        });
    settled();
    assertEquals(List.of(false), there);
    assertEquals(heard, desk.analysisProperty().get());
    Reference again = desk.referenceProperty().get();
    assertEquals(gain, again.gain());
    assertArrayEquals(side, again.audio().channel(0));
    assertTrue(again.peaks().peak(0, 12) > 0.1);
    fx(() -> assertTrue(session.playback().thereProperty().get()));
    close();
    Files.write(pier, new byte[(int) Files.size(pier)]);
    Files.setLastModifiedTime(pier, hour);
    begin();
    opened(pier);
    says("nothing sounds");
    assertEquals(heard, desk.analysisProperty().get());
    Audio none = desk.referenceProperty().get().audio();
    assertEquals(0, none.peak());
    assertEquals(side.length, none.length());
  }

  @Test
  void anotherFileWhereTheReferenceWasIsSaid() throws IOException {
    begin();
    Path pier = track("pier.wav", 12);
    opened(pier);
    Path file = dir.resolve("pier.looseecho");
    fx(() -> papers.save(file, false));
    settled();
    ClickTrack.write(pier, 15);
    fx(() -> papers.open(file));
    says("Another file lies where the reference was");
    Files.delete(pier);
    fx(() -> papers.open(file));
    says("neither where it was nor beside the project");
    assertTrue(desk.templateProperty().get() != null, "the work stays on the desk");
  }

  @Test
  void stoppedWhileTheNotesAreHeardBarsAndDrumsStay() throws IOException {
    begin();
    Path pier = track("pier.wav", 12);
    List<String> said = new ArrayList<>();
    fx(
        () ->
            desk.analysisProperty()
                .addListener(
                    (o, was, a) -> {
                      if (a != null && desk.document().isEmpty() && said.isEmpty()) { // half
                        desk.correct(c -> MINOR, "A minor");
                        said.add(desk.messageProperty().get());
                        session.lanes().opening().cancel();
                      }
                    }));
    fx(() -> papers.open(pier));
    says("bars and drums are here");
    assertEquals(1, said.size());
    assertTrue(said.get(0).contains("still being heard"), said.get(0));
    assertEquals(Corrections.NONE, desk.correctionsProperty().get());
    assertEquals(120, desk.templateProperty().get().bpm(), 0.1);
    List<Hit> drums = desk.analysisProperty().get().hits();
    assertFalse(drums.isEmpty());
    fx(() -> desk.correct(c -> MINOR, "A minor"));
    settled();
    Path file = dir.resolve("pier.looseecho");
    fx(() -> papers.save(file, false));
    settled();
    assertTrue(papers.keeper().read(file).heard().isEmpty(), "half is not kept as the whole");
    fx(() -> papers.open(pier));
    settled();
    fx(desk::hearAgain);
    settled();
    fx(() -> papers.save(file, false));
    settled();
    assertTrue(papers.keeper().read(file).heard().isPresent());
    assertEquals(drums, desk.analysisProperty().get().hits(), "the whole has the same drums");
  }

  @Test
  void withoutATrackNothingIsDoneAndNothingBreaks() {
    begin();
    fx(
        () -> {
          desk.undo();
          desk.redo();
          desk.hearAgain();
          desk.correct(c -> MINOR, "nothing to correct");
          desk.sound(Sounds.plain(), "nothing to sound");
          papers.export(dir);
        });
    assertEquals("There is nothing to export yet.", desk.messageProperty().get());
    fx(() -> papers.save(dir.resolve("x.looseecho"), false));
    assertEquals("There is nothing to save yet.", desk.messageProperty().get());
    assertNull(desk.exact());
    assertEquals(List.of(), desk.logProperty().get());
    assertFalse(session.playback().loopBars(4));
  }
}
