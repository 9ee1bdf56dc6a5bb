package looseecho.hits;

/** Which of several sounds within one lane a hit is. */
public enum Voice {
  /** The lane's only sound, or its usual one. */
  PLAIN(""),
  LEFT("left"),
  MIDDLE("in the middle"),
  RIGHT("right"),
  LOW("low"),
  HIGH("high"),
  /** With the low end that the lane's other sound lacks. */
  BODY("with body"),
  THIN("without body");

  private final String words;

  Voice(String words) {
    this.words = words;
  }

  /** To follow the lane's name; empty for the only sound. */
  public String words() {
    return words;
  }

  /** The name of a lane's sound, such as "closed hat left". */
  public String of(String lane) {
    return words.isEmpty() ? lane : lane + " " + words;
  }
}
