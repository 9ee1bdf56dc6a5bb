package looseecho.desktop.session;

import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.notes.Line;

/** The one part that sounds alone: a drum or a line of notes. */
public record Solo(Optional<Lane> drum, Optional<Line> notes) {
  public static Solo of(Lane lane) {
    return new Solo(Optional.of(lane), Optional.empty());
  }

  public static Solo of(Line line) {
    return new Solo(Optional.empty(), Optional.of(line));
  }
}
