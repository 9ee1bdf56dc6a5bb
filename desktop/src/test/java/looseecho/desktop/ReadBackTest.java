package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.desktop.session.Packing;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.exchange.StemNames;
import looseecho.handover.Exporters;
import looseecho.mix.Sounds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** What was handed over comes back when it is dropped on the window. */
class ReadBackTest extends WindowTest {
  private static final Part SNARE = Part.of(Lane.SNARE);

  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    open(stage, dir.resolve("corrections"));
  }

  private Template template() {
    return session.desk().templateProperty().get();
  }

  /** A pack of a track that was heard and in which one stroke was put. */
  private void hearEditAndPack(Set<Exporters> kinds, boolean zip) throws IOException {
    Path track = dir.resolve("pier.wav");
    ClickTrack.write(track, 12);
    drop(track);
    until("it is heard", () -> template() != null && session.lanes().resting());
    Cell cell = Cell.step(0, Part.of(Lane.SNARE), 3);
    robot.interact(() -> session.desk().edit(Edits.toggle(template(), cell, 77, false)));
    robot.interact(
        () ->
            session
                .packing()
                .write(
                    new Packing.Wish(kinds, Set.of(), Set.of(), "quay", StemNames.USUAL, zip),
                    dir));
    until("the pack is written", () -> session.lanes().resting());
    assertTrue(text("#message").startsWith("The pack is written: "), text("#message"));
  }

  @Test
  void theSamplesOfAKitAndWhatWasHeardOfTheTrack() throws IOException {
    drop(Files.writeString(dir.resolve("early.sfz"), "<region> sample=a.wav key=36"));
    assertTrue(text("#message").startsWith("Open a track first: the samples"));
    drop(Files.writeString(dir.resolve("early.jams"), "{}"));
    assertTrue(text("#message").startsWith("Open a track first: a JAMS file"));
    hearEditAndPack(EnumSet.of(Exporters.KIT, Exporters.JAMS), false);
    Sounds before = session.maker().soundsProperty().get();
    Path kit = dir.resolve("quay/kit/drums.sfz");
    drop(kit);
    until("the samples are taken", () -> text("#message").endsWith(" samples of drums.sfz"));
    Sounds now = session.maker().soundsProperty().get();
    String sample = now.sample(SNARE.asDrum().orElseThrow()).orElseThrow().path();
    assertTrue(Path.of(sample).startsWith(kit.getParent()), sample);
    robot.interact(() -> session.desk().undo());
    assertEquals(before, session.maker().soundsProperty().get());
    drop(Files.writeString(dir.resolve("empty.sfz"), "// nothing"));
    until("it is refused", () -> text("#message").contains("no region whose sample is there"));

    robot.interact(() -> session.desk().correct(c -> c.withBpm(60), "Half the tempo"));
    until("it is corrected", () -> Math.abs(template().bpm() - 60) < 1);
    drop(dir.resolve("quay/heard.jams"));
    until("it is as it was", () -> Math.abs(template().bpm() - 120) < 1);
    assertTrue(text("#message").endsWith(" as heard.jams has it"), text("#message"));
    drop(Files.writeString(dir.resolve("bad.jams"), "rope"));
    until("that is refused", () -> text("#message").contains("bad.jams"));
    assertEquals(120, template().bpm(), 1);
  }

  @Test
  void aPackIsGoneOnWithAsAFolderOrAZip() throws IOException {
    Set<Exporters> kinds = EnumSet.of(Exporters.PROJECT, Exporters.TABLES);
    hearEditAndPack(kinds, true);
    Template packed = template();
    robot.interact(() -> session.desk().undo());
    assertNotEquals(packed, template());
    robot.interact(() -> session.papers().save(dir.resolve("mine.looseecho"), false));
    until("it is saved", () -> session.lanes().resting());
    drop(dir.resolve("quay.zip"));
    until("the pack is open", () -> packed.equals(template()) && session.lanes().resting());
    Path copies = session.folder().resolveSibling("packs");
    assertTrue(Files.exists(copies.resolve("quay.looseecho")), "it is worked on in a copy");
    Path empty = Files.createDirectory(dir.resolve("empty"));
    drop(empty);
    until("it is no pack", () -> text("#message").equals("empty is no pack with a project in it."));
    assertEquals(packed, template(), "what is open stays");
    assertEquals(Optional.empty(), looseecho.handover.Pack.project(empty, copies));
  }
}
