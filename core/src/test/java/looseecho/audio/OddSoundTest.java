package looseecho.audio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Valid files of rarer kinds, and files whose headers lie. */
@org.junit.jupiter.api.Tag("everywhere")
class OddSoundTest {
  private static final int RATE = 8000;
  private static final int COUNT = 2 * RATE;

  @TempDir private Path dir;

  private static byte[] bytes(String letters) {
    return letters.getBytes(StandardCharsets.ISO_8859_1);
  }

  /** A file of two seconds that holds one sample over and over. */
  private static byte[] wav(int tag, int bits, int channels, int frame, long rate, byte[] sample) {
    ByteBuffer b = ByteBuffer.allocate(44 + COUNT * sample.length).order(ByteOrder.LITTLE_ENDIAN);
    b.put(bytes("RIFF")).putInt(b.capacity() - 8).put(bytes("WAVEfmt ")).putInt(16);
    b.putShort((short) tag).putShort((short) channels).putInt((int) rate).putInt(0);
    b.putShort((short) frame).putShort((short) bits);
    b.put(bytes("data")).putInt(COUNT * sample.length);
    for (int i = 0; i < COUNT; i++) {
      b.put(sample);
    }
    return b.array();
  }

  private static byte[] aiff(String kind, int bits, byte[] sample) {
    ByteBuffer b = ByteBuffer.allocate(12 + 8 + 24 + 8 + 8 + COUNT * sample.length);
    b.put(bytes("FORM")).putInt(b.capacity() - 8).put(bytes("AIFC"));
    b.put(bytes("SSND")).putInt(8 + COUNT * sample.length).putLong(0); // before its format
    for (int i = 0; i < COUNT; i++) {
      b.put(sample);
    }
    b.put(bytes("COMM")).putInt(24).putShort((short) 1).putInt(COUNT).putShort((short) bits);
    b.putShort((short) 0x400B).putLong(0xFA00L << 48); // 8000 as an extended number
    b.put(bytes(kind)).putShort((short) 0);
    return b.array();
  }

  private AudioReader.Recording read(byte[] file) throws IOException {
    return new AudioReader().read(Files.write(dir.resolve("x.snd"), file), Progress.NONE);
  }

  private String refusal(byte[] file) {
    String said = assertThrows(AudioReadException.class, () -> read(file)).getMessage();
    assertTrue(said.startsWith("x.snd: ") && said.endsWith("."), said);
    return said;
  }

  /**
   * Half of full scale in every coding; G.711: A-law 0xFA ^ 0x55 and mu-law 0x8F ^ 0xFF near it.
   */
  @ParameterizedTest
  @CsvSource({"6, 8, 1, A5", "7, 8, 1, 8F", "1, 20, 3, 000040", "1, 12, 2, 0040"})
  void wavInLawsAndOddWidths(int tag, int bits, int width, String hex) throws IOException {
    byte[] sample = java.util.HexFormat.of().parseHex(hex);
    Audio a = read(wav(tag, bits, 1, width, RATE, sample)).audio();
    assertEquals(COUNT, a.length());
    assertEquals(0.5, Math.abs(a.left(100)), 0.02);
  }

  @ParameterizedTest
  @CsvSource({"sowt, 16, 0040", "fl32, 32, 3F000000", "NONE, 20, 400000", "ulaw, 8, 8F"})
  void aiffOfEveryKindWithItsSamplesFirst(String kind, int bits, String hex) throws IOException {
    Audio a = read(aiff(kind, bits, java.util.HexFormat.of().parseHex(hex))).audio();
    assertEquals(COUNT, a.length());
    assertEquals(RATE, a.sampleRate());
    assertEquals(0.5, Math.abs(a.left(100)), 0.02);
  }

  @Test
  void streamedAndLargeWavsAreReadToTheirEnd() throws IOException {
    byte[] streamed = wav(1, 16, 1, 2, RATE, new byte[] {0, 0x40});
    ByteBuffer.wrap(streamed).order(ByteOrder.LITTLE_ENDIAN).putInt(4, -1).putInt(40, -1);
    AudioReader.Recording r = read(streamed);
    assertEquals(COUNT, r.audio().length());
    ByteBuffer large = ByteBuffer.allocate(36 + streamed.length).order(ByteOrder.LITTLE_ENDIAN);
    large.put(bytes("RF64")).putInt(-1).put(bytes("WAVEds64")).putInt(28);
    large.putLong(0).putLong(2L * COUNT).putLong(COUNT).putInt(0);
    large.put(streamed, 12, streamed.length - 12);
    assertEquals(COUNT, read(large.array()).audio().length());
  }

  @Test
  void whatCantBeReadIsNamed() {
    assertTrue(refusal(wav(2, 4, 1, 256, RATE, new byte[2])).contains("Microsoft ADPCM"));
    assertTrue(refusal(wav(0x11, 4, 1, 256, RATE, new byte[2])).contains("IMA ADPCM"));
    assertTrue(refusal(aiff("ima4", 16, new byte[2])).contains("ima4"));
    assertTrue(refusal(wav(1, 16, 1, 2, 10, new byte[2])).contains("10 Hz"));
    assertTrue(refusal(wav(1, 16, 1, 2, 4_000_000, new byte[2])).contains("768 kHz"));
  }

  @Test
  void headersThatLieAreRefusedAtOnce() {
    assertTrue(refusal(wav(1, 16, 40_000, 2, RATE, new byte[2])).contains("damaged"));
    assertTrue(refusal(wav(1, 16, 1000, 65_000, RATE, new byte[2])).contains("damaged"));
    assertTrue(refusal(wav(1, 16, 0, 0, RATE, new byte[2])).contains("damaged"));
  }

  /** The information frame stands behind a picture of 100 kB, and the delay is cut all the same. */
  @Test
  void anMp3WithALargePictureIsOnTime() throws IOException {
    byte[] whole = Files.readAllBytes(Path.of("src/test/resources/looseecho/audio/sine.mp3"));
    Audio plain = read(whole).audio();
    byte[] tagged = new byte[whole.length + 10 + 100_000];
    byte[] head = {'I', 'D', '3', 3, 0, 0, 0, 6, 13, 32}; // 6 * 16384 + 13 * 128 + 32 bytes
    System.arraycopy(head, 0, tagged, 0, head.length);
    System.arraycopy(whole, 0, tagged, 100_010, whole.length);
    Audio late = read(tagged).audio();
    assertEquals(plain.length(), late.length());
    for (int i = 0; i < plain.length(); i += 97) {
      assertEquals(plain.left(i), late.left(i));
    }
  }

  @Test
  void sidesOfOppositePolarityAreHeardAndNamed() throws IOException {
    AudioReader.Recording r = read(wav(1, 16, 2, 4, RATE, new byte[] {0, 0x20, 0, (byte) 0xE0}));
    assertEquals(0.25, r.audio().mono()[500], 1e-4);
    assertTrue(r.notes().stream().anyMatch(n -> n.contains("opposite polarity")));
  }

  @Test
  void aOneShotMayBeShortAndOfALongOneTheBeginningIsTaken() throws IOException {
    byte[] whole = wav(1, 16, 1, 2, RATE, new byte[] {0, 0x40});
    byte[] brief = java.util.Arrays.copyOf(whole, 44 + 200);
    Path file = Files.write(dir.resolve("x.snd"), brief);
    assertEquals(100, new AudioReader().oneShot(file, Progress.NONE).length());
    Path longer = dir.resolve("long.wav");
    float[] silence = new float[RATE * 100];
    new WavWriter().write(new Audio(silence, silence, RATE), longer);
    assertEquals(60, new AudioReader().oneShot(longer, Progress.NONE).duration(), 1e-9);
  }

  @Test
  void aTemporaryFolderWithoutRoomIsSaid() throws IOException {
    String was = System.getProperty("java.io.tmpdir");
    System.setProperty("java.io.tmpdir", dir.resolve("gone").toString());
    try {
      SampleSink sink = new SampleSink(10_000, 1000);
      sink.format(RATE);
      SampleSink.NoRoomException e =
          assertThrows(SampleSink.NoRoomException.class, () -> sink.expect(5_000_000));
      assertTrue(e.getMessage().contains("no room"), e.getMessage());
      float[] one = {0.1f};
      assertThrows(
          SampleSink.NoRoomException.class,
          () -> {
            for (int i = 0; i < 1_000_000; i++) {
              sink.add(one, 1);
            }
          });
    } finally {
      System.setProperty("java.io.tmpdir", was);
    }
  }
}
