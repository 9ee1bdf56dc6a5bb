package looseecho.desktop.session;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.pulse.TapTempo;

/** Taps on the beat and the tempo that they speak for. */
public final class Taps {
  private final List<Double> taps = new ArrayList<>();
  private final ReadOnlyObjectWrapper<TapTempo> tempo = new ReadOnlyObjectWrapper<>();

  /** Counts a tap, at the moment it is called. */
  public void tap() {
    taps.add(System.nanoTime() / 1e9);
    tempo.set(TapTempo.of(taps).orElse(null));
  }

  /** Null before the fourth tap in a row. */
  public ReadOnlyObjectProperty<TapTempo> tempoProperty() {
    return tempo.getReadOnlyProperty();
  }
}
