package looseecho.network;

import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32;

/**
 * Tensors of a trained network in the order in which they are used. The file's layout is described
 * in {@code training/export.py}; its checksum is verified. Immutable: nobody writes to the arrays.
 */
public final class Weights {
  private static final int MAGIC = 0x4c454e32;

  /** One tensor, the last dimension innermost. */
  public record Tensor(int[] shape, float[] values) {}

  private final List<Tensor> tensors;

  private Weights(List<Tensor> tensors) {
    this.tensors = List.copyOf(tensors);
  }

  /** A tensor by its place. */
  public Tensor get(int i) {
    return tensors.get(i);
  }

  /** Loads a resource beside a class. */
  public static Weights load(Class<?> owner, String resource) {
    try (InputStream in = owner.getResourceAsStream(resource)) {
      if (in == null) {
        throw new IOException("the weights " + resource + " are missing from the program");
      }
      return parse(in.readAllBytes());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Reads the bytes of a file of weights. */
  public static Weights parse(byte[] bytes) throws IOException {
    CRC32 crc = new CRC32();
    crc.update(bytes, 0, bytes.length - 4);
    if ((int) crc.getValue() != ByteBuffer.wrap(bytes).getInt(bytes.length - 4)) {
      throw new IOException("the network's weights are damaged");
    }
    DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes));
    if (in.readInt() != MAGIC) {
      throw new IOException("not a file of network weights");
    }
    int count = in.readInt();
    List<Tensor> tensors = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      int[] shape = new int[in.readInt()];
      int size = 1;
      for (int d = 0; d < shape.length; d++) {
        shape[d] = in.readInt();
        size *= shape[d];
      }
      float scale = in.readFloat();
      float[] w = new float[size];
      for (int k = 0; k < size; k++) {
        w[k] = scale * in.readShort();
      }
      tensors.add(new Tensor(shape, w));
    }
    return new Weights(tensors);
  }
}
