package looseecho.echo;

import java.util.Objects;
import looseecho.reading.Limits;

/**
 * Something that leads over an edge, or breaks the flow anywhere in a section.
 *
 * @param kind what it is
 * @param tick where its edge lies, from the section's start; 0 leads into the section
 * @param before how many ticks before the edge it begins
 * @param after how many ticks behind the edge it ends
 * @param levelDb of what it adds
 * @param file sound file of {@link Kind#FILE}; else empty
 * @param content what the file holds, so that it is known again where it was moved; empty while
 *     nobody has looked
 */
public record Transition(
    Kind kind, int tick, int before, int after, double levelDb, String file, String content) {
  private static final int LONGEST = 64 * 3840;

  /** Kinds of transitions. */
  public enum Kind {
    RISE("rise", 8, 0),
    FALL("fall", 0, 8),
    IMPACT("impact", 0, 8),
    /** A sound turned round that ends on the edge. */
    REVERSED("reversed hit", 4, 0),
    /** A snare roll that grows toward the edge. */
    ROLL("roll", 4, 0),
    /** Nothing sounds, not even what rings. */
    STOP("stop", 1, 0),
    /** As if the tape came to a stop. */
    SLOW_DOWN("slow-down", 2, 0),
    /** The last beats at half speed. */
    HALF_SPEED("half speed", 4, 0),
    /** A recording of one's own that ends or begins on the edge. */
    FILE("own file", 0, 16);

    private final String words;
    private final int beatsBefore;
    private final int beatsAfter;

    Kind(String words, int beatsBefore, int beatsAfter) {
      this.words = words;
      this.beatsBefore = beatsBefore;
      this.beatsAfter = beatsAfter;
    }

    public String words() {
      return words;
    }

    public int beatsBefore() {
      return beatsBefore;
    }

    public int beatsAfter() {
      return beatsAfter;
    }
  }

  public Transition {
    Objects.requireNonNull(kind, "kind must not be null");
    file = file == null ? "" : file;
    content = content == null ? "" : content;
    Limits.text("file", file);
    Limits.text("content", content);
    Limits.within("tick", tick, 0, Limits.TICKS);
    Limits.within("before", before, 0, LONGEST);
    Limits.within("after", after, 0, LONGEST);
    Limits.within("levelDb", levelDb, -60, 12);
    if (before + after == 0) {
      throw new IllegalArgumentException("a transition takes some time");
    }
  }

  /** One of usual length that leads into its section. */
  public static Transition into(Kind kind, int ticksPerBeat) {
    return new Transition(
        kind, 0, kind.beatsBefore() * ticksPerBeat, kind.beatsAfter() * ticksPerBeat, -12, "", "");
  }

  public Transition lasting(int ticksBefore, int ticksAfter) {
    return new Transition(kind, tick, ticksBefore, ticksAfter, levelDb, file, content);
  }

  public Transition at(int place) {
    return new Transition(kind, place, before, after, levelDb, file, content);
  }

  public Transition level(double db) {
    return new Transition(kind, tick, before, after, db, file, content);
  }

  public Transition from(String path) {
    return new Transition(kind, tick, before, after, levelDb, path, content);
  }

  /** The same, known by what its file holds. */
  public Transition known(String what) {
    return new Transition(kind, tick, before, after, levelDb, file, what);
  }
}
