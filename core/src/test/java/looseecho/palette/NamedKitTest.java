package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;

import looseecho.activity.Lane;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names as sample folders have them; common practice. */
class NamedKitTest {
  @ParameterizedTest
  @CsvSource({
    "kick 01.wav,KICK",
    "BD_hard.wav,KICK",
    "Snare-Tight.wav,SNARE",
    "sd3.flac,SNARE",
    "big_clap.wav,CLAP",
    "hihat closed.wav,HAT_CLOSED",
    "HH Open 2.wav,HAT_OPEN",
    "open hat.wav,HAT_OPEN",
    "floor tom.wav,TOM_LOW",
    "crash left.aif,CYMBAL",
    "shaker.wav,PERCUSSION",
  })
  void aNameSpeaksOfItsDrum(String name, Lane lane) {
    assertEquals(lane, NamedKit.lane(name.toLowerCase(java.util.Locale.ROOT)));
  }

  @ParameterizedTest
  @CsvSource({"bass loop.wav", "absd.wav", "notes.wav", "pride.wav"})
  void otherWordsDoNot(String name) {
    assertNull(NamedKit.lane(name));
  }
}
