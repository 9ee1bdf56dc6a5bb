package looseecho.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import looseecho.synth.Moved;
import looseecho.synth.Source;

/**
 * What a part sounds like: one to six layers, and its place in the mix.
 *
 * @param layers the first is the part's main one
 */
public record Sound(List<Layer> layers, Strip strip) {
  public static final int MOST = 6;

  public Sound {
    layers = List.copyOf(layers);
    Objects.requireNonNull(strip, "strip must not be null");
    if (layers.isEmpty() || layers.size() > MOST) {
      throw new IllegalArgumentException("a sound has 1 to " + MOST + " layers");
    }
    for (Layer layer : layers) {
      if (layer.source() instanceof Moved m
          && (m.layer() > layers.size() || layers.get(m.layer() - 1).source() instanceof Moved)) {
        throw new IllegalArgumentException("a layer copies one that is not there, or a copy");
      }
    }
  }

  public static Sound of(Source source, Strip strip) {
    return new Sound(List.of(Layer.of(source)), strip);
  }

  /** The main source. */
  public Source source() {
    return layers.get(0).source();
  }

  public Sound with(Strip other) {
    return new Sound(layers, other);
  }

  /** The same with another main source. */
  public Sound with(Source other) {
    return with(0, layers.get(0).with(other));
  }

  /** The same made of one layer. */
  public Sound with(Layer only) {
    return new Sound(List.of(only), strip);
  }

  /** The same made of another sound's layers. */
  public Sound as(Sound other) {
    return new Sound(other.layers, strip);
  }

  /** The same with one layer, from 0, exchanged. */
  public Sound with(int layer, Layer other) {
    List<Layer> copy = new ArrayList<>(layers);
    copy.set(layer, other);
    return new Sound(copy, strip);
  }

  /** The same with one more layer. */
  public Sound and(Layer layer) {
    List<Layer> copy = new ArrayList<>(layers);
    copy.add(layer);
    return new Sound(copy, strip);
  }

  /** The same without a layer, from 0; what copies it goes with it. */
  public Sound without(int layer) {
    List<Layer> copy = new ArrayList<>();
    for (int k = 0; k < layers.size(); k++) {
      Layer l = layers.get(k);
      if (l.source() instanceof Moved m && m.layer() == layer + 1) {
        continue;
      }
      if (k != layer) {
        boolean behind = l.source() instanceof Moved m && m.layer() > layer + 1;
        copy.add(
            behind
                ? l.with(
                    new Moved(((Moved) l.source()).layer() - 1, ((Moved) l.source()).semitones()))
                : l);
      }
    }
    return new Sound(copy, strip);
  }

  /** The layers that are to be heard. */
  List<Layer> sounding() {
    boolean alone = layers.stream().anyMatch(Layer::alone);
    return layers.stream().filter(l -> !l.muted() && (!alone || l.alone())).toList();
  }

  /** Where a layer's sound comes from when copies are followed. */
  Source origin(Layer layer) {
    return layer.source() instanceof Moved m ? layers.get(m.layer() - 1).source() : layer.source();
  }

  /** Semitones by which a layer is moved against its origin. */
  static double moved(Layer layer) {
    return layer.source() instanceof Moved m ? m.semitones() : 0;
  }
}
