package looseecho.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;

/** Tells the version as the build has it. */
final class Version implements CommandLine.IVersionProvider {
  @Override
  public String[] getVersion() throws IOException {
    try (InputStream in = Version.class.getResourceAsStream("version.txt")) {
      String version = new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
      return new String[] {"Loose Echo " + version};
    }
  }
}
