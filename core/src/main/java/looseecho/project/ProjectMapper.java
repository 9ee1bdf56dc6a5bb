package looseecho.project;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.module.SimpleModule;
import looseecho.echo.Part;

/** How a project is put into JSON and taken out of it. */
final class ProjectMapper {
  private ProjectMapper() {}

  static ObjectMapper make() {
    return new ObjectMapper(
            JsonFactory.builder()
                .streamReadConstraints(
                    StreamReadConstraints.builder()
                        .maxNestingDepth(40)
                        .maxNumberLength(40)
                        .maxStringLength(100_000)
                        .build())
                .build())
        .registerModule(new SimpleModule().addKeyDeserializer(Part.class, new PartKey()))
        .configure(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS, true) // byte-equal each time
        .configure(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES, false)
        .configure(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES, true);
  }

  /** Reads the parts by which maps are kept. */
  private static final class PartKey extends KeyDeserializer {
    @Override
    public Object deserializeKey(String key, DeserializationContext context) {
      return Part.valueOf(key);
    }
  }
}
