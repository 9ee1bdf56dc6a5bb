package looseecho.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import looseecho.desktop.session.SameTrack;
import looseecho.desktop.session.Session;
import looseecho.echo.Template;
import looseecho.exchange.JamsReader;
import looseecho.exchange.SfzReader;
import looseecho.handover.Pack;
import looseecho.mix.Sounds;

/** Takes back what was handed over: a pack, the sounds of a kit, corrections. */
final class ReadBack {
  private final Session session;
  private final Consumer<Path> open;

  /** {@code open} takes a track or a project. */
  ReadBack(Session session, Consumer<Path> open) {
    this.session = session;
    this.open = open;
  }

  /** The project of a pack, or anything else that can be opened. */
  void packOrTrack(Path file) {
    boolean zip = file.toString().toLowerCase(Locale.ROOT).endsWith(".zip");
    if (!zip && !java.nio.file.Files.isDirectory(file)) {
      open.accept(file);
      return;
    }
    Path copies = session.folder().resolveSibling("packs");
    read(
        () -> Pack.project(file, copies),
        found ->
            found.ifPresentOrElse(
                open,
                () -> session.desk().say(file.getFileName() + " is no pack with a project in it.")),
        "The pack");
  }

  /** The samples of an SFZ file for the drums whose keys they lie on. */
  void sounds(Path file) {
    Template t = session.desk().templateProperty().get();
    if (t == null) {
      session.desk().say("Open a track first: the samples of an SFZ file go to its echo's drums.");
      return;
    }
    Sounds now = session.maker().soundsProperty().get();
    read(
        () -> SfzReader.take(file, t, now),
        taken -> {
          if (taken.parts() == 0) {
            session.desk().say("No drum of this echo lies on a key of " + file.getFileName() + ".");
          } else {
            String words = taken.parts() + " drums play samples of " + file.getFileName();
            session.desk().sound(taken.sounds(), words);
          }
        },
        "The samples");
  }

  /** Tempo, bar one, key and sections of a JAMS file as corrections. */
  void jams(Path file) {
    if (session.desk().analysisProperty().get() == null) {
      session.desk().say("Open a track first: a JAMS file corrects what was heard of it.");
      return;
    }
    read(
        () -> JamsReader.read(file),
        read ->
            session
                .desk()
                .correct(
                    read.change()::apply,
                    String.join(", ", read.words()) + " as " + file.getFileName() + " has it"),
        "The file");
  }

  /** Reads something off the interface's thread. */
  private interface Reading<T> {
    T read() throws IOException;
  }

  private <T> void read(Reading<T> reading, Consumer<T> taken, String what) {
    session
        .lanes()
        .reading()
        .start(
            p -> reading.read(),
            SameTrack.only(session.desk(), taken),
            e ->
                session
                    .desk()
                    .say(Optional.ofNullable(e.getMessage()).orElse(what + " can't be read.")));
  }
}
