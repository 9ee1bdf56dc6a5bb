package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import looseecho.compare.Comparison;
import looseecho.echo.Part;
import looseecho.exchange.StemNames;
import looseecho.handover.Exporters;
import looseecho.handover.Handover;
import looseecho.handover.Pack;
import looseecho.project.Document;
import looseecho.project.Project;

/** Writes packs. Belongs to the interface's thread. */
public final class Packing {
  private final Desk desk;
  private final Work lane;
  private final Notice notice;
  private final LayerEar layers;
  private final Supplier<Comparison> comparison;

  Packing(Desk desk, Work lane, Notice notice, LayerEar layers, Supplier<Comparison> comparison) {
    this.desk = desk;
    this.lane = lane;
    this.notice = notice;
    this.layers = layers;
    this.comparison = comparison;
  }

  /** The usual name of a pack; empty without a track. */
  public String name() {
    return desk.document()
        .map(d -> d.origin().path().getFileName().toString().replaceFirst("(?<=.)\\.[^.]+$", ""))
        .map(n -> n + " pack")
        .orElse("");
  }

  /**
   * What shall be in a pack.
   *
   * @param parts those that it holds; all of them when there are none
   * @param sections their numbers from 0; all of them when there are none
   * @param name of the pack
   * @param stems how stems are called, see {@link StemNames}
   * @param zip true for one file in place of a folder
   */
  public record Wish(
      Set<Exporters> kinds,
      Set<Part> parts,
      Set<Integer> sections,
      String name,
      String stems,
      boolean zip) {}

  /** Writes a pack into a folder. */
  public void write(Wish wish, Path folder) {
    Document d = desk.document().orElse(null);
    Optional<Project> project = d == null ? Optional.empty() : d.project();
    if (project.isEmpty()) {
      notice.say("There is nothing to hand over yet.");
      return;
    }
    String plain = wish.name().replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", "").strip();
    if (plain.isEmpty() || plain.startsWith(".")) {
      notice.say("The pack needs a name.");
      return;
    }
    StemNames stems;
    try {
      stems = new StemNames(plain, wish.stems());
    } catch (IllegalArgumentException e) {
      notice.say(e.getMessage());
      return;
    }
    Handover all =
        new Handover(
            plain,
            stems,
            project.get(),
            Optional.of(d.state().analysis()),
            layers.layersProperty().get(),
            Optional.ofNullable(comparison.get()));
    Handover some = all.sections(wish.sections());
    Handover h = wish.parts().isEmpty() ? some : some.only(wish.parts());
    lane.start(
        p -> Pack.write(h, wish.kinds(), folder, wish.zip(), false, p),
        pack -> notice.say("The pack is written: " + pack),
        e -> notice.failed("The pack", e, "Nothing was written."));
  }
}
