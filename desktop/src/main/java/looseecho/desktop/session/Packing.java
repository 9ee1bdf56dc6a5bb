package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import looseecho.compare.Comparison;
import looseecho.echo.Part;
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
   * Writes a pack into a folder.
   *
   * @param parts those that it holds; all of them when there are none
   */
  public void write(Set<Exporters> kinds, Set<Part> parts, String name, boolean zip, Path folder) {
    Document d = desk.document().orElse(null);
    Optional<Project> project = d == null ? Optional.empty() : d.project();
    if (project.isEmpty()) {
      notice.say("There is nothing to hand over yet.");
      return;
    }
    String plain = name.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", "").strip();
    if (plain.isEmpty() || plain.startsWith(".")) {
      notice.say("The pack needs a name.");
      return;
    }
    Handover all =
        new Handover(
            plain,
            project.get(),
            Optional.of(d.state().analysis()),
            layers.layersProperty().get(),
            Optional.ofNullable(comparison.get()));
    Handover h = parts.isEmpty() ? all : all.only(parts);
    lane.start(
        p -> Pack.write(h, kinds, folder, zip, false, p),
        pack -> notice.say("The pack is written: " + pack),
        e -> notice.failed("The pack", e, "Nothing was written."));
  }
}
