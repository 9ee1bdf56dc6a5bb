package looseecho.desktop.session;

import static looseecho.desktop.session.WorkTest.fx;
import static looseecho.desktop.session.WorkTest.until;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import looseecho.activity.Lane;
import looseecho.compare.Comparison;
import looseecho.compare.Finding;
import looseecho.compare.Mend;
import looseecho.desktop.session.Batch.State;
import looseecho.doubt.Doubt;
import looseecho.doubt.Doubt.Topic;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.form.LayerMark;
import looseecho.layers.HeardLayer;
import looseecho.project.Notebook.Verdict;
import org.junit.jupiter.api.Test;

/** What is heard when it is asked for: layers, how near the echo is, several tracks. */
class ListeningTest extends SessionFixture {
  private List<String> layers() {
    return session.layers().layersProperty().get().stream().map(HeardLayer::name).toList();
  }

  private static List<Stroke> claps(Template t) {
    return t.sections().stream().flatMap(s -> s.hits(Lane.CLAP).stream()).toList();
  }

  @Test
  void layersKeepTheirNamesAndBelongToTheirTrack() throws IOException {
    begin();
    LayerEar ear = session.layers();
    fx(ear::take);
    assertEquals("There are no layers yet to take into an echo.", desk.messageProperty().get());
    opened(track("pier.wav", 12));
    fx(ear::hear);
    settled();
    List<String> heard = layers();
    assertTrue(heard.contains("kick"), heard.toString());
    HeardLayer kick = ear.layersProperty().get().get(heard.indexOf("kick"));
    fx(() -> ear.pick(kick));
    fx(() -> ear.decide(LayerMark.rename("kick", "mooring post"), "Kick renamed"));
    settled();
    assertEquals("mooring post", ear.pickedProperty().get().name(), "it stays picked");
    assertFalse(layers().contains("kick"));
    Path file = dir.resolve("pier.looseecho");
    fx(() -> papers.save(file, false));
    settled();
    opened(track("quay.wav", 14));
    assertEquals(List.of(), layers(), "those of the other track are gone");
    assertNull(ear.pickedProperty().get());
    opened(file);
    fx(ear::hear);
    settled();
    assertTrue(layers().contains("mooring post"), layers().toString());
    fx(desk::undo);
    fx(() -> ear.decide(LayerMark.rename("mooring post", "kick"), "Kick again"));
    settled();
    assertEquals(heard, layers());
  }

  @Test
  void nearnessIsOfOneEchoAndItsMendIsOneStep() throws IOException {
    begin();
    Nearness near = session.nearness();
    fx(near::compare);
    assertEquals("There is no echo yet to compare with the track.", desk.messageProperty().get());
    opened(track("pier.wav", 12));
    fx(near::compare);
    settled();
    Comparison first = near.comparisonProperty().get();
    assertFalse(near.isOld());
    Double kick = first.scores().get("kick");
    assertTrue(kick > 50, "an exact echo is near: " + first.scores());
    Template exact = desk.templateProperty().get();
    fx(() -> desk.edit(clap(3)));
    assertTrue(near.isOld(), "what is shown is of the echo before");
    fx(near::compare);
    settled();
    Finding clap =
        near.comparisonProperty().get().findings().stream()
            .filter(f -> f.of().equals("clap"))
            .filter(f -> f.mend().filter(m -> m.what() == Mend.What.AS_HEARD).isPresent())
            .findFirst()
            .orElseThrow();
    fx(() -> near.mend(clap));
    assertEquals(claps(exact), claps(desk.templateProperty().get()), "as it was heard");
    fx(desk::undo);
    assertTrue(claps(exact).size() < claps(desk.templateProperty().get()).size());

    Path other = track("buoy.wav", 13);
    fx(() -> near.compare(other));
    settled();
    assertEquals("buoy.wav", near.other().orElseThrow());
    fx(() -> near.mend(clap));
    says("Strokes can be taken from the track only, not from buoy.wav.");

    fx(() -> near.judge("kick", Verdict.values()[1]));
    fx(() -> near.enough(70));
    assertEquals(Verdict.values()[1], desk.notebookProperty().get().of("kick"));
    assertTrue(desk.notebookProperty().get().near(71));
    int lines = desk.logProperty().get().size();
    fx(() -> near.enough(70));
    assertEquals(lines, desk.logProperty().get().size(), "nothing new is no line");
    opened(track("quay.wav", 14));
    assertNull(near.comparisonProperty().get(), "the other track was not compared");
  }

  @Test
  void severalTracksAreHeardInOrderAndOpenAtOnce() throws IOException {
    begin();
    Batch batch = session.batch();
    Path pier = track("pier.wav", 12);
    Path list = Files.writeString(dir.resolve("shopping list.wav"), "salt, rope, lamp oil");
    Path quay = track("quay.wav", 14);
    fx(() -> batch.hear(List.of(pier, list)));
    fx(() -> batch.hear(List.of(pier, quay)));
    until("all are done", () -> session.lanes().resting());
    List<Batch.Row> rows = batch.rowsProperty().get();
    assertEquals(List.of(pier, list, quay), rows.stream().map(Batch.Row::file).toList());
    assertEquals(
        List.of(State.HEARD, State.FAILED, State.HEARD),
        rows.stream().map(Batch.Row::state).toList());
    assertTrue(rows.get(0).words().startsWith("0:12, 120 BPM"), rows.get(0).words());
    assertTrue(rows.get(1).words().contains("not a sound file"), rows.get(1).words());
    CountDownLatch gate = busy(session.lanes().batch());
    Path buoy = track("buoy.wav", 13);
    fx(() -> batch.hear(List.of(buoy, list)));
    fx(batch::stop);
    gate.countDown();
    until("both are stopped", () -> batch.rowsProperty().get().get(3).words().equals("stopped"));
    assertEquals("stopped", batch.rowsProperty().get().get(1).words(), "tried again, then stopped");
    fx(() -> batch.hear(List.of(buoy)));
    until("it has its turn", () -> batch.rowsProperty().get().get(3).state() == State.HEARD);
    opened(buoy);
  }

  @Test
  void whatIsFineDoesNotComeAgain() throws IOException {
    begin();
    Checklist list = session.checklist();
    assertTrue(list.next(Topic.HITS).isEmpty(), "nothing is heard yet");
    opened(track("pier.wav", 12));
    List<Doubt> all = list.of(Topic.GROUND);
    assertFalse(all.isEmpty());
    for (Doubt d : all) {
      assertEquals(d, list.next(Topic.GROUND).orElseThrow(), "in their order");
    }
    assertEquals(all.get(0), list.next(Topic.GROUND).orElseThrow(), "and round again");
    fx(list::fine);
    assertEquals(all.subList(1, all.size()), list.of(Topic.GROUND));
    assertNull(list.lookedProperty().get());
    opened(track("quay.wav", 14));
    assertNotNull(list.of(Topic.GROUND), "another track has its own");
    opened(dir.resolve("pier.wav"));
    assertEquals(all, list.of(Topic.GROUND), "opened again, it is looked at again");
  }
}
