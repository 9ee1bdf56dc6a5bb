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
import java.util.Arrays;
import looseecho.Signals;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AudioReaderTest {
  private static final int RATE = 44100;
  @TempDir private Path dir;

  private static double level(Audio a, int channel) {
    return Signals.rms(a.channel(channel), a.length() / 4, a.length() * 3 / 4);
  }

  /**
   * RIFF/WAVE in every sample format: bits, format tag (1 integer, 3 float, 0xFFFE extensible),
   * channels.
   */
  @ParameterizedTest
  @CsvSource({
    "8,1,2",
    "16,1,1",
    "16,1,2",
    "24,1,2",
    "32,1,2",
    "32,3,2",
    "64,3,1",
    "16,65534,2",
    "24,65534,2",
    "32,65534,6"
  })
  void readsEveryWavFormat(int bits, int tag, int channels) throws IOException {
    Path file = dir.resolve("a.wav");
    Files.write(file, wav(bits, tag, channels, RATE, 2.0));
    AudioReader.Recording r = new AudioReader().read(file, Progress.NONE);
    assertEquals(2 * RATE, r.audio().length());
    assertEquals(0.5 / Math.sqrt(2), level(r.audio(), 0), bits == 8 ? 0.01 : 0.002);
    assertTrue(r.notes().isEmpty());
  }

  /**
   * The same second of a 440 Hz sine at -6 dBFS, encoded by Debian's lame, flac, oggenc, sox and
   * ffmpeg (see the folder's note).
   */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "sine.mp3",
        "sine.flac",
        "sine.ogg",
        "sine.opus",
        "sine.m4a",
        "sine.aiff",
        "sine-mono-22k.mp3"
      })
  void readsFilesOfOtherEncodersAtTheRightPlaceAndLevel(String name) throws IOException {
    Audio a = new AudioReader().read(resource(name), Progress.NONE).audio();
    int rate = name.contains("22k") ? 22050 : name.endsWith("opus") ? 48_000 : RATE;
    assertEquals(rate, a.sampleRate());
    assertEquals(1.5 * rate, a.length(), name.endsWith("mp3") || name.endsWith("m4a") ? 1152 : 0);
    // lame scales by 0.95, and its own decoder reads 0.336 too
    double level = name.endsWith("mp3") ? 0.336 : 0.5 / Math.sqrt(2);
    assertEquals(level, Signals.rms(a.channel(0), rate / 2, rate), 0.005);
    assertTrue(
        Signals.rms(a.channel(0), 0, rate / 5) < 0.004,
        "the quarter second of silence at the start must stay one");
    double dot = 0;
    for (int i = rate / 2; i < rate; i++) {
      dot += a.left(i) * Math.sin(2 * Math.PI * 440 * (i - rate / 4) / rate);
    }
    assertTrue(
        dot / (rate / 2.0) > 0.99 * level / Math.sqrt(2),
        "in step with the original: not even ten samples late (was " + dot / (rate / 2.0) + ")");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"sine.mp3", "sine.flac", "sine.ogg", "sine.opus", "sine.m4a", "sine.aiff"})
  void cutAndDamagedFilesGiveASentenceNotACrash(String name) throws IOException {
    byte[] whole = Files.readAllBytes(resource(name));
    byte[] junk = whole.clone();
    new java.util.Random(3).ints(400, 60, junk.length).forEach(i -> junk[i] ^= 0x5A);
    for (byte[] bytes :
        new byte[][] {Arrays.copyOf(whole, whole.length * 4 / 5), Arrays.copyOf(whole, 40), junk}) {
      Path file = dir.resolve("damaged-" + name);
      Files.write(file, bytes);
      try {
        Audio a = new AudioReader().read(file, Progress.NONE).audio();
        assertTrue(a.length() > 0 && a.duration() < 3);
      } catch (AudioReadException e) {
        assertTrue(
            e.getMessage().startsWith("damaged-" + name + ": ") && e.getMessage().endsWith("."),
            e.getMessage());
      }
    }
  }

  @Test
  void whatIsNoSoundIsRefusedInWords() throws IOException {
    Path text =
        Files.writeString(dir.resolve("notes.mp3"), "this is no music, though its name says so");
    Path empty = Files.createFile(dir.resolve("empty.wav"));
    Path brief = dir.resolve("brief.wav");
    Files.write(brief, wav(16, 1, 2, RATE, 0.3));
    assertTrue(refusal(text).contains("not a sound file"));
    assertTrue(refusal(empty).contains("empty"));
    assertTrue(refusal(brief).contains("shorter than a second"));
    assertTrue(refusal(dir).contains("folder"));
    assertTrue(refusal(dir.resolve("gone.wav")).contains("no such file"));
  }

  @Test
  void aCutWavSaysWhereItEnds() throws IOException {
    byte[] whole = wav(16, 1, 2, RATE, 4.0);
    Path file = Files.write(dir.resolve("cut.wav"), Arrays.copyOf(whole, whole.length / 2));
    AudioReader.Recording r = new AudioReader().read(file, Progress.NONE);
    assertEquals(2.0, r.audio().duration(), 0.01);
    assertTrue(r.notes().get(0).contains("ends early"), r.notes().toString());
  }

  @Test
  void writtenWavReadsBackToTheBit() throws IOException {
    Audio sine = Signals.sine(333, 0.7, 1.2, 48000, true);
    new WavWriter().write(sine, dir.resolve("out.wav"));
    Audio back = new AudioReader().read(dir.resolve("out.wav"), Progress.NONE).audio();
    assertEquals(48000, back.sampleRate());
    for (int i = 0; i < sine.length(); i += 7) {
      assertEquals(sine.left(i), back.left(i), 1.0 / 8388607);
    }
    assertEquals(1, Files.list(dir).count(), "no part file is left");
  }

  private String refusal(Path file) {
    return assertThrows(AudioReadException.class, () -> new AudioReader().read(file, Progress.NONE))
        .getMessage();
  }

  private static Path resource(String name) {
    return Path.of("src/test/resources/looseecho/audio", name);
  }

  private static byte[] wav(int bits, int tag, int channels, int rate, double seconds) {
    int samples = (int) (seconds * rate);
    int data = samples * channels * bits / 8;
    int fmt = tag == 0xFFFE ? 40 : 16;
    ByteBuffer b = ByteBuffer.allocate(28 + fmt - 8 + 8 + data).order(ByteOrder.LITTLE_ENDIAN);
    b.put("RIFF".getBytes(StandardCharsets.US_ASCII))
        .putInt(b.capacity() - 8)
        .put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII));
    b.putInt(fmt)
        .putShort((short) tag)
        .putShort((short) channels)
        .putInt(rate)
        .putInt(rate * channels * bits / 8);
    b.putShort((short) (channels * bits / 8)).putShort((short) bits);
    if (fmt == 40) {
      b.putShort((short) 22)
          .putShort((short) bits)
          .putInt(channels == 6 ? 0x3F : 3)
          .putShort((short) 1);
      b.put(
          new byte[] {
            0, 0, 0, 0, 0x10, 0, (byte) 0x80, 0, 0, (byte) 0xAA, 0, 0x38, (byte) 0x9B, 0x71
          });
    }
    b.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(data);
    for (int i = 0; i < samples * channels; i++) {
      boolean front = i % channels < 2;
      int frame = i / channels;
      double x = front ? 0.5 * Math.sin(2 * Math.PI * 440 * frame / rate) : 0;
      switch (bits) {
        case 8 -> b.put((byte) Math.round(128 + 127 * x));
        case 16 -> b.putShort((short) Math.round(32767 * x));
        case 24 -> {
          int v = (int) Math.round(8388607 * x);
          b.put((byte) v).put((byte) (v >> 8)).put((byte) (v >> 16));
        }
        case 32 -> {
          if (tag == 3) {
            b.putFloat((float) x);
          } else {
            b.putInt((int) Math.round(2147483647 * x));
          }
        }
        default -> b.putDouble(x);
      }
    }
    return b.array();
  }
}
