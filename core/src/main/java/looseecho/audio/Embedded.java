package looseecho.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * What a file says of itself beside its samples. Nobody vouches for it: it is told to the person,
 * never believed in place of what is heard.
 *
 * @param bpm tempo; empty where none is given
 * @param loops stretches that are meant to go round
 */
public record Embedded(OptionalDouble bpm, List<Loop> loops) {
  /** Nothing is said. */
  public static final Embedded NOTHING = new Embedded(OptionalDouble.empty(), List.of());

  private static final double SLOWEST = 20;
  private static final double FASTEST = 400;
  private static final int MOST_LOOPS = 64;
  private static final int LOOPS_AT = 36; // bytes into "smpl"
  private static final int LOOP_BYTES = 24;
  private static final int ONE_SHOT = 1; // flag of "acid": no loop, its tempo means nothing

  /** A stretch, in samples; the last one is played, too. */
  public record Loop(long first, long last) {}

  public Embedded {
    loops = List.copyOf(loops);
  }

  /**
   * Reads it from a WAV or AIFF file; nothing for any other.
   *
   * <p>Sources: loops by Microsoft, "Multimedia Data Standards Update" (1994), "smpl", and Apple,
   * "Audio Interchange File Format 1.3" (1989), INST and MARK; the tempo by the chunk "acid" that
   * loops are commonly given (layout from memory: flags, root, two unknown, beats, meter, tempo).
   */
  public static Embedded of(Path file) {
    try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ)) {
      ByteBuffer head = ByteBuffer.allocate(12);
      if (in.read(head, 0) < 12) {
        return NOTHING;
      }
      String kind = new String(head.array(), StandardCharsets.ISO_8859_1);
      return kind.endsWith("WAVE") ? wav(in) : kind.startsWith("FORM") ? aiff(in) : NOTHING;
    } catch (IOException | IndexOutOfBoundsException e) {
      System.getLogger(Embedded.class.getName())
          .log(System.Logger.Level.DEBUG, "says nothing that can be read: " + file, e);
      return NOTHING;
    }
  }

  private static Embedded wav(FileChannel file) throws IOException {
    Chunks chunks = new Chunks(file, ByteOrder.LITTLE_ENDIAN);
    OptionalDouble bpm = OptionalDouble.empty();
    List<Loop> loops = new ArrayList<>();
    for (Chunks.Chunk c = chunks.next(); c != null; c = chunks.next()) {
      if (c.id().equals("acid") && c.length() >= 24) {
        ByteBuffer b = chunks.content(c, 24);
        float told = b.getFloat(20);
        boolean loop = (b.getInt(0) & ONE_SHOT) == 0;
        bpm = loop && told >= SLOWEST && told <= FASTEST ? OptionalDouble.of(told) : bpm;
      } else if (c.id().equals("smpl") && c.length() >= LOOPS_AT) {
        ByteBuffer b = chunks.content(c, LOOPS_AT + MOST_LOOPS * LOOP_BYTES);
        int count = Math.min(b.getInt(28), (b.remaining() - LOOPS_AT) / LOOP_BYTES);
        for (int i = 0; i < count; i++) {
          int at = LOOPS_AT + i * LOOP_BYTES;
          add(loops, b.getInt(at + 8) & 0xFFFFFFFFL, b.getInt(at + 12) & 0xFFFFFFFFL);
        }
      }
    }
    return new Embedded(bpm, loops);
  }

  private static Embedded aiff(FileChannel file) throws IOException {
    Chunks chunks = new Chunks(file, ByteOrder.BIG_ENDIAN);
    Map<Integer, Long> marks = new HashMap<>();
    int begin = 0;
    int end = 0;
    for (Chunks.Chunk c = chunks.next(); c != null; c = chunks.next()) {
      if (c.id().equals("MARK")) {
        ByteBuffer b = chunks.content(c, 1 << 14);
        int count = b.getShort() & 0xFFFF;
        for (int i = 0; i < count && b.remaining() >= 7; i++) {
          int id = b.getShort();
          marks.put(id, b.getInt() & 0xFFFFFFFFL);
          int name = b.get() & 0xFF;
          b.position(Math.min(b.limit(), b.position() + name + (name + 1) % 2)); // evenly padded
        }
      } else if (c.id().equals("INST") && c.length() >= 20) {
        ByteBuffer b = chunks.content(c, 20);
        boolean loops = b.getShort(8) != 0;
        begin = loops ? b.getShort(10) : 0;
        end = loops ? b.getShort(12) : 0;
      }
    }
    List<Loop> loops = new ArrayList<>();
    if (marks.containsKey(begin) && marks.containsKey(end)) {
      add(loops, marks.get(begin), marks.get(end) - 1); // marks lie between samples
    }
    return new Embedded(OptionalDouble.empty(), loops);
  }

  private static void add(List<Loop> loops, long first, long last) {
    if (last > first) {
      loops.add(new Loop(first, last));
    }
  }
}
