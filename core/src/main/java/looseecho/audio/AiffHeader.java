package looseecho.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import looseecho.audio.SoundFormat.Coding;

/**
 * The header of an AIFF or AIFF-C file; its chunks may stand in any order.
 *
 * <p>Sources: Apple, "Audio Interchange File Format 1.3" (1989) and "AIFF-C" (draft of 1991).
 */
final class AiffHeader {
  private static final int EXPONENT_BIAS = 16383;
  private static final int MANTISSA_BITS = 63;

  private AiffHeader() {}

  static SoundFormat read(FileChannel file) throws IOException {
    Chunks chunks = new Chunks(file, ByteOrder.BIG_ENDIAN);
    ByteBuffer common = null;
    Chunks.Chunk sound = null;
    long offset = 0;
    for (Chunks.Chunk c = chunks.next(); c != null; c = chunks.next()) {
      if (c.id().equals("COMM")) {
        common = chunks.content(c, 64);
      } else if (c.id().equals("SSND") && sound == null) {
        sound = c;
        ByteBuffer head = chunks.content(c, 8);
        offset = head.remaining() >= 4 ? head.getInt(0) & 0xFFFFFFFFL : 0;
      }
    }
    if (common == null || common.remaining() < 18 || sound == null) {
      throw new IOException("no format or no samples");
    }
    return format(common, sound.start() + 8 + offset, sound.length() - 8 - offset);
  }

  private static SoundFormat format(ByteBuffer c, long start, long room) throws IOException {
    int channels = c.getShort(0) & 0xFFFF;
    long frames = c.getInt(2) & 0xFFFFFFFFL;
    int bytes = ((c.getShort(6) & 0xFFFF) + 7) / 8;
    double rate = extended(c, 8);
    byte[] name = {'N', 'O', 'N', 'E'};
    if (c.remaining() >= 22) {
      c.get(18, name);
    }
    String kind = new String(name, StandardCharsets.ISO_8859_1);
    Coding coding = coding(kind);
    int width =
        switch (kind.trim()) {
          case "fl32", "FL32", "in32", "23ni" -> 4;
          case "fl64", "FL64" -> 8;
          case "in24", "42ni" -> 3;
          case "alaw", "ALAW", "ulaw", "ULAW", "raw" -> 1;
          default -> bytes;
        };
    boolean little = kind.equals("sowt") || kind.equals("42ni") || kind.equals("23ni");
    SoundFormat f = new SoundFormat(coding, width, !little, channels, rate, start, -1);
    long told = frames * f.frame();
    long length = room > 0 ? Math.min(told, room) : told;
    return new SoundFormat(coding, width, !little, channels, rate, start, length);
  }

  private static Coding coding(String kind) throws IOException {
    return switch (kind.trim()) {
      case "NONE", "twos", "sowt", "in24", "in32", "42ni", "23ni" -> Coding.SIGNED;
      case "raw" -> Coding.UNSIGNED;
      case "fl32", "FL32", "fl64", "FL64" -> Coding.FLOAT;
      case "alaw", "ALAW" -> Coding.A_LAW;
      case "ulaw", "ULAW" -> Coding.MU_LAW;
      default ->
          throw new UnreadableException(
              "This AIFF file is coded as "
                  + kind.replaceAll("[^ -~]", "?").trim()
                  + ", which can't be read. Save it as plain PCM and try again.");
    };
  }

  /** An IEEE 754 extended number of 80 bits. */
  private static double extended(ByteBuffer b, int at) {
    int exponent = b.getShort(at) & 0x7FFF;
    long mantissa = b.getLong(at + 2);
    double m = (mantissa >>> 1) * 2.0 + (mantissa & 1);
    return m * Math.pow(2, exponent - EXPONENT_BIAS - MANTISSA_BITS);
  }
}
