package looseecho.mix;

/** What a layer is there for. */
public enum Job {
  NONE("no job"),
  BODY("body"),
  ATTACK("attack"),
  TAIL("tail"),
  TEXTURE("texture"),
  WIDTH("width"),
  SUB("sub"),
  AIR("air"),
  LEAD("lead"),
  BED("bed");

  private final String words;

  Job(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
