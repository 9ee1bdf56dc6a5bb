package looseecho.audio;

/** Samples of one side. Immutable. */
interface Side {
  int length();

  float get(int i);

  /** A copy of the samples from {@code first} on; silence outside. */
  float[] copy(int first, int count);

  /** A part of them; outside is an error. */
  Side slice(int first, int count);
}
