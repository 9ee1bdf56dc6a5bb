package looseecho.drawer;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.palette.Descriptors;
import looseecho.palette.Picture;
import looseecho.palette.SoundClass;
import looseecho.palette.SoundClassifier;

/**
 * The drawer's database. What was measured once is kept until the file changes. Belongs to one
 * thread.
 */
public final class Drawer implements AutoCloseable {
  private static final int VERSION = 4; // one more when sounds are measured or told otherwise
  private static final String FIELDS =
      "file, size, modified, class, confidence, attack, decay, length, pitch, fall, centroid, noise,"
          + " odd, width, picture";
  private static final String KEPT = FIELDS + ", shares, place";

  private final Connection database;

  private Drawer(Connection database) {
    this.database = database;
  }

  /** Opens the database in a folder, made where it is missing; an older one is begun anew. */
  public static Drawer open(Path folder) throws IOException {
    try {
      Files.createDirectories(folder);
      Path file = folder.resolve("drawer.db");
      Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
      Drawer drawer = new Drawer(c);
      drawer.prepare();
      return drawer;
    } catch (SQLException e) {
      throw new IOException("The drawer in " + folder + " can't be opened: " + e.getMessage(), e);
    }
  }

  private void prepare() throws SQLException {
    try (Statement s = database.createStatement()) {
      s.execute("PRAGMA journal_mode = WAL");
      s.execute("PRAGMA synchronous = NORMAL");
      int version = s.executeQuery("PRAGMA user_version").getInt(1);
      if (version != VERSION) {
        s.execute("DROP TABLE IF EXISTS sound");
        s.execute("PRAGMA user_version = " + VERSION);
      }
      s.execute(
          "CREATE TABLE IF NOT EXISTS sound (file TEXT PRIMARY KEY, size INTEGER, modified INTEGER,"
              + " class TEXT, confidence REAL, attack REAL, decay REAL, length REAL, pitch REAL,"
              + " fall REAL, centroid REAL, noise REAL, odd REAL, width REAL, picture BLOB, shares BLOB,"
              + " place BLOB)");
    }
  }

  /** True when a file is in the drawer as it is now. */
  boolean knows(Path file, long size, long modified) throws IOException {
    try (PreparedStatement s =
        database.prepareStatement(
            "SELECT 1 FROM sound WHERE file = ? AND size = ? AND modified = ?")) {
      s.setString(1, file.toString());
      s.setLong(2, size);
      s.setLong(3, modified);
      return s.executeQuery().next();
    } catch (SQLException e) {
      throw broken(e);
    }
  }

  /** Keeps what was measured, all or nothing. */
  void put(List<Measured> sounds) throws IOException {
    String marks = "?" + ", ?".repeat(KEPT.split(",").length - 1);
    try (PreparedStatement s =
        database.prepareStatement(
            "INSERT OR REPLACE INTO sound (" + KEPT + ") VALUES (" + marks + ")")) {
      for (Measured m : sounds) {
        fill(s, m.entry());
        s.setBytes(16, floats(m.look().shares()));
        s.setBytes(17, m.look().place());
        s.addBatch();
      }
      together(s);
    } catch (SQLException e) {
      throw broken(e);
    }
  }

  /**
   * A sample as it was measured.
   *
   * @param look what the drawer's other samples are judged by, too
   */
  record Measured(Entry entry, SoundClassifier.Look look) {}

  private void together(PreparedStatement batch) throws SQLException {
    database.setAutoCommit(false);
    batch.executeBatch();
    database.commit();
    database.setAutoCommit(true);
  }

  private static byte[] floats(double[] values) {
    ByteBuffer out = ByteBuffer.allocate(Float.BYTES * values.length);
    for (double v : values) {
      out.putFloat((float) v);
    }
    return out.array();
  }

  private static double[] doubles(byte[] floats) {
    FloatBuffer in = ByteBuffer.wrap(floats).asFloatBuffer();
    return IntStream.range(0, in.limit()).mapToDouble(in::get).toArray();
  }

  /** Tells every sound's class once more, each together with those that are like it. */
  void settle() throws IOException {
    List<String> files = new ArrayList<>();
    List<SoundClassifier.Look> looks = new ArrayList<>();
    try (PreparedStatement read =
            database.prepareStatement("SELECT file, shares, place FROM sound ORDER BY file");
        PreparedStatement write =
            database.prepareStatement("UPDATE sound SET class = ?, confidence = ? WHERE file = ?");
        ResultSet r = read.executeQuery()) {
      while (r.next()) {
        files.add(r.getString(1));
        looks.add(new SoundClassifier.Look(doubles(r.getBytes(2)), r.getBytes(3)));
      }
      List<double[]> settled = Neighbours.settled(looks);
      for (int k = 0; k < settled.size(); k++) {
        SoundClassifier.Said said = SoundClassifier.Said.of(settled.get(k));
        write.setString(1, said.what().name());
        write.setDouble(2, said.confidence());
        write.setString(3, files.get(k));
        write.addBatch();
      }
      together(write);
    } catch (SQLException e) {
      throw broken(e);
    }
  }

  private static void fill(PreparedStatement s, Entry e) throws SQLException {
    Descriptors d = e.like();
    s.setString(1, e.file().toString());
    s.setLong(2, e.size());
    s.setLong(3, e.modified());
    s.setString(4, e.what().name());
    double[] numbers = {
      e.confidence(),
      d.attackMs(),
      d.decayMs(),
      d.lengthMs(),
      d.pitchHz(),
      d.pitchFall(),
      d.centroidHz(),
      d.noise(),
      d.oddShare(),
      d.width()
    };
    for (int k = 0; k < numbers.length; k++) {
      s.setDouble(5 + k, numbers[k]);
    }
    s.setBytes(5 + numbers.length, e.picture().bytes());
  }

  /** All sounds, by file. */
  public List<Entry> entries() throws IOException {
    return query("SELECT " + FIELDS + " FROM sound ORDER BY file", Optional.empty());
  }

  /** The sounds below a folder, by file. */
  public List<Entry> entries(Path folder) throws IOException {
    String below = folder.toAbsolutePath().normalize() + java.io.File.separator;
    return query(
        "SELECT " + FIELDS + " FROM sound WHERE substr(file, 1, length(?1)) = ?1 ORDER BY file",
        Optional.of(below));
  }

  private List<Entry> query(String sql, Optional<String> parameter) throws IOException {
    List<Entry> out = new ArrayList<>();
    try (PreparedStatement s = database.prepareStatement(sql)) {
      if (parameter.isPresent()) {
        s.setString(1, parameter.get());
      }
      try (ResultSet r = s.executeQuery()) {
        while (r.next()) {
          out.add(entry(r));
        }
      }
      return out;
    } catch (SQLException e) {
      throw broken(e);
    }
  }

  private static Entry entry(ResultSet r) throws SQLException {
    Descriptors d =
        new Descriptors(
            r.getDouble(6),
            r.getDouble(7),
            r.getDouble(8),
            r.getDouble(9),
            r.getDouble(10),
            r.getDouble(11),
            r.getDouble(12),
            r.getDouble(13),
            r.getDouble(14));
    return new Entry(
        Path.of(r.getString(1)),
        r.getLong(2),
        r.getLong(3),
        SoundClass.valueOf(r.getString(4)),
        r.getDouble(5),
        d,
        Picture.of(r.getBytes(15)));
  }

  /** Forgets sounds whose files are gone from a folder. */
  int forgetGone(Path folder) throws IOException {
    int gone = 0;
    try (PreparedStatement s = database.prepareStatement("DELETE FROM sound WHERE file = ?")) {
      for (Entry e : entries(folder)) {
        if (!Files.exists(e.file())) {
          s.setString(1, e.file().toString());
          gone += s.executeUpdate();
        }
      }
      return gone;
    } catch (SQLException e) {
      throw broken(e);
    }
  }

  private static IOException broken(SQLException e) {
    return new IOException("The drawer's database says: " + e.getMessage(), e);
  }

  @Override
  public void close() throws IOException {
    try {
      database.close();
    } catch (SQLException e) {
      throw broken(e);
    }
  }
}
