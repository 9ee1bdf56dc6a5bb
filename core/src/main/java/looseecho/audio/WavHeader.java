package looseecho.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import looseecho.audio.SoundFormat.Coding;

/**
 * The header of a WAV file.
 *
 * <p>Sources: Microsoft and IBM, "Multimedia Programming Interface and Data Specifications 1.0"
 * (1991); WAVEFORMATEXTENSIBLE; for files over 4 GB EBU Tech 3306 (RF64).
 */
final class WavHeader {
  private static final int PCM = 1;
  private static final int FLOAT = 3;
  private static final int A_LAW = 6;
  private static final int MU_LAW = 7;
  private static final int EXTENSIBLE = 0xFFFE;
  private static final long ALL_ONES = 0xFFFFFFFFL;

  private WavHeader() {}

  static SoundFormat read(FileChannel file) throws IOException {
    Chunks chunks = new Chunks(file, ByteOrder.LITTLE_ENDIAN);
    ByteBuffer format = null;
    long large = -1;
    for (Chunks.Chunk c = chunks.next(); c != null; c = chunks.next()) {
      switch (c.id()) {
        case "ds64" -> {
          ByteBuffer sizes = chunks.content(c, 24);
          large = sizes.remaining() >= 16 ? sizes.getLong(8) : -1;
        }
        case "fmt " -> format = chunks.content(c, 40);
        case "data" -> {
          if (format == null || format.remaining() < 16) {
            throw new IOException("no format before the samples");
          }
          long length = c.length() == ALL_ONES ? large : c.length();
          boolean streamed = length == 0 && file.size() > c.start();
          return format(format, c.start(), streamed || length < 0 ? -1 : length);
        }
        default -> {}
      }
    }
    throw new IOException("no samples");
  }

  private static SoundFormat format(ByteBuffer f, long start, long length) throws IOException {
    int tag = f.getShort(0) & 0xFFFF;
    int channels = f.getShort(2) & 0xFFFF;
    double rate = f.getInt(4) & 0xFFFFFFFFL;
    int frame = f.getShort(12) & 0xFFFF;
    if (tag == EXTENSIBLE && f.remaining() >= 26) {
      tag = f.getShort(24) & 0xFFFF;
    }
    Coding coding = coding(tag, f.getShort(14) & 0xFFFF);
    if (channels == 0 || frame % channels != 0) {
      throw new IOException("channels and frame do not agree");
    }
    return new SoundFormat(coding, frame / channels, false, channels, rate, start, length);
  }

  private static Coding coding(int tag, int bits) throws IOException {
    return switch (tag) {
      case PCM -> bits <= 8 ? Coding.UNSIGNED : Coding.SIGNED;
      case FLOAT -> Coding.FLOAT;
      case A_LAW -> Coding.A_LAW;
      case MU_LAW -> Coding.MU_LAW;
      default -> throw other(tag);
    };
  }

  private static UnreadableException other(int tag) {
    String name =
        switch (tag) {
          case 2 -> "Microsoft ADPCM";
          case 0x11 -> "IMA ADPCM";
          case 0x31 -> "GSM 6.10";
          case 0x50, 0x55 -> "MPEG";
          default -> "a coding that is not known here (number " + tag + ")";
        };
    return new UnreadableException(
        "This WAV file is coded as " + name + ". Save it as plain PCM and try again.");
  }
}
