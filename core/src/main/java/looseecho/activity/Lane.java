package looseecho.activity;

import java.util.Arrays;
import java.util.List;

/**
 * The drum lanes: first the network's eight in its order, then those that are told apart by ear
 * afterwards. General MIDI level 1 percussion numbers are used when a lane is written.
 */
public enum Lane {
  KICK("kick", 36),
  SNARE("snare", 38),
  CLAP("clap", 39),
  HAT_CLOSED("closed hat", 42),
  HAT_OPEN("open hat", 46),
  TOM("mid tom", 47),
  CYMBAL("crash", 49),
  PERCUSSION("percussion", 70),
  SNARE_2("other snare", 40, SNARE),
  CLAP_2("other clap", 39, CLAP),
  TOM_LOW("low tom", 45, TOM),
  TOM_HIGH("high tom", 50, TOM),
  RIDE("ride", 51, CYMBAL);

  /** The lanes that the network hears. */
  public static final List<Lane> HEARD = Arrays.stream(values()).filter(l -> l.base == l).toList();

  /** All lanes as a producer reads them: from the kick up, kin beside kin. */
  public static final List<Lane> SHOWN =
      List.of(
          KICK,
          SNARE,
          SNARE_2,
          CLAP,
          CLAP_2,
          HAT_CLOSED,
          HAT_OPEN,
          TOM_LOW,
          TOM,
          TOM_HIGH,
          RIDE,
          CYMBAL,
          PERCUSSION);

  private final String words;
  private final int midi;
  private final Lane base;

  Lane(String words, int midi) {
    this.words = words;
    this.midi = midi;
    this.base = this;
  }

  Lane(String words, int midi, Lane base) {
    this.words = words;
    this.midi = midi;
    this.base = base;
  }

  /** The lane of a General MIDI drum note; what has none of its own is percussion. */
  public static Lane of(int note) {
    return switch (note) {
      case 35, 36 -> KICK;
      case 37, 38, 40 -> SNARE;
      case 39 -> CLAP;
      case 42, 44 -> HAT_CLOSED;
      case 46 -> HAT_OPEN;
      case 41, 43, 45 -> TOM_LOW;
      case 47 -> TOM;
      case 48, 50 -> TOM_HIGH;
      case 51, 53, 59 -> RIDE;
      case 49, 52, 55, 57 -> CYMBAL;
      default -> PERCUSSION;
    };
  }

  /** The lane's name on screen. */
  public String words() {
    return words;
  }

  /** General MIDI drum note. */
  public int midi() {
    return midi;
  }

  /** The network's lane that this one was told apart from; itself for those. */
  public Lane base() {
    return base;
  }

  /** How a producer calls the lane's family among layers. */
  public String family() {
    return switch (base) {
      case KICK -> "kick";
      case SNARE -> "snare";
      case CLAP -> "clap";
      case HAT_CLOSED, HAT_OPEN -> "hats";
      case TOM -> "toms";
      case CYMBAL -> "cymbals";
      default -> "percussion";
    };
  }

  /** The band in hertz in which the lane's attack stands out (common practice). */
  public double[] band() {
    return switch (base) {
      case KICK -> new double[] {30, 120};
      case SNARE -> new double[] {180, 6000};
      case CLAP -> new double[] {600, 6000};
      case HAT_CLOSED, HAT_OPEN -> new double[] {7000, 16000};
      case TOM -> new double[] {70, 300};
      case CYMBAL -> new double[] {4000, 16000};
      default -> new double[] {300, 9000};
    };
  }
}
