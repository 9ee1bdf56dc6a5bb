package looseecho.audio;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;

/**
 * Bits of a stream, highest first, with everything since a mark at hand, so that one can go back
 * and check sums can be taken over it. What is kept is bounded.
 */
final class FlacBits {
  private static final int FIRST = 1 << 16;
  private static final int MOST = 1 << 23; // more than the largest frame
  private static final int MARGIN = 16; // zero bytes behind the end, for reading 64 bits at once
  private static final int[] CRC16 = new int[256];

  static {
    for (int b = 0; b < 256; b++) {
      int crc = b << 8;
      for (int k = 0; k < 8; k++) {
        crc = (crc << 1 ^ ((crc & 0x8000) != 0 ? 0x8005 : 0)) & 0xFFFF;
      }
      CRC16[b] = crc;
    }
  }

  private final InputStream in;
  private byte[] buffer = new byte[FIRST + MARGIN];
  private int end; // bytes in the buffer
  private int mark; // byte
  private long at; // bit

  FlacBits(InputStream in) {
    this.in = in;
  }

  /** The next bits as a whole number without a sign, 0 to 32 of them. */
  long bits(int count) throws IOException {
    need(count);
    long value = count == 0 ? 0 : ahead() >>> 64 - count;
    at += count;
    return value;
  }

  /** The same with a sign, 1 to 33 bits. */
  long signed(int count) throws IOException {
    need(count);
    long value = ahead() >> 64 - count;
    at += count;
    return value;
  }

  /** How many zeros come before the next one, which is taken too. */
  int zeros(int most) throws IOException {
    int sum = 0;
    while (true) {
      need(1);
      int left = (int) Math.min(56, 8L * end - at);
      int zeros = Math.min(left, Long.numberOfLeadingZeros(ahead()));
      sum += zeros;
      at += zeros;
      if (sum > most) {
        throw new IOException("a number without end");
      }
      if (zeros < left) {
        at++;
        return sum;
      }
    }
  }

  /** The 56 bits from here on at the top, zeros behind the end. */
  private long ahead() {
    int b = (int) (at >>> 3);
    long value = 0;
    for (int k = 0; k < 8; k++) {
      value = value << 8 | buffer[b + k] & 0xFF;
    }
    return value << (at & 7);
  }

  private void need(int count) throws IOException {
    while (at + count > 8L * end) {
      if (!fill()) {
        throw new EOFException("the stream ends within a frame");
      }
    }
  }

  private boolean fill() throws IOException {
    if (mark > end) {
      return false; // gone back to behind the end
    }
    if (mark > 0) {
      System.arraycopy(buffer, mark, buffer, 0, end - mark);
      end -= mark;
      at -= 8L * mark;
      mark = 0;
    }
    if (end == buffer.length - MARGIN) {
      if (end >= MOST) {
        throw new IOException("a frame without end");
      }
      buffer = Arrays.copyOf(buffer, 2 * end + MARGIN);
    }
    int got = in.read(buffer, end, buffer.length - MARGIN - end);
    end += Math.max(0, got);
    Arrays.fill(buffer, end, end + MARGIN, (byte) 0);
    return got > 0;
  }

  /** Goes on to the next whole byte. */
  void align() {
    at = at + 7 & ~7L;
  }

  /** Keeps everything from here on, a whole byte. */
  void mark() {
    mark = (int) (at >>> 3);
  }

  /** Goes back to so many bytes behind the mark. */
  void back(int bytes) {
    at = 8L * (mark + bytes);
  }

  /** Bytes since the mark. */
  int sinceMark() {
    return (int) (at >>> 3) - mark;
  }

  /** CRC-8 of the bytes since the mark (polynomial x^8 + x^2 + x + 1). */
  int crc8() {
    int crc = 0;
    for (int i = mark; i < at >>> 3; i++) {
      crc ^= buffer[i] & 0xFF;
      for (int k = 0; k < 8; k++) {
        crc = (crc << 1 ^ ((crc & 0x80) != 0 ? 0x07 : 0)) & 0xFF;
      }
    }
    return crc;
  }

  /** CRC-16 of the bytes since the mark (polynomial x^16 + x^15 + x^2 + 1). */
  int crc16() {
    int crc = 0;
    for (int i = mark; i < at >>> 3; i++) {
      crc = (crc << 8 ^ CRC16[crc >> 8 ^ buffer[i] & 0xFF]) & 0xFFFF;
    }
    return crc;
  }
}
