package looseecho.cli;

import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Spec;

/** The command line: {@code loose-echo analyze FILE...} and its kin. Needs no display. */
@Command(
    name = "loose-echo",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    description = "Takes reference tracks apart: tempo, bars, key, drum hits, bass, sections.",
    subcommands = {
      AnalyzeCommand.class,
      TemplateCommand.class,
      RenderCommand.class,
      SeparateCommand.class,
      SoundsCommand.class,
      DrawerCommand.class,
      CompareCommand.class,
      PackCommand.class,
      ProfileCommand.class
    })
public final class Main implements Runnable {
  static final String FORCE =
      "writes over files that are not earlier results of this program; never over FILE itself";

  @Spec private CommandLine.Model.CommandSpec spec;

  /** Ends the process with 0 when all went well, 1 when some files failed, 2 for wrong usage. */
  public static void main(String[] args) {
    System.exit(new CommandLine(new Main()).execute(args));
  }

  @Override
  public void run() {
    throw new CommandLine.ParameterException(
        spec.commandLine(), "Say what to do, for example: analyze FILE");
  }
}
