package looseecho.layers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What gets in each other's way, as it is common practice to say. */
class CollisionFinderTest {
  private static HeardLayer layer(
      String name, String family, double low, double high, double width, String job, double end) {
    return new HeardLayer(
        name,
        family,
        List.of(new HeardLayer.Span(0, end)),
        -6,
        low,
        high,
        new HeardLayer.Image(0, width, width, width, width),
        job,
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  @Test
  void kickAndBassAWideLowEndAndTwoBedsAreFound() {
    HeardLayer kick = layer("kick", "kick", 50, 100, 0, "body", 20);
    HeardLayer bass = layer("bass", "bass", 40, 200, 0.3, "body", 20);
    HeardLayer pad = layer("pad", "chords", 200, 900, 0.3, "bed", 18);
    HeardLayer noise = layer("hiss", "noise", 300, 12_000, 0.3, "bed", 15);
    List<String> what =
        CollisionFinder.find(List.of(kick, bass, pad, noise)).stream()
            .map(Collision::what)
            .toList();
    assertEquals(3, what.size(), what.toString());
    assertTrue(what.contains("The kick and the bass share 50 to 100 Hz"), what.toString());
    assertTrue(what.contains("The bass is wide below 120 Hz"), what.toString());
    assertTrue(what.get(2).contains("one job (bed)"), what.toString());
  }

  @Test
  void whatIsDuckedApartOrShortlyTogetherIsNone() {
    HeardLayer kick = layer("kick", "kick", 45, 110, 0, "body", 20);
    HeardLayer bass = layer("bass", "bass", 40, 200, 0, "body", 20);
    HeardLayer ducked =
        new HeardLayer(
            bass.name(),
            bass.family(),
            bass.active(),
            -6,
            40,
            200,
            bass.image(),
            "body",
            List.of(),
            Optional.of(new HeardLayer.Duck("kick", 6, 150)),
            Optional.empty(),
            Optional.empty());
    assertTrue(CollisionFinder.find(List.of(kick, ducked)).isEmpty());
    HeardLayer above = layer("reese", "bass", 150, 900, 0, "body", 20);
    assertTrue(CollisionFinder.find(List.of(kick, above)).isEmpty());
    assertTrue(
        CollisionFinder.find(List.of(kick, layer("bass", "bass", 40, 200, 0, "body", 2)))
            .isEmpty());
  }

  @Test
  void whatNobodyFillsIsToldFromTheLowEndUp() {
    HeardLayer kick = layer("kick", "kick", 45, 110, 0, "body", 20);
    HeardLayer hat = layer("hat", "hats", 6000, 16_000, 0, "air", 20);
    List<String> gaps = GapFinder.find(List.of(kick, hat));
    assertEquals(3, gaps.size(), gaps.toString());
    assertTrue(gaps.get(0).startsWith("nothing between 250 and 500 Hz"), gaps.toString());
    assertTrue(gaps.get(2).startsWith("no presence"), gaps.toString());
    assertTrue(GapFinder.find(List.of()).isEmpty());
  }
}
