package looseecho.project;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import looseecho.analysis.Corrections;
import looseecho.notes.Key;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CorrectionStoreTest {
  @TempDir private Path dir;

  @Test
  void correctionsComeBackAndDamagedOnesAreLeftAside() throws IOException {
    CorrectionStore store = new CorrectionStore(dir.resolve("c"));
    Path sound = Files.writeString(dir.resolve("x.wav"), "one");
    String id = CorrectionStore.fingerprint(sound);
    assertEquals(Corrections.NONE, store.load(id));
    Corrections wanted = Corrections.NONE.withBpm(87).withKey(new Key(6, true)).withBarOneAt(0.25);
    store.save(id, wanted);
    assertEquals(wanted, new CorrectionStore(dir.resolve("c")).load(id));
    assertNotEquals(
        id, CorrectionStore.fingerprint(Files.writeString(dir.resolve("y.wav"), "two")));
    Files.writeString(dir.resolve("c").resolve(id + ".json"), "{\"bpm\": 1e9}");
    assertEquals(Corrections.NONE, store.load(id));
    Files.writeString(dir.resolve("c").resolve(id + ".json"), "{\"bpm\"");
    assertEquals(Corrections.NONE, store.load(id));
  }
}
