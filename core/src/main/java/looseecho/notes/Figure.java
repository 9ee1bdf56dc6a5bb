package looseecho.notes;

import java.util.List;

/**
 * A figure that a line plays more than once.
 *
 * @param name letter, "a" for the one played most
 * @param bars length
 * @param shape in words: "rising", "on one note", "up and down" ...
 * @param at numbers of the bars at which it begins, in order
 * @param notes how many notes it has
 */
public record Figure(String name, int bars, String shape, List<Integer> at, int notes) {
  public Figure {
    at = List.copyOf(at);
  }
}
