package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.Optional;
import looseecho.analysis.Corrections;
import looseecho.notes.Key;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

@org.junit.jupiter.api.Tag("everywhere")
class CorrectionStoreTest {
  @TempDir private Path dir;

  @Test
  void correctionsComeBackAndDamagedOnesAreLeftAside() throws IOException {
    CorrectionStore store = new CorrectionStore(dir.resolve("c"));
    Path sound = Files.writeString(dir.resolve("x.wav"), "one");
    String id = CorrectionStore.fingerprint(sound);
    assertEquals(Corrections.NONE, store.load(id).corrections());
    Corrections wanted = Corrections.NONE.withBpm(87).withKey(new Key(6, true)).withBarOneAt(0.25);
    store.save(id, wanted);
    assertEquals(wanted, new CorrectionStore(dir.resolve("c")).load(id).corrections());
    assertNotEquals(
        id, CorrectionStore.fingerprint(Files.writeString(dir.resolve("y.wav"), "two")));
    Files.writeString(dir.resolve("c").resolve(id + ".json"), "{\"bpm\"");
    assertEquals(Corrections.NONE, store.load(id).corrections());
    assertTrue(store.load(id).note().contains("could not be read"), store.load(id).note());
  }

  /** One that lies there as before is not read again; a changed or a fresh one always is. */
  @Test
  void fingerprintsAreRememberedWhileAFileLiesStill() throws IOException {
    Path sound = Files.writeString(dir.resolve("x.wav"), "one");
    Path kept = dir.resolve("kept.properties");
    FileTime hour = FileTime.from(Instant.now().minusSeconds(3600));
    Files.setLastModifiedTime(sound, hour);
    String one = new KnownFiles(kept).fingerprint(sound);
    assertEquals(CorrectionStore.fingerprint(sound), one);
    Files.writeString(sound, "two");
    Files.setLastModifiedTime(sound, hour);
    assertEquals(one, new KnownFiles(kept).fingerprint(sound), "not read through again");
    Files.setLastModifiedTime(sound, FileTime.from(Instant.now()));
    String two = CorrectionStore.fingerprint(sound);
    assertEquals(two, new KnownFiles(kept).fingerprint(sound));
    Files.writeString(sound, "six");
    assertNotEquals(
        two, new KnownFiles(kept).fingerprint(sound), "written just now: not remembered");
    Files.setLastModifiedTime(sound, hour);
    String six = new KnownFiles(kept).fingerprint(sound);
    KnownFiles.Sound measured = new KnownFiles.Sound(44100, 0.5);
    new KnownFiles(kept).measured(sound, two, measured);
    assertTrue(new KnownFiles(kept).recall(sound).orElseThrow().sound().isEmpty(), "of another");
    new KnownFiles(kept).measured(sound, six, measured);
    assertEquals(
        Optional.of(new KnownFiles.Known(six, Optional.of(measured))),
        new KnownFiles(kept).recall(sound));
    assertEquals(six, new KnownFiles(kept).fingerprint(sound));
    Files.writeString(sound, "seven");
    assertTrue(new KnownFiles(kept).recall(sound).isEmpty(), "it was changed");
    Files.writeString(kept, "no values \\u1");
    assertEquals(CorrectionStore.fingerprint(sound), new KnownFiles(kept).fingerprint(sound));
  }

  @Test
  void correctionsThatMakeNoSenseAreLeftOutOneByOne() throws IOException {
    CorrectionStore store = new CorrectionStore(dir);
    Files.writeString(
        dir.resolve("id.json"),
        """
        {"bpm": 1e9, "bar_one_at": "NaN", "meter": null, "nudge": 0.01, "key": "H:minor",
         "locked": "yes", "sections": [{"start": 2, "label": "A"}, {"label": "B"}, 7],
         "hits": [{"kind": "ADD", "lane": "KICK", "time": 1, "to": "KICK", "velocity": 90},
                  {"kind": "ADD", "lane": "KICK", "time": 1, "to": "KICK", "velocity": 900},
                  {"kind": "ADD", "lane": "GONG", "time": 1, "to": "KICK", "velocity": 90}]}""");
    CorrectionStore.Stored stored = store.load("id");
    Corrections c = stored.corrections();
    assertEquals(0.01, c.pulse().nudge(), 1e-12);
    assertTrue(c.pulse().bpm().isEmpty() && c.key().isEmpty() && !c.locked());
    assertEquals(1, c.sections().size());
    assertEquals(1, c.hits().size());
    assertTrue(stored.note().contains("bpm, bar_one_at, meter"), stored.note());
  }
}
