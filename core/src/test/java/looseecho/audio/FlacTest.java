package looseecho.audio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.FileInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Random;
import looseecho.reading.Progress;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FlacTest {
  private static final Path WHOLE = Path.of("src/test/resources/looseecho/audio/sine.flac");

  /** Offset of the low 32 bits of the sample count in STREAMINFO (RFC 9639, 8.2). */
  private static final int TOTAL = 22;

  @TempDir private Path dir;

  private AudioReader.Recording read(byte[] bytes) throws IOException {
    Path file = Files.write(dir.resolve("x.flac"), bytes);
    return Assertions.assertTimeoutPreemptively(
        Duration.ofSeconds(20), () -> new AudioReader().read(file, Progress.NONE));
  }

  /** The library jflac decodes the same file, written by Debian's flac, to the same bits. */
  @Test
  void decodesToTheBitLikeAnIndependentDecoder() throws IOException {
    Audio own = new AudioReader().read(WHOLE, Progress.NONE).audio();
    int at = 0;
    try (InputStream in = new FileInputStream(WHOLE.toFile())) {
      FLACDecoder other = new FLACDecoder(in);
      other.readMetadata();
      float scale = 1f / (1 << other.getStreamInfo().getBitsPerSample() - 1);
      for (Frame f = other.readNextFrame(); at < own.length(); f = other.readNextFrame()) {
        for (int i = 0; i < f.header.blockSize; i++, at++) {
          assertEquals(other.getChannelData()[0].getOutput()[i] * scale, own.left(at));
        }
      }
    }
    assertEquals(own.length(), at);
  }

  @Test
  void aWrongSampleCountAndJunkAtTheEndDoNoHarm() throws IOException {
    byte[] whole = Files.readAllBytes(WHOLE);
    int length = read(whole).audio().length();
    byte[] count = whole.clone();
    count[TOTAL + 1] = 1;
    assertEquals(length, read(count).audio().length());
    byte[] ones = Arrays.copyOf(whole, whole.length + 5000);
    Arrays.fill(ones, whole.length, ones.length, (byte) 0xFF);
    assertEquals(length, read(ones).audio().length());
    byte[] junk = ones.clone();
    Random random = new Random(5);
    for (int i = whole.length; i < junk.length; i++) {
      junk[i] = (byte) random.nextInt(256);
    }
    AudioReader.Recording r = read(junk);
    assertEquals(length, r.audio().length());
    assertTrue(r.notes().isEmpty(), "a tag behind the sound is no damage: " + r.notes());
  }

  @Test
  void aDamagedFrameIsSilentAndTheRestStaysInTime() throws IOException {
    byte[] whole = Files.readAllBytes(WHOLE);
    Audio before = read(whole).audio();
    byte[] damaged = whole.clone();
    damaged[whole.length * 2 / 3] ^= 0x10;
    AudioReader.Recording r = read(damaged);
    assertEquals(before.length(), r.audio().length());
    int last = before.length() - 1000;
    assertEquals(before.left(last), r.audio().left(last), "in time behind the damage");
    assertTrue(r.notes().get(0).contains("damaged"), r.notes().toString());
  }

  @Test
  void aTagInFrontIsPassedOver() throws IOException {
    byte[] whole = Files.readAllBytes(WHOLE);
    byte[] tagged = new byte[whole.length + 10 + 300];
    byte[] head = {'I', 'D', '3', 4, 0, 0, 0, 0, 2, 44}; // 2 * 128 + 44 = 300 bytes of tag
    System.arraycopy(head, 0, tagged, 0, head.length);
    System.arraycopy(whole, 0, tagged, 310, whole.length);
    assertEquals(read(whole).audio().length(), read(tagged).audio().length());
  }
}
