package looseecho.activity;

/**
 * The drum lanes, in the network's order. General MIDI level 1 percussion numbers are used when a
 * lane is written.
 */
public enum Lane {
  KICK("kick", 36),
  SNARE("snare", 38),
  CLAP("clap", 39),
  HAT_CLOSED("closed hat", 42),
  HAT_OPEN("open hat", 46),
  TOM("tom", 45),
  CYMBAL("cymbal", 49),
  PERCUSSION("percussion", 70);

  private final String words;
  private final int midi;

  Lane(String words, int midi) {
    this.words = words;
    this.midi = midi;
  }

  /** The lane's name on screen. */
  public String words() {
    return words;
  }

  /** General MIDI drum note. */
  public int midi() {
    return midi;
  }
}
