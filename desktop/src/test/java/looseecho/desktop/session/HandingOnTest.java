package looseecho.desktop.session;

import static looseecho.desktop.session.WorkTest.fx;
import static looseecho.desktop.session.WorkTest.until;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import looseecho.activity.Lane;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.handover.Exporters;
import looseecho.play.InputDevice;
import org.junit.jupiter.api.Test;

/** What leaves the desk as a pack, and what comes to it from the input. */
class HandingOnTest extends SessionFixture {
  private static final Set<Exporters> FEW = Set.of(Exporters.MIDI, Exporters.TABLES);

  private void write(String name, String stems, boolean zip) {
    Packing.Wish wish =
        new Packing.Wish(FEW, Set.of(Part.of(Lane.KICK)), Set.of(0), name, stems, zip);
    fx(() -> session.packing().write(wish, dir.resolve("out")));
  }

  private List<String> out() throws IOException {
    Path out = dir.resolve("out");
    if (!Files.exists(out)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(out)) {
      return files.map(f -> f.getFileName().toString()).sorted().toList();
    }
  }

  @Test
  void aPackIsRefusedInWordsBeforeAnythingIsWritten() throws IOException {
    begin();
    write("pier", "{part}", false);
    assertEquals("There is nothing to hand over yet.", desk.messageProperty().get());
    assertEquals("", session.packing().name());
    opened(track("pier.at.night.wav", 12));
    assertEquals("pier.at.night pack", session.packing().name());
    for (String none : List.of("", "  ", "?*", ".hidden")) {
      write(none, "{part}", false);
      assertEquals("The pack needs a name.", desk.messageProperty().get(), none);
    }
    write("pier", "{part} {mood}", false);
    assertTrue(desk.messageProperty().get().contains("no {mood}"), desk.messageProperty().get());
    write("pier", "{name}", false);
    assertTrue(desk.messageProperty().get().startsWith("Names need {part}"));
    settled();
    assertEquals(List.of(), out());
  }

  @Test
  void aPackHoldsWhatWasWishedAndIsWrittenOverNothing() throws IOException {
    begin();
    opened(track("pier.wav", 12));
    write("pier: \"one\"", "{part}", false);
    settled();
    says("The pack is written: ");
    assertEquals(List.of("pier one"), out(), "what no file name may hold is left out");
    Path midi = dir.resolve("out/pier one/template.mid");
    byte[] before = Files.readAllBytes(midi);
    assertFalse(Files.exists(dir.resolve("out/pier one/stems")));
    fx(() -> desk.edit(clap(3)));
    write("pier one", "{part}", false);
    settled();
    says("is there already");
    assertEquals(-1, java.util.Arrays.mismatch(before, Files.readAllBytes(midi)));
    write("pier one", "{part}", true);
    settled();
    assertEquals(List.of("pier one", "pier one.zip"), out());
    try (ZipFile zip = new ZipFile(dir.resolve("out/pier one.zip").toFile())) {
      List<String> names = zip.stream().map(ZipEntry::getName).toList();
      assertTrue(names.stream().anyMatch(n -> n.endsWith("template.mid")), names.toString());
      assertTrue(names.stream().noneMatch(n -> n.endsWith(".wav")), names.toString());
    }
  }

  /** Plays a tone until it is told to stop. */
  private static final class Hum implements InputDevice {
    private final CountDownLatch heard = new CountDownLatch(3);

    @Override
    public int read(float[] out, int samples) {
      for (int i = 0; i < 2 * samples; i++) {
        out[i] = (float) (0.3 * Math.sin(i * 0.05));
      }
      heard.countDown();
      return samples;
    }

    @Override
    public void close() {
      // nothing is held
    }
  }

  /** Who records can lay a sample meanwhile, and has both. */
  @Test
  void aRecordingGoesOnWhileAFileIsRead() throws Exception {
    begin();
    opened(track("pier.wav", 12));
    Path drip = track("drip.wav", 2);
    Hum hum = new Hum();
    OwnAudio own = session.ownAudio();
    own.inputs(() -> Optional.of(hum));
    fx(own::record);
    hum.heard.await();
    fx(() -> own.take(drip));
    until("the file is laid", () -> session.maker().soundsProperty().get().samples().size() == 1);
    assertTrue(session.lanes().recording().runningProperty().get(), "it still records");
    fx(own::record);
    until("the take is laid", () -> session.maker().soundsProperty().get().samples().size() == 2);
    settled();
    Template t = desk.templateProperty().get();
    List<String> names = Part.of(t).stream().map(t::name).toList();
    assertTrue(names.contains("drip"), names.toString());
    assertTrue(names.stream().anyMatch(n -> n.startsWith("take ")), names.toString());
  }
}
