package looseecho.layers;

/**
 * Two layers, or one, that get in each other's way.
 *
 * @param first the layer
 * @param second the other one; the same where it is alone
 * @param lowHz lower edge of where they meet
 * @param highHz upper edge
 * @param seconds how long they play together
 * @param what happens, in words
 * @param advice what the schools do about it
 */
public record Collision(
    HeardLayer first,
    HeardLayer second,
    double lowHz,
    double highHz,
    double seconds,
    String what,
    String advice) {}
