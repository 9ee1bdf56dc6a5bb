package looseecho.desktop;

import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import looseecho.desktop.session.Session;
import looseecho.desktop.transport.TransportBar;
import looseecho.echo.Words;

/** The keys that mean the same on every bench. */
final class Shortcuts {
  private final Session session;
  private final Shell shell;
  private final FileDialogs files;
  private final TransportBar transport;
  private final HeldKeys held = new HeldKeys();
  private int loopedBars;

  Shortcuts(Session session, Shell shell, FileDialogs files, TransportBar transport) {
    this.session = session;
    this.shell = shell;
    this.files = files;
    this.transport = transport;
  }

  void released(KeyEvent e) {
    held.released(e);
  }

  void pressed(KeyEvent e) {
    if (e.getCode() == KeyCode.ESCAPE && shell.closeCard()) {
      e.consume();
      return;
    }
    if (e.getTarget() instanceof TextInputControl
        && !(e.isShortcutDown() && ofWindow(e.getCode()))) {
      return; // it is typed, or edits the text
    }
    if (held.repeats(e)) {
      e.consume();
      return;
    }
    if (e.isShiftDown() && e.getCode() == KeyCode.F5) {
      shell.checks().fine();
      e.consume();
      return;
    }
    boolean taken = e.isShortcutDown() ? withControl(e) : plain(e.getCode());
    if (taken) {
      e.consume();
    }
  }

  /** Keys that, with Ctrl, mean nothing to a text. */
  private static boolean ofWindow(KeyCode code) {
    return code.isDigitKey() || code == KeyCode.O || code == KeyCode.S;
  }

  private boolean withControl(KeyEvent e) {
    switch (e.getCode()) {
      case O -> files.choose();
      case S -> {
        if (e.isShiftDown()) {
          files.saveAs();
        } else {
          files.save();
        }
      }
      case E -> shell.export();
      case Z -> {
        if (e.isShiftDown()) {
          session.desk().redo();
        } else {
          session.desk().undo();
        }
      }
      case DIGIT1, DIGIT2, DIGIT3, DIGIT4, DIGIT5, DIGIT6, DIGIT7, DIGIT8, DIGIT9 ->
          shell.go(Bench.values()[e.getCode().ordinal() - KeyCode.DIGIT1.ordinal()]);
      default -> {
        return false;
      }
    }
    return true;
  }

  /** One bar, two, four, then the track runs on. */
  private void loopBars() {
    loopedBars = loopedBars == 0 ? 1 : loopedBars == 4 ? 0 : 2 * loopedBars;
    boolean done = session.playback().loopBars(loopedBars);
    session
        .desk()
        .messageProperty()
        .set(
            !done
                ? "There are no bars to loop yet."
                : loopedBars == 0 ? "No loop" : "Looping " + Words.bars(loopedBars));
  }

  private boolean plain(KeyCode code) {
    switch (code) {
      case SPACE -> transport.toggle();
      case F -> transport.flip();
      case N -> shell.appearance().turn();
      case T -> session.taps().tap();
      case K -> session.playback().clickProperty().set(!session.playback().clickProperty().get());
      case G -> transport.slower();
      case O -> loopBars();
      case F1 -> shell.help();
      case F2 -> shell.sums();
      case F3 -> shell.find();
      case F5 -> shell.checks().next();
      case F4 -> shell.settings();
      default -> {
        return false;
      }
    }
    return true;
  }
}
