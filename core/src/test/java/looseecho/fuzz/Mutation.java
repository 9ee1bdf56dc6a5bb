package looseecho.fuzz;

import java.util.Arrays;
import java.util.SplittableRandom;

/** Damages bytes in the ways of failing disks, cut downloads and ill will; the seed decides how. */
final class Mutation {
  private static final int HEAD = 256;
  private static final long[] WORDS = {
    0, 1, 2, 0x7F, 0xFF, 0x7FFF, 0xFFFF, 0x7FFFFFFF, 0xFFFFFFFFL, 0x80000000L
  };

  private Mutation() {}

  static byte[] of(byte[] whole, SplittableRandom random) {
    byte[] out = whole.clone();
    int times = 1 + random.nextInt(3);
    for (int k = 0; k < times; k++) {
      out = once(out, random);
    }
    return out;
  }

  private static byte[] once(byte[] in, SplittableRandom random) {
    if (in.length < 2) {
      return in;
    }
    int head = Math.min(HEAD, in.length);
    int from = random.nextInt(in.length);
    int size = 1 + random.nextInt(Math.max(1, Math.min(4096, in.length - from)));
    byte[] out = in.clone();
    switch (random.nextInt(10)) {
      case 0 -> flip(out, random, in.length, 1 + random.nextInt(16));
      case 1 -> flip(out, random, head, 1);
      case 2 -> out[random.nextInt(head)] = (byte) WORDS[random.nextInt(5)];
      case 3 -> word(out, random.nextInt(head), random);
      case 4 -> {
        return Arrays.copyOf(in, from);
      }
      case 5 -> {
        out = Arrays.copyOf(in, in.length + size);
        Arrays.fill(out, in.length, out.length, (byte) (random.nextBoolean() ? 0xFF : 0));
      }
      case 6 -> {
        out = Arrays.copyOf(in, in.length + size);
        for (int i = in.length; i < out.length; i++) {
          out[i] = (byte) random.nextInt(256);
        }
      }
      case 7 -> {
        System.arraycopy(in, from + size, out, from, in.length - from - size);
        return Arrays.copyOf(out, in.length - size);
      }
      case 8 -> System.arraycopy(in, random.nextInt(in.length - size + 1), out, from, size);
      default -> Arrays.fill(out, from, from + size, (byte) WORDS[random.nextInt(5)]);
    }
    return out;
  }

  private static void flip(byte[] out, SplittableRandom random, int within, int times) {
    for (int k = 0; k < times; k++) {
      out[random.nextInt(within)] ^= (byte) (1 << random.nextInt(8));
    }
  }

  private static void word(byte[] out, int at, SplittableRandom random) {
    long value = WORDS[random.nextInt(WORDS.length)];
    int bytes = random.nextBoolean() ? 4 : 2;
    boolean big = random.nextBoolean();
    for (int k = 0; k < bytes && at + k < out.length; k++) {
      out[at + k] = (byte) (value >> 8 * (big ? bytes - 1 - k : k));
    }
  }
}
