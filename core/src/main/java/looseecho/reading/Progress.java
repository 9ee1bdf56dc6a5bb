package looseecho.reading;

/** Told by long work how far it is; asked by it whether to stop. Called from the working thread. */
public interface Progress {
  /** Ignores the reports and never cancels. */
  Progress NONE = (stage, fraction) -> {};

  /**
   * Reports a stage.
   *
   * @param stage the stage in words for the person
   * @param fraction how much of this stage is done, 0..1
   */
  void at(String stage, double fraction);

  /** True once the person has asked to stop. */
  default boolean cancelled() {
    return Thread.currentThread().isInterrupted();
  }

  /** Reports and stops the work if asked to. */
  default void step(String stage, double fraction) {
    if (cancelled()) {
      throw new CancelledException();
    }
    at(stage, fraction);
  }

  /** The same without reports, for work within work: it is stopped alike. */
  default Progress quiet() {
    Progress told = this;
    return new Progress() {
      @Override
      public void at(String stage, double fraction) {}

      @Override
      public boolean cancelled() {
        return told.cancelled();
      }
    };
  }

  /** Thrown through long work that was cancelled; nothing was changed by it. */
  final class CancelledException extends RuntimeException {
    public CancelledException() {
      super("cancelled");
    }
  }
}
