package looseecho.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeFalse;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import picocli.CommandLine;

/** The start files of the packages: one is run with a made-up Java, the others are read as text. */
class StartFilesTest {
  private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
  private static final Pattern OPTION = Pattern.compile("-XX:[+A-Z]\\w+(=\\d+)?(?=\\s)");

  @TempDir private Path dir;
  private Path zip;

  @BeforeEach
  void unpack() throws IOException {
    assumeFalse(System.getProperty("os.name").toLowerCase(Locale.ROOT).contains("win"));
    zip = Files.createDirectories(dir.resolve("zip/lib")).getParent();
    Files.createFile(zip.resolve("lib/desktop-0.1.0.jar"));
    program(zip.resolve("loose-echo"), text("packaging/loose-echo.sh"));
    java(dir.resolve("jdk"), "17.0.1");
  }

  @Test
  void allKnowTheCommandsOfTheShell() throws IOException {
    Set<String> names = new CommandLine(new Main()).getSubcommands().keySet();
    assertEquals(names, words("packaging/loose-echo.sh", "\\n  (analyze[a-z |]+)\\)"));
    assertEquals(names, words("packaging/loose-echo.bat", "in \\((analyze[a-z ]+)\\)"));
    assertEquals(names, words("loose-echo", "in (analyze[a-z|]+)\\)"));
  }

  @Test
  void theVersionStandsInTheBuildAlone() throws Exception {
    Matcher m = Pattern.compile("<version>(.*)</version>").matcher(text("pom.xml"));
    assertTrue(m.find());
    assertEquals("Loose Echo " + m.group(1), new Version().getVersion()[0]);
    for (String file : List.of("loose-echo", "package", "packaging/loose-echo.sh")) {
      assertFalse(text(file).contains(m.group(1)), file);
    }
  }

  @ParameterizedTest
  @CsvSource({"Linux,x86_64,linux", "Darwin,arm64,mac-aarch64", "Darwin,x86_64,mac"})
  void findsTheWindowOfItsPlatform(String system, String machine, String platform)
      throws Exception {
    program(
        dir.resolve("tools/uname"),
        "#!/bin/sh\n[ $1 = -s ] && echo " + system + " || echo " + machine);

    String said = start(zip, "demo");

    assertTrue(said.contains("--module-path " + zip + "/javafx/" + platform + " "), said);
    assertTrue(said.endsWith("-cp " + zip + "/lib/* looseecho.desktop.Launcher demo"), said);
    assertTrue(text("package").contains("PLATFORMS=\"linux win mac mac-aarch64\""));
  }

  @Test
  void anImageStartsItsOwnRuntime() throws Exception {
    Path image = Files.createDirectories(dir.resolve("image/lib/app")).getParent().getParent();
    Files.createFile(image.resolve("lib/app/desktop-0.1.0.jar"));
    program(image.resolve("bin/loose-echo"), text("packaging/loose-echo.sh"));
    java(image.resolve("lib/runtime"), "17.0.1");

    String said = start(image.resolve("bin"), "song.wav");

    assertTrue(said.startsWith(image + "/lib/runtime/bin/java "), said);
    assertFalse(said.contains("--module-path"), said);
    assertTrue(said.endsWith("-cp " + image + "/lib/app/* looseecho.desktop.Launcher song.wav"));
    assertEquals(
        image + "/lib/runtime/bin/java -cp " + image + "/lib/app/* looseecho.cli.Main analyze x",
        start(image.resolve("bin"), "analyze", "x"));
  }

  @Test
  void whatJavaMadeOfTheClassesIsUsedFromTheSecondStartOn() throws Exception {
    String kept = start(zip, "demo").replaceFirst(".*ArchiveClassesAtExit=(\\S+).*", "$1");
    assertTrue(kept.startsWith(dir + "/cache/loose-echo/classes-17-"), kept);
    Files.createFile(Path.of(kept));
    String mark = "-Dlooseecho.settled=" + kept + ".settled";
    assertTrue(start(zip, "demo").contains(mark), "without its mark it is not used");
    Files.createFile(Path.of(kept + ".settled"));

    assertTrue(start(zip, "demo").contains("-XX:SharedArchiveFile=" + kept + " "));

    Files.writeString(zip.resolve("lib/desktop-0.1.0.jar"), "another build");
    assertTrue(start(zip, "demo").contains("ArchiveClassesAtExit"));
  }

  @Test
  void anOldJavaIsNamed() throws Exception {
    java(dir.resolve("jdk"), "11.0.2");
    assertEquals("Loose Echo needs Java 17 or newer (this is 11).", start(zip, "demo"));
    Files.delete(dir.resolve("jdk/release")); // then Java itself is asked
    assertEquals("Loose Echo needs Java 17 or newer (this is none).", start(zip, "demo"));
  }

  @Test
  void windowsAndTheMacStartTheSame() throws IOException {
    String bat = text("packaging/loose-echo.bat");
    assertTrue(
        bat.contains(
            "--module-path \"%HERE%javafx\\win\" --add-modules javafx.controls,javafx.swing"));
    assertTrue(bat.contains("-cp \"%HERE%lib\\*\" looseecho.desktop.Launcher %*"));
    assertTrue(bat.contains("-cp \"%HERE%lib\\*\" looseecho.cli.Main %*"));
    assertEquals(options(text("packaging/loose-echo.sh")), options(bat));
    assertTrue(Files.exists(ROOT.resolve("desktop/src/main/java/looseecho/desktop/Launcher.java")));
    assertTrue(
        text("packaging/loose-echo.command")
            .contains("exec \"$(dirname \"$0\")/loose-echo\" \"$@\""));
  }

  /** What the made-up Java was told, or what the start file says in its place. */
  private String start(Path folder, String... words) throws Exception {
    List<String> command = new ArrayList<>(List.of(folder.resolve("loose-echo").toString()));
    command.addAll(List.of(words));
    ProcessBuilder b = new ProcessBuilder(command).redirectErrorStream(true);
    b.environment().put("PATH", dir.resolve("tools") + ":" + System.getenv("PATH"));
    b.environment().put("JAVA_HOME", dir.resolve("jdk").toString());
    b.environment().put("XDG_CACHE_HOME", dir.resolve("cache").toString());
    Process p = b.start();
    String said = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    p.waitFor();
    return said.strip();
  }

  private static void java(Path home, String version) throws IOException {
    program(home.resolve("bin/java"), "#!/bin/sh\necho \"$0 $*\"");
    Files.writeString(home.resolve("release"), "JAVA_VERSION=\"" + version + "\"\n");
  }

  private static void program(Path file, String text) throws IOException {
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
    assertTrue(file.toFile().setExecutable(true));
  }

  private static String text(String file) throws IOException {
    return Files.readString(ROOT.resolve(file));
  }

  private static Set<String> words(String file, String pattern) throws IOException {
    Matcher m = Pattern.compile(pattern).matcher(text(file));
    assertTrue(m.find(), file);
    return new TreeSet<>(List.of(m.group(1).trim().split("[ |]+")));
  }

  private static Set<String> options(String text) {
    Set<String> found = new TreeSet<>();
    OPTION.matcher(text).results().forEach(r -> found.add(r.group()));
    return found;
  }
}
