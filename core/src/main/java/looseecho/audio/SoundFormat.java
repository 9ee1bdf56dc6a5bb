package looseecho.audio;

/**
 * How uncompressed samples lie in a file.
 *
 * @param coding how one sample is written
 * @param bytes of one sample; unused low bits are zero, so that 20 bits in three bytes read as 24
 * @param bigEndian true when the high byte comes first
 * @param channels 1..64
 * @param rate samples a second
 * @param start byte at which the samples begin
 * @param length bytes of samples that the header promises; -1 when it does not say
 */
record SoundFormat(
    Coding coding,
    int bytes,
    boolean bigEndian,
    int channels,
    double rate,
    long start,
    long length) {
  static final int MOST_CHANNELS = 64;

  /** How one sample is written. */
  enum Coding {
    SIGNED,
    UNSIGNED,
    FLOAT,
    A_LAW,
    MU_LAW
  }

  /** Checks a header's numbers against each other. */
  SoundFormat {
    boolean width =
        switch (coding) {
          case SIGNED, UNSIGNED -> bytes >= 1 && bytes <= 4;
          case FLOAT -> bytes == 4 || bytes == 8;
          case A_LAW, MU_LAW -> bytes == 1;
        };
    if (!width || channels < 1 || channels > MOST_CHANNELS || start < 0) {
      throw new IllegalArgumentException(
          "damaged header: " + coding + ", " + bytes + " bytes, " + channels + " channels");
    }
  }

  /** Bytes of one sample of every channel. */
  int frame() {
    return bytes * channels;
  }
}
