package looseecho.palette;

import looseecho.mix.Job;

/** What of a sound is compared: all of it, or what a layer with a job would bring. */
public enum Region {
  WHOLE("the sound", Job.NONE, 0, 9, 0, 1e6),
  ATTACK("its attack", Job.ATTACK, 0, 0.03, 0, 1e6),
  BODY("its body", Job.BODY, 0, 9, 0, 500),
  TAIL("its tail", Job.TAIL, 0.08, 9, 0, 1e6),
  AIR("its air", Job.AIR, 0, 9, 4000, 1e6);

  private final String words;
  private final Job job;
  private final double from;
  private final double to;
  private final double low;
  private final double high;

  Region(String words, Job job, double from, double to, double low, double high) {
    this.words = words;
    this.job = job;
    this.from = from;
    this.to = to;
    this.low = low;
    this.high = high;
  }

  public String words() {
    return words;
  }

  /** The job of a layer that brings it. */
  public Job job() {
    return job;
  }

  /** True for a cell of a picture that lies in it. */
  boolean holds(int frame, int band) {
    double time = Picture.time(frame);
    double hertz = Picture.hertz(band + 0.5);
    return time >= from && time <= to && hertz >= low && hertz <= high;
  }
}
