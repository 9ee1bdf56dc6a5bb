package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.echo.Part;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSynth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names as sample folders have them; common practice. */
class SoundNamesTest {
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
    assertEquals(Optional.of(lane), SoundNames.lane(Path.of(name)));
  }

  @ParameterizedTest
  @CsvSource({"bass loop.wav", "absd.wav", "notes.wav", "pride.wav"})
  void otherWordsSayNoDrum(String name) {
    assertTrue(SoundNames.lane(Path.of(name)).isEmpty());
  }

  @ParameterizedTest
  @CsvSource({
    "/kits/808 kicks/12.wav,KICK",
    "/kits/Snares/kick in.wav,KICK",
    "/kits/Basses/low 3.wav,BASS",
    "/kits/tonal/soft pad.wav,TONE",
    "/kits/Bass Drums/3.wav,KICK",
  })
  void elseTheFolderSpeaks(String file, SoundClass what) {
    assertEquals(Optional.of(what), SoundNames.of(Path.of(file)));
  }

  @Test
  void aNameIsBelievedUnlessItSoundsQuiteUnlikeIt() {
    float[] kick = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.KICK)), 44100, 3);
    SoundClassifier ear = new SoundClassifier();
    assertEquals(SoundClass.KICK, ear.classify(kick).what());
    assertEquals(SoundClass.KICK, told(ear, kick, "/a/closed hat.wav"));
    float[] tone = new float[44100]; // low and dying away, its pitch falls: a long kick, or a bass
    double phase = 0;
    for (int i = 0; i < tone.length; i++) {
      phase += 2 * Math.PI * 62 * (1 + Math.exp(-i / 600.0)) / 44100;
      tone[i] = (float) (Math.sin(phase) * Math.exp(-i / 9000.0));
    }
    assertEquals(SoundClass.KICK, told(ear, tone, "/a/kick 4.wav"));
    assertEquals(SoundClass.BASS, told(ear, tone, "/a/bass 4.wav"));
  }

  private static SoundClass told(SoundClassifier ear, float[] sound, String file) {
    return SoundClassifier.Said.of(ear.look(sound, Path.of(file)).shares()).what();
  }
}
