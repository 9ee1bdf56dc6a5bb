package looseecho.project;

import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import looseecho.project.ProjectFile.BadProjectException;

/**
 * The zip around a project: entries that are the same to the byte each time, checked as they are
 * read. Nothing is unpacked to a path that the file names.
 */
final class ProjectZip {
  static final long MOST_SOUND = 4L << 30;
  static final String ENDING = "[A-Za-z0-9]{1,8}";

  private ProjectZip() {}

  /** An entry without a time, so that the same work gives the same bytes. */
  static ZipEntry entry(String name) {
    ZipEntry entry = new ZipEntry(name);
    entry.setTimeLocal(LocalDateTime.of(1980, 1, 1, 0, 0));
    return entry;
  }

  /** A sound's ending, as far as it can be one of an entry. */
  static String ending(Path sound) {
    String name = sound.getFileName().toString();
    String ending = name.substring(name.lastIndexOf('.') + 1).replaceAll("[^A-Za-z0-9]", "");
    return ending.matches(ENDING) ? ending : "sound";
  }

  /** Puts a sound in as it is. */
  static void pack(Path sound, String name, ZipOutputStream zip) throws IOException {
    ZipEntry entry = entry(name);
    entry.setMethod(ZipEntry.STORED); // sound is not made smaller by zip
    entry.setSize(Files.size(sound));
    entry.setCrc(crc(sound));
    zip.putNextEntry(entry);
    Files.copy(sound, zip);
    zip.closeEntry();
  }

  private static long crc(Path sound) throws IOException {
    CRC32 crc = new CRC32();
    try (InputStream in = Files.newInputStream(sound)) {
      byte[] buffer = new byte[1 << 16];
      for (int n = in.read(buffer); n > 0; n = in.read(buffer)) {
        crc.update(buffer, 0, n);
      }
    }
    return crc.getValue();
  }

  /** Opens a project's zip; what is none is refused in a sentence. */
  static ZipFile open(Path path, String name) throws IOException {
    if (!Files.exists(path)) {
      throw new BadProjectException("There is no project " + path + ".", null);
    }
    if (!Files.isRegularFile(path)) {
      throw bad(name, "is a folder, a pipe or a device, not a project,", null);
    }
    byte[] head;
    try (InputStream in = Files.newInputStream(path)) {
      head = in.readNBytes(2);
    } catch (AccessDeniedException e) {
      throw new BadProjectException("There is no permission to read " + path + ".", e);
    }
    if (head.length == 0) {
      throw bad(name, "is empty", null);
    }
    if (head.length < 2 || head[0] != 'P' || head[1] != 'K') {
      throw bad(name, "is not a Loose Echo project", null);
    }
    return new ZipFile(path.toFile());
  }

  /** An entry's bytes, no more than {@code most}. */
  static byte[] bytes(ZipFile zip, ZipEntry entry, long most, String name) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    copy(zip, entry, out, most, name);
    return out.toByteArray();
  }

  /** An entry's bytes as far as they go and if they are whole: zip files do not check that. */
  private static void copy(ZipFile zip, ZipEntry entry, OutputStream out, long most, String name)
      throws IOException {
    CRC32 crc = new CRC32();
    try (InputStream in = zip.getInputStream(entry)) {
      byte[] buffer = new byte[1 << 16];
      long sum = 0;
      for (int n = in.read(buffer); n > 0; n = in.read(buffer)) {
        sum += n;
        if (sum > most) {
          throw bad(name, "is far too large inside", null);
        }
        crc.update(buffer, 0, n);
        out.write(buffer, 0, n);
      }
    }
    if (entry.getCrc() != crc.getValue()) {
      throw bad(name, "is damaged", null);
    }
  }

  /** True where a sound was taken out before. */
  static boolean isOut(ZipEntry entry, Path to) throws IOException {
    return Files.isRegularFile(to)
        && Files.size(to) == entry.getSize()
        && crc(to) == entry.getCrc();
  }

  /** Takes a sound out. */
  static void unpack(ZipFile zip, ZipEntry entry, Path to, Path from) throws IOException {
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(to))) {
      copy(zip, entry, out, MOST_SOUND, String.valueOf(from.getFileName()));
    }
  }

  static BadProjectException bad(String name, String what, Throwable cause) {
    return new BadProjectException(
        name + " " + what + " and was not opened. Nothing was changed.", cause);
  }
}
