package looseecho.loose;

/** What can be loosened, and what originality is read on. */
public enum Aspect {
  TIMING("timing"),
  PATTERN("pattern"),
  NOTES("notes"),
  SOUNDS("sounds"),
  ARRANGEMENT("arrangement");

  private final String words;

  Aspect(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
