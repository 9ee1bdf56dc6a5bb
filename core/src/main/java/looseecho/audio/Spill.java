package looseecho.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.FloatBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Samples put aside in a temporary file, to be mapped when all are there. */
final class Spill {
  private final Path file;
  private final FileChannel channel;

  Spill() throws IOException {
    file = Files.createTempFile("loose-echo-", ".samples");
    channel =
        FileChannel.open(
            file,
            StandardOpenOption.READ,
            StandardOpenOption.WRITE,
            StandardOpenOption.DELETE_ON_CLOSE);
  }

  /** Looks whether the temporary folder has room for so many bytes. */
  static void checkRoom(long bytes) {
    try {
      Path folder = Path.of(System.getProperty("java.io.tmpdir"));
      if (Files.getFileStore(folder).getUsableSpace() < bytes) {
        throw new SampleSink.NoRoomException(null);
      }
    } catch (IOException e) {
      throw new SampleSink.NoRoomException(e);
    }
  }

  /** Deletes the file; what was mapped of it stays readable. */
  void close() throws IOException {
    channel.close();
  }

  void write(float[] samples, int count) throws IOException {
    ByteBuffer bytes = ByteBuffer.allocate(4 * count).order(ByteOrder.nativeOrder());
    bytes.asFloatBuffer().put(samples, 0, count);
    while (bytes.hasRemaining()) {
      channel.write(bytes);
    }
  }

  /** All samples. The mapping outlives the channel; the file is gone when the program ends. */
  Samples map(int shift) throws IOException {
    long bytes = (long) Float.BYTES << shift;
    int count = (int) ((channel.size() + bytes - 1) / bytes);
    FloatBuffer[] stretches = new FloatBuffer[Math.max(1, count)];
    for (int k = 0; k < stretches.length; k++) {
      long from = k * bytes;
      stretches[k] =
          channel
              .map(FileChannel.MapMode.READ_ONLY, from, Math.min(bytes, channel.size() - from))
              .order(ByteOrder.nativeOrder())
              .asFloatBuffer();
    }
    Samples all = new Samples(stretches, shift, (int) (channel.size() / Float.BYTES));
    try {
      channel.close();
    } catch (IOException e) {
      file.toFile().deleteOnExit(); // some systems do not delete what is still mapped
    }
    return all;
  }
}
