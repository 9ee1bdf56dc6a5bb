package looseecho.audio;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Chunks laid out as "Multimedia Data Standards Update" (1994) and AIFF 1.3 (1989) print them. */
class EmbeddedTest {
  @TempDir private Path dir;

  private static ByteBuffer chunk(String id, int length, ByteOrder order) {
    return ByteBuffer.allocate(8 + length)
        .order(order)
        .put(id.getBytes(StandardCharsets.ISO_8859_1))
        .putInt(length);
  }

  private Path file(String head, ByteOrder order, ByteBuffer... chunks) throws IOException {
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    all.write(bytes(chunk(head.substring(0, 4), 0, order)));
    all.write(head.substring(4).getBytes(StandardCharsets.ISO_8859_1));
    for (ByteBuffer c : chunks) {
      all.write(bytes(c));
    }
    Path file = dir.resolve(head + ".sound");
    Files.write(file, all.toByteArray());
    return file;
  }

  private static byte[] bytes(ByteBuffer chunk) {
    byte[] all = new byte[chunk.capacity()];
    chunk.duplicate().rewind().get(all);
    return all;
  }

  private static ByteBuffer acid(int flags, float bpm) {
    ByteBuffer acid = chunk("acid", 24, ByteOrder.LITTLE_ENDIAN);
    return acid.putInt(flags)
        .putShort((short) 60)
        .putShort((short) 0)
        .putFloat(0)
        .putInt(16)
        .putShort((short) 4)
        .putShort((short) 4)
        .putFloat(bpm);
  }

  private static ByteBuffer smpl(int... firstAndLast) {
    int count = firstAndLast.length / 2;
    ByteBuffer b = chunk("smpl", 36 + 24 * count, ByteOrder.LITTLE_ENDIAN);
    b.position(8 + 28).putInt(count).putInt(0);
    for (int i = 0; i < count; i++) {
      b.putInt(i).putInt(0).putInt(firstAndLast[2 * i]).putInt(firstAndLast[2 * i + 1]);
      b.putInt(0).putInt(0);
    }
    return b;
  }

  @Test
  void tempoAndLoopsOfWav() throws IOException {
    Embedded e =
        Embedded.of(
            file("RIFFWAVE", ByteOrder.LITTLE_ENDIAN, smpl(0, 44099, 500, 400), acid(2, 128.5f)));
    assertEquals(OptionalDouble.of(128.5), e.bpm());
    assertEquals(List.of(new Embedded.Loop(0, 44099)), e.loops(), "one that runs back is none");
    assertEquals(
        Embedded.NOTHING,
        Embedded.of(file("RIFFWAVE", ByteOrder.LITTLE_ENDIAN, acid(1, 128), acid(2, 0))),
        "a one-shot's tempo and a tempo of nought mean nothing");
    ByteBuffer cut = smpl(0, 9);
    cut.putInt(8 + 28, 1000);
    assertEquals(
        List.of(new Embedded.Loop(0, 9)),
        Embedded.of(file("RIFFWAVE", ByteOrder.LITTLE_ENDIAN, cut)).loops(),
        "no more than there are");
  }

  @Test
  void loopsOfAiff() throws IOException {
    ByteBuffer mark = chunk("MARK", 2 + 2 * (7 + 3), ByteOrder.BIG_ENDIAN);
    mark.putShort((short) 2);
    mark.putShort((short) 7)
        .putInt(1000)
        .put((byte) 3)
        .put("beg".getBytes(StandardCharsets.US_ASCII));
    mark.putShort((short) 9)
        .putInt(3000)
        .put((byte) 3)
        .put("end".getBytes(StandardCharsets.US_ASCII));
    ByteBuffer inst = chunk("INST", 20, ByteOrder.BIG_ENDIAN);
    inst.position(8 + 8).putShort((short) 1).putShort((short) 7).putShort((short) 9);
    assertEquals(
        List.of(new Embedded.Loop(1000, 2999)),
        Embedded.of(file("FORMAIFF", ByteOrder.BIG_ENDIAN, mark, inst)).loops());
  }

  @Test
  void whatIsNeitherSaysNothing() throws IOException {
    Path text = Files.writeString(dir.resolve("a.wav"), "RIFF");
    assertEquals(Embedded.NOTHING, Embedded.of(text));
    assertEquals(Embedded.NOTHING, Embedded.of(dir.resolve("nowhere.wav")));
    Path odd =
        file("RIFFWAVE", ByteOrder.LITTLE_ENDIAN, chunk("acid", 200, ByteOrder.LITTLE_ENDIAN));
    Files.write(odd, java.util.Arrays.copyOf(Files.readAllBytes(odd), 30));
    assertEquals(Embedded.NOTHING, Embedded.of(odd));
  }
}
