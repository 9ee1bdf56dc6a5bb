package looseecho.disk;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

/** Folders of the XDG Base Directory Specification 0.8 and of the other systems' handbooks. */
class MachineTest {
  private static final Path HOME = Path.of("/home/somebody");

  private static UnaryOperator<String> set(String name, String value) {
    return Map.of(name, value)::get;
  }

  @Test
  void thingsLieWhereTheSystemKeepsThem() {
    UnaryOperator<String> nothing = n -> null;
    assertEquals(HOME.resolve(".local/share/loose-echo"), Machine.LINUX.data(nothing, HOME));
    assertEquals(HOME.resolve(".cache/loose-echo"), Machine.LINUX.cache(n -> " ", HOME));
    assertEquals(Path.of("/x/loose-echo"), Machine.LINUX.data(set("XDG_DATA_HOME", "/x"), HOME));
    assertEquals(Path.of("/y/loose-echo"), Machine.WINDOWS.cache(set("LOCALAPPDATA", "/y"), HOME));
    assertEquals(HOME.resolve("AppData/Roaming/loose-echo"), Machine.WINDOWS.data(nothing, HOME));
    assertEquals(
        HOME.resolve("Library/Application Support/loose-echo"),
        Machine.MAC.data(set("XDG_DATA_HOME", "/x"), HOME));
    assertEquals(HOME.resolve("Library/Caches/loose-echo"), Machine.MAC.cache(nothing, HOME));
  }

  @Test
  void systemsAreToldApartAndSayWhetherTheyAreDark() {
    assertEquals(Machine.WINDOWS, Machine.called("Windows 11"));
    assertEquals(Machine.MAC, Machine.called("Mac OS X"));
    assertEquals(Machine.LINUX, Machine.called("Linux"));
    assertEquals(Machine.LINUX, Machine.called("FreeBSD"));
    Optional<Boolean> dark = Optional.of(true);
    Optional<Boolean> light = Optional.of(false);
    assertEquals(dark, Machine.LINUX.answer(0, "(<<uint32 1>>,)"));
    assertEquals(light, Machine.LINUX.answer(0, "(<<uint32 2>>,)"));
    assertEquals(Optional.empty(), Machine.LINUX.answer(1, "Error: no such name"));
    assertEquals(dark, Machine.WINDOWS.answer(0, "AppsUseLightTheme    REG_DWORD    0x0"));
    assertEquals(light, Machine.WINDOWS.answer(0, "AppsUseLightTheme    REG_DWORD    0x1"));
    assertEquals(dark, Machine.MAC.answer(0, "Dark"));
    assertEquals(light, Machine.MAC.answer(1, "The domain/default pair does not exist"));
  }
}
