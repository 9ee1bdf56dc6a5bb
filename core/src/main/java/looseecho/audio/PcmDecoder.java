package looseecho.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import looseecho.reading.Progress;

/**
 * Uncompressed sound: WAV (with its streamed and large kinds), AIFF and AIFF-C, of 8 to 32 bits, 32
 * and 64 bit float, A-law and mu-law.
 */
final class PcmDecoder implements AudioReader.Decoder {
  private static final float FULL_SCALE = 0x1p31f;

  private static final int BLOCK = 1 << 16;

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    SoundFormat format = format(path);
    sink.format(format.rate());
    int frame = format.frame();
    sink.expect(format.length() / frame);
    byte[] bytes = new byte[BLOCK / frame * frame];
    float[][] block = new float[format.channels()][bytes.length / frame];
    long left = format.length() < 0 ? Long.MAX_VALUE : format.length();
    try (GuardedStream in = GuardedStream.open(path, format.start(), progress)) {
      while (left >= frame) {
        int got = in.readNBytes(bytes, 0, (int) Math.min(bytes.length, left));
        int count = got / frame;
        for (int c = 0; c < block.length; c++) {
          decode(format, bytes, c * format.bytes(), block[c], count);
        }
        sink.addAll(block, count);
        left -= got;
        progress.step("Reading", in.done());
        if (got < bytes.length) {
          break;
        }
      }
    }
    return format.length() < 0 ? -1 : format.length() / frame;
  }

  private static SoundFormat format(Path path) throws IOException {
    try (FileChannel file = FileChannel.open(path)) {
      ByteBuffer first = ByteBuffer.allocate(1);
      file.read(first, 0);
      return first.get(0) == 'F' ? AiffHeader.read(file) : WavHeader.read(file);
    }
  }

  /** Samples of one channel, the first at a byte; the usual kinds have a loop of their own. */
  private static void decode(SoundFormat f, byte[] bytes, int from, float[] out, int count) {
    int frame = f.frame();
    boolean signed = f.coding() == SoundFormat.Coding.SIGNED;
    if (signed && f.bytes() == 2 && !f.bigEndian()) {
      for (int i = 0, at = from; i < count; i++, at += frame) {
        out[i] = (short) (bytes[at] & 0xFF | bytes[at + 1] << 8) / 32768f;
      }
      return;
    }
    if (signed && f.bytes() == 3 && !f.bigEndian()) {
      for (int i = 0, at = from; i < count; i++, at += frame) {
        int low = (bytes[at] & 0xFF) << 8 | (bytes[at + 1] & 0xFF) << 16;
        out[i] = (low | bytes[at + 2] << 24) / FULL_SCALE;
      }
      return;
    }
    ByteBuffer b = ByteBuffer.wrap(bytes);
    b.order(f.bigEndian() ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < count; i++) {
      out[i] = sample(f, b, from + i * frame);
    }
  }

  private static float sample(SoundFormat f, ByteBuffer b, int at) {
    return switch (f.coding()) {
      case FLOAT -> f.bytes() == 8 ? (float) b.getDouble(at) : b.getFloat(at);
      case A_LAW -> aLaw(b.get(at)) / 32768f;
      case MU_LAW -> muLaw(b.get(at)) / 32768f;
      case SIGNED -> whole(f, b, at) / FULL_SCALE;
      case UNSIGNED -> (whole(f, b, at) ^ Integer.MIN_VALUE) / FULL_SCALE;
    };
  }

  /** A whole number of one to four bytes, its first bit in the highest place. */
  private static int whole(SoundFormat f, ByteBuffer b, int at) {
    int value = 0;
    for (int k = 0; k < f.bytes(); k++) {
      int from = f.bigEndian() ? at + k : at + f.bytes() - 1 - k;
      value |= (b.get(from) & 0xFF) << 24 - 8 * k;
    }
    return value;
  }

  /** ITU-T G.711, A-law to 16 bits. */
  private static int aLaw(byte coded) {
    int c = coded ^ 0x55;
    int segment = (c & 0x70) >> 4;
    int value = (c & 0x0F) << 4 | 8;
    value = segment == 0 ? value : (value | 0x100) << segment - 1;
    return (c & 0x80) != 0 ? value : -value;
  }

  /** ITU-T G.711, mu-law to 16 bits. */
  private static int muLaw(byte coded) {
    int c = ~coded & 0xFF;
    int value = (((c & 0x0F) << 3) + 0x84 << ((c & 0x70) >> 4)) - 0x84;
    return (c & 0x80) != 0 ? -value : value;
  }
}
