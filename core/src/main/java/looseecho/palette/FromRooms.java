package looseecho.palette;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.layers.HeardLayer;
import looseecho.mix.Room;
import looseecho.mix.Sounds;
import looseecho.mix.Space;

/**
 * Sends the echo's drums to its room as much as they were heard to come out of one. There is one
 * room: it lasts as long as those heard, each counting by its share.
 */
public final class FromRooms {
  private static final double SHORTEST = 0.06; // that a space can be
  private static final double LONGEST = 6;

  private FromRooms() {}

  /** With the rooms of some layers; a change for each drum in one, none where they are already. */
  public static FromLayers.Taken take(Template template, Sounds sounds, List<HeardLayer> layers) {
    List<Part> all = Part.of(template);
    Map<Part, HeardLayer.Room> heard = new LinkedHashMap<>();
    layers.forEach(l -> l.room().ifPresent(r -> parts(l, all).forEach(p -> heard.put(p, r))));
    Sounds sent = heard.isEmpty() ? sounds : sent(sounds, heard);
    return new FromLayers.Taken(template, sent, sent.equals(sounds) ? 0 : heard.size());
  }

  private static Sounds sent(Sounds sounds, Map<Part, HeardLayer.Room> heard) {
    double shares = heard.values().stream().mapToDouble(HeardLayer.Room::share).sum();
    double seconds =
        heard.values().stream().mapToDouble(r -> r.share() * r.seconds()).sum() / shares;
    Space space = sounds.space().lasting(Math.max(SHORTEST, Math.min(LONGEST, seconds)));
    Sounds s = sounds.with(space);
    for (Map.Entry<Part, HeardLayer.Room> e : heard.entrySet()) {
      double send = send(e.getValue().share(), space);
      s = s.with(e.getKey(), s.strip(e.getKey()).sends(send, s.strip(e.getKey()).delay()));
    }
    return s;
  }

  /** What has to be sent to a space so that it makes a share of a sound's energy, 0..1. */
  static double send(double share, Space space) {
    double least = Math.min(0.95, share);
    return Math.min(1, Math.sqrt(least / (1 - least) / Room.answer(space)));
  }

  /** The share of a sound's energy that comes out of a space of which so much is sent there. */
  public static double share(double send, Space space) {
    double room = send * send * Room.answer(space);
    return room / (1 + room);
  }

  /** The drum of that name, or else all of the family. */
  private static List<DrumPart> parts(HeardLayer layer, List<Part> all) {
    List<DrumPart> family = new ArrayList<>();
    for (Part p : all) {
      Optional<DrumPart> drum = p.asDrum();
      if (drum.isPresent() && drum.get().lane().family().equals(layer.family())) {
        family.add(drum.get());
      }
    }
    List<DrumPart> named = family.stream().filter(p -> p.words().equals(layer.name())).toList();
    return named.isEmpty() ? family : named;
  }
}
