package looseecho.audio;

import java.io.BufferedOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import looseecho.disk.Seal;

/**
 * Writes stereo WAV block by block, so that no length needs more memory; files over 4 GB become
 * RF64 (EBU Tech 3306). Samples beyond full scale are clipped.
 */
public final class WavStream implements Closeable {
  private static final int CHANNELS = 2;
  private static final int BYTES = 3;
  private static final int LARGE_SIZES = 28; // content of a ds64 chunk
  private static final long MOST_32_BITS = 0xFFFFFFFFL;
  private static final long FULL = 8388607;

  private final Path file;
  private final OutputStream out;
  private final boolean floating;
  private final int bytes; // of a sample
  private final int head;
  private byte[] block = new byte[0];
  private long samples;

  /** Begins a file of 24 bits that is there and empty. */
  public WavStream(Path file, int rate) throws IOException {
    this(file, rate, false);
  }

  /** The same; {@code floating} writes 32-bit float, which may pass full scale. */
  public WavStream(Path file, int rate, boolean floating) throws IOException {
    this.file = file;
    this.floating = floating;
    this.bytes = floating ? Float.BYTES : BYTES;
    this.out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16);
    byte[] seal = Seal.BLANK.getBytes(StandardCharsets.US_ASCII);
    int info = 4 + 8 + seal.length; // "INFO", then its one entry
    ByteBuffer h = ByteBuffer.allocate(12 + 8 + LARGE_SIZES + 24 + 8 + info + 8);
    h.order(ByteOrder.LITTLE_ENDIAN);
    h.put(letters("RIFF")).putInt(0).put(letters("WAVE"));
    h.put(letters("JUNK")).putInt(LARGE_SIZES).position(h.position() + LARGE_SIZES);
    h.put(letters("fmt ")).putInt(16).putShort((short) (floating ? 3 : 1));
    h.putShort((short) CHANNELS);
    h.putInt(rate).putInt(rate * CHANNELS * bytes);
    h.putShort((short) (CHANNELS * bytes)).putShort((short) (8 * bytes));
    h.put(letters("LIST")).putInt(info).put(letters("INFO"));
    h.put(letters("ISFT")).putInt(seal.length).put(seal);
    h.put(letters("data")).putInt(0);
    head = h.capacity();
    out.write(h.array());
  }

  private static byte[] letters(String id) {
    return id.getBytes(StandardCharsets.US_ASCII);
  }

  /** Adds {@code count} samples of both sides, left and right in turn. */
  public void add(float[] pairs, int count) throws IOException {
    int size = count * CHANNELS * bytes;
    block = block.length < size ? new byte[size] : block;
    for (int i = 0; floating && i < count * CHANNELS; i++) {
      int v = Float.floatToIntBits(pairs[i]);
      for (int k = 0; k < bytes; k++) {
        block[4 * i + k] = (byte) (v >> 8 * k);
      }
    }
    for (int i = 0; !floating && i < count * CHANNELS; i++) {
      int v = (int) Math.round(Math.max(-1.0, Math.min(1.0, pairs[i])) * FULL);
      block[3 * i] = (byte) v;
      block[3 * i + 1] = (byte) (v >> 8);
      block[3 * i + 2] = (byte) (v >> 16);
    }
    out.write(block, 0, size);
    samples += count;
  }

  /** Closes what is open; a file that was not finished is not whole. */
  @Override
  public void close() throws IOException {
    out.close();
  }

  /** Ends the file: its sizes and its seal. */
  public void finish() throws IOException {
    out.close();
    long data = samples * CHANNELS * bytes;
    long riff = head - 8 + data;
    boolean large = riff > MOST_32_BITS;
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
      patch(channel, 4, large ? MOST_32_BITS : riff);
      patch(channel, head - 4, large ? MOST_32_BITS : data);
      if (large) {
        ByteBuffer sizes = ByteBuffer.allocate(8 + LARGE_SIZES).order(ByteOrder.LITTLE_ENDIAN);
        sizes.put(letters("ds64")).putInt(LARGE_SIZES).putLong(riff).putLong(data).putLong(samples);
        channel.write(ByteBuffer.wrap(letters("RF64")), 0);
        channel.write(sizes.putInt(0).flip(), 12);
      }
    }
    Seal.close(file);
  }

  private static void patch(FileChannel channel, long at, long value) throws IOException {
    ByteBuffer b = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN);
    channel.write(b.putInt((int) value).flip(), at);
  }
}
