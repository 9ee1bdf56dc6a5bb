package looseecho.project;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.StreamWriteFeature;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.util.Optional;
import looseecho.analysis.Analysis;

/** What was heard as JSON and back; what can't be understood is heard again. */
final class HeardJson {
  private static final ObjectMapper MAPPER =
      JsonMapper.builder(
              JsonFactory.builder()
                  .enable(StreamReadFeature.USE_FAST_DOUBLE_PARSER)
                  .enable(StreamWriteFeature.USE_FAST_DOUBLE_WRITER)
                  .build())
          .addModule(new Jdk8Module())
          .configure(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS, true)
          .configure(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES, false)
          .configure(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES, true)
          .build();

  private HeardJson() {}

  /**
   * What was heard, and by which ear.
   *
   * @param ear {@link looseecho.analysis.Analyzer#EAR} of then
   */
  record Kept(int ear, Analysis analysis) {}

  static byte[] write(Kept kept) throws JsonProcessingException {
    return MAPPER.writeValueAsBytes(kept);
  }

  /** Empty for nothing, and for what is damaged or of another kind. */
  static Optional<Kept> read(byte[] json) {
    if (json.length == 0) {
      return Optional.empty();
    }
    try {
      Kept kept = MAPPER.readValue(json, Kept.class);
      return Optional.ofNullable(kept).filter(k -> k.analysis() != null && usable(k.analysis()));
    } catch (IOException | RuntimeException e) {
      System.getLogger(HeardJson.class.getName())
          .log(System.Logger.Level.DEBUG, "what was heard can't be read", e);
      return Optional.empty();
    }
  }

  private static boolean usable(Analysis a) {
    return a.form() != null && a.feel() != null && a.tonality() != null && a.pulse() != null;
  }
}
