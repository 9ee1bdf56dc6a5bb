package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;
import looseecho.play.OutputChoice;

/** What the person has set for the whole program, each with a usual value. */
public record Settings(Sound sound, Look look, Schools schools, Folders folders) {
  /** At the first start. */
  public static final Settings USUAL =
      new Settings(
          new Sound(OutputChoice.USUAL, "", 0, -1, 45),
          new Look(Light.DAY, 0, false),
          new Schools(0, false, false, true),
          new Folders(Optional.empty(), Optional.empty()));

  /**
   * What sounds.
   *
   * @param tapOn what is tapped on, as the system calls it; empty for the keyboard
   * @param delayMs how late taps come in; taken off from them
   * @param capDb no sample goes beyond this, against full scale
   * @param restMinutes of sound after which a rest is advised; 0 for never
   */
  public record Sound(OutputChoice output, String tapOn, int delayMs, int capDb, int restMinutes) {
    public Sound {
      within("delay", delayMs, -200, 600);
      within("cap", capDb, -30, -1);
      within("rest", restMinutes, 0, 240);
    }

    public Sound output(OutputChoice other) {
      return new Sound(other, tapOn, delayMs, capDb, restMinutes);
    }

    public Sound tapOn(String other) {
      return new Sound(output, other, delayMs, capDb, restMinutes);
    }

    public Sound delay(int ms) {
      return new Sound(output, tapOn, ms, capDb, restMinutes);
    }

    public Sound cap(int db) {
      return new Sound(output, tapOn, delayMs, db, restMinutes);
    }

    public Sound rest(int minutes) {
      return new Sound(output, tapOn, delayMs, capDb, minutes);
    }
  }

  /** Whether the window is light or dark. */
  public enum Light {
    DAY("by day"),
    NIGHT("by night"),
    SYSTEM("as the system");

    private final String words;

    Light(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /**
   * What it looks like.
   *
   * @param scalePercent 100 to 200; 0 as the system has it
   * @param calm true when nothing glides: what follows the sound moves a few times a second
   */
  public record Look(Light light, int scalePercent, boolean calm) {
    public Look {
      if (scalePercent != 0) {
        within("scale", scalePercent, 100, 200);
      }
    }

    public Look light(Light other) {
      return new Look(other, scalePercent, calm);
    }

    public Look scale(int percent) {
      return new Look(light, percent, calm);
    }

    public Look calm(boolean wanted) {
      return new Look(light, scalePercent, wanted);
    }
  }

  /**
   * How this person works; each is a school of the trade.
   *
   * @param tighten how far a new echo is pulled to its lines, in per cent; 0 keeps what was played
   * @param fillsFirst true to be told of gaps and fills before what is in doubt
   * @param oneSource true to prefer samples that lie together
   * @param monoBass true to keep the low end of a new echo in the middle
   */
  public record Schools(int tighten, boolean fillsFirst, boolean oneSource, boolean monoBass) {
    public Schools {
      within("tighten", tighten, 0, 100);
    }

    public Schools tighten(int percent) {
      return new Schools(percent, fillsFirst, oneSource, monoBass);
    }

    public Schools fillsFirst(boolean wanted) {
      return new Schools(tighten, wanted, oneSource, monoBass);
    }

    public Schools oneSource(boolean wanted) {
      return new Schools(tighten, fillsFirst, wanted, monoBass);
    }

    public Schools monoBass(boolean wanted) {
      return new Schools(tighten, fillsFirst, oneSource, wanted);
    }
  }

  /** Where dialogs begin; empty for the last place. */
  public record Folders(Optional<Path> tracks, Optional<Path> results) {
    public Folders tracks(Path folder) {
      return new Folders(Optional.of(folder), results);
    }

    public Folders results(Path folder) {
      return new Folders(tracks, Optional.of(folder));
    }
  }

  public Settings with(Sound other) {
    return new Settings(other, look, schools, folders);
  }

  public Settings with(Look other) {
    return new Settings(sound, other, schools, folders);
  }

  public Settings with(Schools other) {
    return new Settings(sound, look, other, folders);
  }

  public Settings with(Folders other) {
    return new Settings(sound, look, schools, other);
  }

  private static void within(String what, int value, int least, int most) {
    if (value < least || value > most) {
      throw new IllegalArgumentException(what + " of " + value);
    }
  }

  Properties values() {
    Properties p = new Properties();
    p.setProperty("output", sound.output.name());
    p.setProperty("buffer", String.valueOf(sound.output.bufferMs()));
    p.setProperty("tap-on", sound.tapOn);
    p.setProperty("delay", String.valueOf(sound.delayMs));
    p.setProperty("cap", String.valueOf(sound.capDb));
    p.setProperty("rest", String.valueOf(sound.restMinutes));
    p.setProperty("light", look.light.name().toLowerCase(Locale.ROOT));
    p.setProperty("scale", String.valueOf(look.scalePercent));
    p.setProperty("calm", String.valueOf(look.calm));
    p.setProperty("tighten", String.valueOf(schools.tighten));
    p.setProperty("fills-first", String.valueOf(schools.fillsFirst));
    p.setProperty("one-source", String.valueOf(schools.oneSource));
    p.setProperty("mono-bass", String.valueOf(schools.monoBass));
    folders.tracks.ifPresent(f -> p.setProperty("tracks", f.toString()));
    folders.results.ifPresent(f -> p.setProperty("results", f.toString()));
    return p;
  }

  /** From kept values; usual where they are missing or make no sense. */
  static Settings of(Properties p) {
    Kept k = new Kept(p);
    Settings u = USUAL;
    try {
      return new Settings(
          new Sound(
              new OutputChoice(p.getProperty("output", ""), k.number("buffer", 80)),
              p.getProperty("tap-on", ""),
              k.number("delay", u.sound.delayMs),
              k.number("cap", u.sound.capDb),
              k.number("rest", u.sound.restMinutes)),
          new Look(
              Light.valueOf(p.getProperty("light", "day").toUpperCase(Locale.ROOT)),
              k.number("scale", u.look.scalePercent),
              k.truth("calm", u.look.calm)),
          new Schools(
              k.number("tighten", u.schools.tighten),
              k.truth("fills-first", u.schools.fillsFirst),
              k.truth("one-source", u.schools.oneSource),
              k.truth("mono-bass", u.schools.monoBass)),
          new Folders(k.folder("tracks"), k.folder("results")));
    } catch (IllegalArgumentException e) {
      System.getLogger(Settings.class.getName())
          .log(System.Logger.Level.INFO, "settings that make no sense: " + e.getMessage());
      return USUAL;
    }
  }

  private record Kept(Properties p) {
    int number(String name, int usual) {
      return Integer.parseInt(p.getProperty(name, String.valueOf(usual)));
    }

    boolean truth(String name, boolean usual) {
      return Boolean.parseBoolean(p.getProperty(name, String.valueOf(usual)));
    }

    Optional<Path> folder(String name) {
      return Optional.ofNullable(p.getProperty(name)).map(Path::of);
    }
  }
}
