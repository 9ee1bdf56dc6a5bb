package looseecho.desktop.control;

import java.util.Arrays;
import javafx.util.StringConverter;
import looseecho.pulse.Grid;

/** Says a grid in a list. */
public final class GridWords extends StringConverter<Grid> {
  @Override
  public String toString(Grid g) {
    return g == null ? "" : g.words();
  }

  @Override
  public Grid fromString(String words) {
    return Arrays.stream(Grid.values())
        .filter(g -> g.words().equals(words))
        .findFirst()
        .orElse(Grid.SIXTEENTH);
  }
}
