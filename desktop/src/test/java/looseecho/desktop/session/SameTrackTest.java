package looseecho.desktop.session;

import static looseecho.desktop.session.WorkTest.fx;
import static looseecho.desktop.session.WorkTest.until;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import looseecho.activity.Lane;
import looseecho.drawer.Match;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;

/** What is read and turned in the background goes to its own track, and loses nothing of it. */
class SameTrackTest extends SessionFixture {
  private static final Part SNARE = Part.of(Lane.SNARE);

  private Sounds sounds() {
    return session.maker().soundsProperty().get();
  }

  private List<String> names() {
    Template t = desk.templateProperty().get();
    return Part.of(t).stream().map(t::name).toList();
  }

  private void openedMeanwhile(Path other) {
    fx(() -> papers.open(other));
    until(
        "the other is there",
        () ->
            desk.document().isPresent()
                && desk.referenceProperty().get().name().equals("" + other.getFileName()));
  }

  @Test
  void aRecordingReadForOneTrackIsLaidOnNoOther() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Path drip = track("drip.wav", 2);
    Path quay = track("quay.wav", 14);
    CountDownLatch gate = busy(session.lanes().reading());
    fx(() -> session.ownAudio().take(drip));
    openedMeanwhile(quay);
    Template before = desk.templateProperty().get();
    gate.countDown();
    settled();
    says("That was for the track before; here nothing was changed.");
    assertEquals(before, desk.templateProperty().get());
    assertTrue(desk.document().get().isSaved());
  }

  @Test
  void twoRecordingsDroppedAtOnceBothCome() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Path drip = track("drip.wav", 2);
    Path rope = track("rope.wav", 3);
    fx(
        () -> {
          session.ownAudio().take(drip);
          session.ownAudio().take(rope);
        });
    settled();
    assertTrue(names().containsAll(List.of("drip", "rope")), names().toString());
    assertEquals(2, sounds().samples().size());
  }

  @Test
  void whatIsEditedWhileLostSamplesAreSoughtStays() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Path drip = track("drip.wav", 2);
    fx(
        () ->
            session
                .ownAudio()
                .read(drip, s -> desk.sound(sounds().with(SNARE, s), "A sample for the snare")));
    settled();
    Path moved = Files.createDirectory(dir.resolve("moved"));
    Files.move(drip, moved.resolve("called otherwise.wav"));
    CountDownLatch gate = busy(session.lanes().reading());
    fx(
        () -> {
          session.ownAudio().findLost(moved);
          desk.edit(clap(3));
        });
    Template edited = desk.templateProperty().get();
    gate.countDown();
    settled();
    says("Samples found again in moved");
    assertEquals(edited, desk.templateProperty().get());
    assertEquals(
        Optional.of(moved.resolve("called otherwise.wav").toString()),
        sounds().sample(SNARE.asDrum().get()).map(SampleSound::path));
    fx(() -> session.ownAudio().findLost(moved));
    says("No missing sample is in");
  }

  /** A recipe is turned for seconds; what is set of the other sounds meanwhile is kept. */
  @Test
  void whatIsSetWhileASoundIsTurnedStays() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    PaletteEar palette = session.palette();
    fx(palette::hear);
    until("sounds are compared", () -> !palette.rowsProperty().get().isEmpty());
    until("and the drawer is full", () -> palette.drawer().sizeProperty().get() > 200);
    PaletteRow far =
        palette.rowsProperty().get().stream()
            .max(Comparator.comparingDouble(PaletteRow::distance))
            .orElseThrow();
    Part turned = far.heard().part();
    Part other = turned.equals(SNARE) ? Part.of(Lane.KICK) : SNARE;
    Strip softer = sounds().strip(other).level(-17);
    Sounds before = sounds();
    fx(
        () -> {
          palette.pick(far);
          palette.nearer();
          desk.sound(sounds().with(other, softer), "softer");
        });
    settled();
    until("it is turned", () -> !sounds().sound(turned).equals(before.sound(turned)));
    assertEquals(softer, sounds().strip(other));
    fx(desk::undo);
    assertEquals(before.sound(turned), sounds().sound(turned));
    assertEquals(softer, sounds().strip(other), "the turn alone is taken back");
    takenForThisTrackOnly(palette);
  }

  private void takenForThisTrackOnly(PaletteEar palette) throws IOException {
    until("samples are near", () -> !palette.drawer().matchesProperty().get().isEmpty());
    Match first = palette.drawer().matchesProperty().get().get(0);
    Part part = palette.pickedProperty().get().heard().part();
    Sounds before = sounds();
    fx(() -> palette.take(first, false));
    settled();
    assertNotEquals(before.sound(part), sounds().sound(part));
    assertEquals(1, sounds().samples().size());
    CountDownLatch gate = busy(session.lanes().reading());
    fx(() -> palette.take(first, true));
    Path quay = track("quay.wav", 14);
    openedMeanwhile(quay);
    gate.countDown();
    settled();
    says("That was for the track before");
    assertEquals(List.of(), List.copyOf(sounds().samples()));
  }
}
