package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.layers.HeardLayer;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class FromRoomsTest {
  private static final DrumPart SNARE = Part.of(Lane.SNARE);
  private final Template beat =
      Template.bars(
          4,
          SNARE,
          IntStream.range(0, 4).mapToObj(b -> new Stroke(b * 3840, 0, 100)).toList(),
          List.of());

  private static HeardLayer layer(String name, String family, HeardLayer.Room room) {
    return new HeardLayer(
        name,
        family,
        List.of(new HeardLayer.Span(0, 8)),
        -9,
        200,
        9000,
        new HeardLayer.Image(0, 0.1, 0, 0.1, 0.1),
        "body",
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Optional.ofNullable(room));
  }

  private double energy(Sounds sounds) {
    Audio x = new EchoRenderer(sounds).mix(beat, Progress.NONE);
    return x.power() * x.length();
  }

  /** The share is that of the energy: what the room adds to the dry sound. */
  @Test
  void aDrumComesOutOfTheRoomAsMuchAsHeard() {
    Sounds plain = Sounds.plain();
    Sounds dry = plain.with(SNARE, plain.strip(SNARE).sends(0, 0).level(-18)); // unlimited
    HeardLayer.Room room = new HeardLayer.Room(0.8, 0.2);
    FromLayers.Taken taken =
        FromRooms.take(
            beat, dry, List.of(layer("snare", "snare", room), layer("kick", "kick", null)));
    assertEquals(1, taken.changes());
    assertEquals(0.8, taken.sounds().roomSeconds(), 1e-9);
    assertEquals(0.2, 1 - energy(dry) / energy(taken.sounds()), 0.05);
    double send = taken.sounds().strip(SNARE).room();
    double own = FromRooms.share(send, taken.sounds().space());
    assertEquals(0.2, own, 1e-9);
    assertTrue(SoundAdvice.room(Optional.of(room), own).isEmpty(), "as it should be");
    assertEquals(
        Optional.of("more room: 0.8 s, 20 % of the sound"),
        SoundAdvice.room(Optional.of(room), 0.05));
    assertEquals(
        plain.strip(Part.of(Lane.KICK)).room(),
        taken.sounds().strip(Part.of(Lane.KICK)).room(),
        "not heard in one");
  }

  @Test
  void whatIsNotInTheEchoChangesNothing() {
    List<HeardLayer> claps = List.of(layer("clap", "clap", new HeardLayer.Room(2, 0.5)));
    FromLayers.Taken taken = FromRooms.take(beat, Sounds.plain(), claps);
    assertEquals(0, taken.changes());
    assertEquals(Sounds.plain(), taken.sounds());
  }
}
