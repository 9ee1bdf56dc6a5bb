package looseecho.play;

/**
 * How the player is set.
 *
 * @param balance 0 = heard alone, 1 = echo alone
 * @param volume linear, 0..1
 * @param cap linear, what no sample goes beyond
 */
record Wish(boolean playing, double balance, float volume, float cap) {
  /** Nothing sounds yet; -8 dB: start quiet. Never beyond -1 dB. */
  static final Wish START = new Wish(false, 0.5, 0.4f, 0.891f);

  Wish playing(boolean on) {
    return new Wish(on, balance, volume, cap);
  }

  Wish balance(double value) {
    return new Wish(playing, Math.max(0, Math.min(1, value)), volume, cap);
  }

  Wish volume(double value) {
    return new Wish(playing, balance, (float) Math.max(0, Math.min(1, value)), cap);
  }

  Wish cap(double most) {
    return new Wish(playing, balance, volume, (float) Math.max(0, Math.min(START.cap, most)));
  }
}
