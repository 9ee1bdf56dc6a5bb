package looseecho.play;

/**
 * Which sound card plays.
 *
 * @param name as the system calls it; empty for the system's own choice
 * @param bufferMs what is held ready: short follows at once, long never stutters
 */
public record OutputChoice(String name, int bufferMs) {
  /** The system's own choice. */
  public static final OutputChoice USUAL = new OutputChoice("", 80);

  public OutputChoice {
    if (bufferMs < 20 || bufferMs > 500) {
      throw new IllegalArgumentException("a buffer of " + bufferMs + " ms");
    }
  }
}
