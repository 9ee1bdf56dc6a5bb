package looseecho.exchange;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * A reader of Standard MIDI Files written from the specification alone, independent of the JDK's
 * that wrote them.
 */
public final class SmfReader {
  /** An event: status byte, for meta events 0xFF and the type in {@code a}. */
  public record Event(int track, long tick, int status, int a, int b, byte[] data) {
    public String text() {
      return new String(data, StandardCharsets.UTF_8);
    }
  }

  private int format;
  private int tracks;
  private int division;
  private final List<Event> events = new ArrayList<>();

  public static SmfReader read(byte[] bytes) {
    SmfReader r = new SmfReader();
    ByteBuffer b = ByteBuffer.wrap(bytes);
    r.expect(b, "MThd");
    int head = b.getInt();
    r.format = b.getShort();
    r.tracks = b.getShort();
    r.division = b.getShort();
    b.position(8 + head);
    for (int t = 0; t < r.tracks; t++) {
      r.expect(b, "MTrk");
      int end = b.getInt() + b.position();
      r.track(b, t, end);
      b.position(end);
    }
    return r;
  }

  public int format() {
    return format;
  }

  public List<Event> events() {
    return events;
  }

  private void expect(ByteBuffer b, String tag) {
    byte[] four = new byte[4];
    b.get(four);
    if (!new String(four, StandardCharsets.US_ASCII).equals(tag)) {
      throw new IllegalStateException("no " + tag);
    }
  }

  private void track(ByteBuffer b, int t, int end) {
    long tick = 0;
    int status = 0;
    while (b.position() < end) {
      tick += variable(b);
      int first = b.get(b.position()) & 0xFF;
      if (first >= 0x80) {
        status = first;
        b.get();
      }
      if (status == 0xFF) {
        int type = b.get() & 0xFF;
        byte[] data = new byte[(int) variable(b)];
        b.get(data);
        events.add(new Event(t, tick, 0xFF, type, 0, data));
      } else {
        int kind = status & 0xF0;
        int a = b.get() & 0xFF;
        events.add(
            new Event(
                t,
                tick,
                status,
                a,
                kind == 0xC0 || kind == 0xD0 ? 0 : b.get() & 0xFF,
                new byte[0]));
      }
    }
  }

  /** A variable-length number (Standard MIDI Files 1.0, page 2). */
  static long variable(ByteBuffer b) {
    long v = 0;
    int next;
    do {
      next = b.get() & 0xFF;
      v = v << 7 | next & 0x7F;
    } while ((next & 0x80) != 0);
    return v;
  }

  /** Seconds of a tick under the tempo events of all tracks. */
  public double seconds(long tick) {
    double s = 0;
    long last = 0;
    double us = 500000;
    List<Event> tempos =
        events.stream()
            .filter(e -> e.status() == 0xFF && e.a() == 0x51)
            .sorted(java.util.Comparator.comparingLong(Event::tick))
            .toList();
    for (Event e : tempos) {
      if (e.tick() >= tick) {
        break;
      }
      s += (e.tick() - last) * us / 1e6 / division;
      last = e.tick();
      us = (e.data()[0] & 0xFF) << 16 | (e.data()[1] & 0xFF) << 8 | e.data()[2] & 0xFF;
    }
    return s + (tick - last) * us / 1e6 / division;
  }
}
