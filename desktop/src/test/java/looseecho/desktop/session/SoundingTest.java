package looseecho.desktop.session;

import static looseecho.desktop.session.WorkTest.fx;
import static looseecho.desktop.session.WorkTest.until;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import javafx.beans.property.ReadOnlyObjectProperty;
import looseecho.activity.Lane;
import looseecho.echo.Arrangement;
import looseecho.echo.Part;
import looseecho.mix.Sounds;
import looseecho.play.OutputDevice;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;

/** What sounds follows the desk and says when it cannot. */
class SoundingTest extends SessionFixture {
  @Test
  void aSampleThatIsMissingIsNamedAndTheDrumPlays() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Sounds s = session.maker().soundsProperty().get();
    Sounds lost = s.with(Part.of(Lane.SNARE), SampleSound.of(dir.resolve("gone.wav")));
    fx(() -> desk.sound(lost, "A sample for the snare"));
    says("The sample for the snare can't be used, the built-in drum stands in.");
    fx(desk::undo);
    until("the sounds are back", () -> session.maker().soundsProperty().get().equals(s));
  }

  /**
   * A new track's echo sounds near it, with nothing to undo or to save; asked for, it is a change.
   */
  @Test
  void soundsComeNearTheTrackByThemselves() throws IOException {
    begin();
    fx(() -> session.matching().byItself(true));
    opened(track("pier.wav", 12));
    ReadOnlyObjectProperty<Sounds> now = session.maker().soundsProperty();
    until("they are near", () -> !now.get().equals(Sounds.plain()));
    Sounds near = now.get();
    assertTrue(desk.document().get().isSaved());
    fx(session.matching()::plain);
    assertEquals(Sounds.plain(), now.get());
    fx(session.matching()::match);
    until("they are near again", () -> now.get().equals(near));
    fx(desk::undo);
    assertEquals(Sounds.plain(), now.get());
    fx(desk::undo);
    assertEquals(near, now.get());
  }

  @Test
  void theSelectionKeepsToWhatThereIs() throws IOException {
    begin();
    assertEquals(-1, session.selection().sectionProperty().get());
    opened(track("pier.wav", 12));
    assertEquals(0, session.selection().sectionProperty().get());
    fx(() -> desk.edit(Arrangement.repeat(desk.templateProperty().get(), 0)));
    int last = desk.templateProperty().get().sections().size() - 1;
    fx(() -> session.selection().sectionProperty().set(last));
    fx(desk::undo);
    assertEquals(last - 1, session.selection().sectionProperty().get());
  }

  /** A jump made while the sound is exchanged is not lost, and listening slowly keeps the place. */
  @Test
  void aJumpHoldsWhileSpeedAndSoundChange() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    Playback playback = session.playback();
    fx(
        () -> {
          playback.player().seek(6);
          playback.speedProperty().set(0.5);
          playback.soloProperty().set(Part.of(Lane.KICK));
        });
    until("the copies are made", () -> playback.player().speed() == 0.5);
    until("the place is kept", () -> Math.abs(playback.player().position() - 6) < 0.01);
    fx(
        () -> {
          playback.player().seek(3);
          playback.speedProperty().set(1);
          playback.soloProperty().set(null);
        });
    until("whole speed", () -> playback.player().speed() == 1);
    until("the jump holds", () -> Math.abs(playback.player().position() - 3) < 0.01);
    assertTrue(playback.loopBars(1));
    assertTrue(playback.player().loopEnd() > playback.player().loopStart());
    assertTrue(playback.loopBars(0));
  }

  /** A device that gives up while it plays. */
  private static final class BrokenDevice implements OutputDevice {
    @Override
    public void write(float[] interleaved, int samples) {
      throw new IllegalStateException("unplugged");
    }

    @Override
    public long waiting() {
      return 0;
    }

    @Override
    public String remark() {
      return "";
    }

    @Override
    public void close() {
      // nothing is held
    }
  }

  @Test
  void aDeviceThatFailsIsSaid() throws IOException {
    begin(new BrokenDevice());
    opened(track("pier.wav", 12));
    fx(() -> session.playback().player().play());
    until("it says so", () -> !session.playback().player().failure().isEmpty());
  }
}
