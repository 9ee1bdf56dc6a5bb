package looseecho.mix;

import java.util.Objects;
import looseecho.reading.Limits;
import looseecho.synth.Source;

/**
 * One of the sounds that a part is stacked from.
 *
 * @param job what it is there for
 * @param source where it comes from
 * @param chain what it runs through
 * @param levelDb against the part's other layers
 * @param pan -1 left .. 1 right
 * @param spread how wide it is
 * @param delayMs how much later it comes
 * @param muted true to leave it out
 * @param alone true to leave all others out that are not
 */
public record Layer(
    Job job,
    Source source,
    Chain chain,
    double levelDb,
    double pan,
    Spread spread,
    double delayMs,
    boolean muted,
    boolean alone) {
  public Layer {
    job = job == null ? Job.NONE : job;
    chain = chain == null ? Chain.PLAIN : chain;
    spread = spread == null ? Spread.POINT : spread;
    Objects.requireNonNull(source, "source must not be null");
    Limits.within("levelDb", levelDb, -60, 24);
    Limits.within("pan", pan, -1, 1);
    Limits.within("delayMs", delayMs, 0, 1000);
  }

  /** A source as it is. */
  public static Layer of(Source source) {
    return new Layer(Job.NONE, source, Chain.PLAIN, 0, 0, Spread.POINT, 0, false, false);
  }

  /** True where nothing but its source matters. */
  boolean isPlain() {
    return chain.equals(Chain.PLAIN)
        && levelDb == 0
        && pan == 0
        && spread.kind() == Spread.Kind.POINT
        && delayMs == 0;
  }

  double gain() {
    return Math.pow(10, levelDb / 20);
  }

  public Layer with(Source other) {
    return new Layer(job, other, chain, levelDb, pan, spread, delayMs, muted, alone);
  }

  public Layer with(Job other) {
    return new Layer(other, source, chain, levelDb, pan, spread, delayMs, muted, alone);
  }

  public Layer with(Chain other) {
    return new Layer(job, source, other, levelDb, pan, spread, delayMs, muted, alone);
  }

  public Layer with(Spread other) {
    return new Layer(job, source, chain, levelDb, pan, other, delayMs, muted, alone);
  }

  /** The same at another level and place. */
  public Layer placed(double db, double to) {
    return new Layer(job, source, chain, db, to, spread, delayMs, muted, alone);
  }

  public Layer later(double ms) {
    return new Layer(job, source, chain, levelDb, pan, spread, ms, muted, alone);
  }

  public Layer muted(boolean value) {
    return new Layer(job, source, chain, levelDb, pan, spread, delayMs, value, alone);
  }

  public Layer alone(boolean value) {
    return new Layer(job, source, chain, levelDb, pan, spread, delayMs, muted, value);
  }
}
