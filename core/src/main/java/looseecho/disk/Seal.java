package looseecho.disk;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.OptionalLong;

/**
 * A mark inside a file that it was written by this program and not changed since: the hash of the
 * file with the mark left blank (the first 128 bits of SHA-256). Any open format can carry it as
 * text.
 */
public final class Seal {
  private static final String NAME = "loose-echo-seal:";
  private static final int DIGITS = 32;

  /** To be written somewhere into the first or last {@link #NEAR} bytes of a file, once. */
  public static final String BLANK = NAME + "0".repeat(DIGITS);

  static final int NEAR = 1 << 16;

  private Seal() {}

  /** Fills in the blank seal of a finished file. */
  public static void close(Path file) throws IOException {
    OptionalLong at = find(file);
    if (at.isEmpty()) {
      throw new IllegalStateException("there is no blank seal in " + file);
    }
    byte[] digits = hash(file, at.getAsLong()).getBytes(StandardCharsets.US_ASCII);
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
      channel.write(ByteBuffer.wrap(digits), at.getAsLong());
    }
  }

  /** True when the file has a seal and nothing in it has changed since it was written. */
  public static boolean isUnbroken(Path file) throws IOException {
    OptionalLong at = find(file);
    if (at.isEmpty()) {
      return false;
    }
    ByteBuffer digits = ByteBuffer.allocate(DIGITS);
    try (FileChannel channel = FileChannel.open(file)) {
      channel.read(digits, at.getAsLong());
    }
    String said = new String(digits.array(), StandardCharsets.US_ASCII);
    return said.equals(hash(file, at.getAsLong()));
  }

  /** Where the digits begin. */
  private static OptionalLong find(Path file) throws IOException {
    try (FileChannel channel = FileChannel.open(file)) {
      long size = channel.size();
      for (long from : new long[] {0, Math.max(0, size - NEAR)}) {
        ByteBuffer part = ByteBuffer.allocate((int) Math.min(NEAR, size - from));
        channel.read(part, from);
        String text = new String(part.array(), StandardCharsets.ISO_8859_1);
        int at = text.indexOf(NAME);
        if (at >= 0 && from + at + NAME.length() + DIGITS <= size) {
          return OptionalLong.of(from + at + NAME.length());
        }
      }
    }
    return OptionalLong.empty();
  }

  private static String hash(Path file, long blank) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      byte[] buffer = new byte[1 << 16];
      long done = 0;
      for (int n = in.read(buffer); n > 0; n = in.read(buffer)) {
        int first = (int) Math.max(0, Math.min(n, blank - done));
        int end = (int) Math.max(0, Math.min(n, blank + DIGITS - done));
        java.util.Arrays.fill(buffer, first, Math.max(first, end), (byte) '0');
        digest.update(buffer, 0, n);
        done += n;
      }
      return HexFormat.of().formatHex(digest.digest(), 0, DIGITS / 2);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every JDK has SHA-256", e);
    }
  }
}
