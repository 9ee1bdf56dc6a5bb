package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.desktop.session.PaletteRow;
import looseecho.drawer.Match;
import looseecho.drawer.PairMatcher;
import looseecho.mix.Job;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.palette.Region;
import looseecho.synth.SampleSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** The track's sounds beside the echo's: picked by keys, replaced by the nearest sample. */
class PaletteBenchTest extends WindowTest {
  @TempDir private static Path person; // whose drawer is filled once for all
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    open(stage, person);
    openTrack(dir);
  }

  private List<PaletteRow> rows() {
    return session.palette().rowsProperty().get();
  }

  private List<Match> matches() {
    return session.palette().drawer().matchesProperty().get();
  }

  @SuppressWarnings("unchecked")
  @Test
  void theNearestSampleIsTakenByKeysAndGivenBack() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    go("#step-palette");
    until("the sounds are cut out", () -> !rows().isEmpty());
    until("the drawer is ready and looked through", () -> !matches().isEmpty());
    Node chart = robot.lookup("#palette-chart").query();
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.DOWN).type(KeyCode.UP);
    PaletteRow row = session.palette().pickedProperty().get();
    assertEquals(rows().get(0), row);
    assertTrue(
        robot.lookup(l -> l.toString().contains("dB apart over time")).tryQuery().isPresent());
    until("its samples are there", () -> session.lanes().resting() && !matches().isEmpty());
    Sound before = session.maker().soundsProperty().get().sound(row.heard().part());
    ListView<?> list = robot.lookup("#matches").queryAs(ListView.class);
    robot.interact(list::requestFocus);
    robot.type(KeyCode.DOWN);
    assertEquals(matches().get(0), list.getSelectionModel().getSelectedItem());
    robot.type(KeyCode.ENTER);
    until(
        "the sample is the sound",
        () ->
            session.maker().soundsProperty().get().sound(row.heard().part()).source()
                instanceof SampleSound);
    until(
        "the distance is told anew",
        () -> session.lanes().resting() && rows().get(0).distance() != row.distance());
    assertNotEquals(before, session.maker().soundsProperty().get().sound(row.heard().part()));
    robot.interact(session.desk()::undo);
    assertEquals(before, session.maker().soundsProperty().get().sound(row.heard().part()));
    aRecipeIsTurnedNearer();
    robot.interact(() -> session.palette().pick(rows().get(0)));
    until("its samples are there", () -> session.lanes().resting() && !matches().isEmpty());
    robot.interact(list::requestFocus);
    robot.type(KeyCode.DOWN);
    robot.press(KeyCode.SHIFT).type(KeyCode.ENTER).release(KeyCode.SHIFT);
    until(
        "the sample is beside the sound",
        () ->
            session.maker().soundsProperty().get().sound(row.heard().part()).layers().size() == 2);
    until(
        "two low ends are told",
        () -> session.lanes().resting() && rows().get(0).stack().toString().contains("120 Hz"));
    TextField words = robot.lookup("#match-words").queryAs(TextField.class);
    robot.interact(
        () -> {
          words.setText("harbour clap");
          words.getOnAction().handle(null);
        });
    until(
        "only claps are left",
        () -> !matches().isEmpty() && matches().stream().allMatch(this::isClap));
    ComboBox<Region> regions = robot.lookup("#match-region").queryAs(ComboBox.class);
    double whole = matches().get(0).distance();
    robot.interact(() -> regions.setValue(Region.ATTACK));
    until(
        "their attacks are compared",
        () -> session.lanes().resting() && matches().get(0).distance() != whole);
  }

  private void aRecipeIsTurnedNearer() {
    until("the distances are told", () -> session.lanes().resting());
    PaletteRow far =
        rows().stream().max(Comparator.comparingDouble(PaletteRow::distance)).orElseThrow();
    robot.interact(() -> session.palette().pick(far));
    Sound before = sound(far);
    fire("#palette-nearer");
    until(
        "its recipe is turned",
        () -> session.lanes().resting() && !sound(far).equals(before) && now(far) < far.distance());
    assertTrue(
        session.desk().messageProperty().get().contains("dB from the track's; "),
        session.desk().messageProperty().get());
    robot.interact(session.desk()::undo);
    assertEquals(before, sound(far));
  }

  private double now(PaletteRow row) {
    return rows().stream()
        .filter(r -> r.heard().part().equals(row.heard().part()))
        .findFirst()
        .orElseThrow()
        .distance();
  }

  @Test
  void aFolderIsMeasuredAndALayerIsTakenForItsJob() throws IOException {
    Path mine = Files.createDirectories(dir.resolve("mine"));
    float[] x = new float[8_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.5 * Math.exp(-i / 900.0) * Math.sin(i * i / 9_000.0));
    }
    new WavWriter().write(new Audio(x, x, 44_100), mine.resolve("pier thud.wav"));
    Files.write(mine.resolve("torn.wav"), new byte[] {1, 2, 3});
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    go("#step-palette");
    until("the drawer is ready", () -> !matches().isEmpty() && session.lanes().resting());
    int before = session.palette().drawer().sizeProperty().get();
    robot.interact(() -> session.palette().drawer().add(mine));
    until("the folder is measured", () -> session.lanes().resting());
    assertEquals(before + 1, session.palette().drawer().sizeProperty().get());
    String said = session.desk().messageProperty().get();
    assertTrue(said.startsWith("mine: 1 measured") && said.contains("torn.wav"), said);
    robot.interact(
        () -> {
          session.palette().drawer().region(Region.TAIL);
          session.palette().drawer().words("pier thud");
        });
    until("it alone fits", () -> session.lanes().resting() && matches().size() == 1);
    PaletteRow row = session.palette().pickedProperty().get();
    robot.interact(() -> session.palette().take(matches().get(0), false));
    until("it is taken", () -> sound(row).layers().size() == 2);
    assertEquals(Job.TAIL, sound(row).layers().get(1).job());
    assertTrue(session.desk().messageProperty().get().endsWith("pier thud beside it"));
    Files.move(mine, dir.resolve("unplugged"));
    robot.interact(() -> session.palette().drawer().words("pier"));
    until("what is away is left out", () -> session.lanes().resting() && matches().isEmpty());
  }

  /** Kick and snare are taken as a pair, and given back as one. */
  @Test
  void kickAndSnareAreChosenAsAPair() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    go("#step-palette");
    until("the drawer is ready", () -> !matches().isEmpty() && session.lanes().resting());
    ToggleButton pair = robot.lookup("#as-pair").queryAs(ToggleButton.class);
    robot.interact(pair::fire);
    until("pairs are found", () -> !session.palette().drawer().pairsProperty().get().isEmpty());
    List<PairMatcher.Pair> pairs = session.palette().drawer().pairsProperty().get();
    for (int i = 1; i < pairs.size(); i++) {
      assertTrue(pairs.get(i - 1).distance() <= pairs.get(i).distance(), "the best first");
    }
    Sounds before = session.maker().soundsProperty().get();
    ListView<?> list = robot.lookup("#pairs").queryAs(ListView.class);
    robot.interact(list::requestFocus);
    robot.type(KeyCode.DOWN).type(KeyCode.ENTER);
    until("both are taken", () -> taken(before) == 2);
    assertTrue(session.desk().messageProperty().get().startsWith("Kick and snare: "));
    robot.interact(session.desk()::undo);
    assertEquals(before, session.maker().soundsProperty().get());
  }

  private long taken(Sounds before) {
    Sounds now = session.maker().soundsProperty().get();
    return rows().stream()
        .map(r -> r.heard().part())
        .filter(
            p ->
                now.sound(p).source() instanceof SampleSound
                    && !now.sound(p).equals(before.sound(p)))
        .count();
  }

  private Sound sound(PaletteRow row) {
    return session.maker().soundsProperty().get().sound(row.heard().part());
  }

  private boolean isClap(Match m) {
    return m.entry().file().getFileName().toString().startsWith("harbour clap");
  }
}
