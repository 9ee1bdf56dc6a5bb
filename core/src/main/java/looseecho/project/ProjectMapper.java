package looseecho.project;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.StreamWriteFeature;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.util.Optional;
import looseecho.echo.Manner;
import looseecho.echo.Part;
import looseecho.synth.DrumSound;
import looseecho.synth.Moved;
import looseecho.synth.SampleSound;
import looseecho.synth.Source;
import looseecho.synth.ToneSound;

/** How a project is put into JSON and taken out of it. */
final class ProjectMapper {
  private ProjectMapper() {}

  static ObjectMapper make() {
    ObjectMapper mapper =
        new ObjectMapper(
                JsonFactory.builder()
                    .enable(StreamReadFeature.USE_FAST_DOUBLE_PARSER)
                    .enable(StreamWriteFeature.USE_FAST_DOUBLE_WRITER)
                    .streamReadConstraints(
                        StreamReadConstraints.builder()
                            .maxNestingDepth(40)
                            .maxNumberLength(40)
                            .maxStringLength(100_000)
                            .build())
                    .build())
            .addMixIn(Source.class, KindOfSource.class)
            .registerModule(new Jdk8Module())
            .registerModule(new SimpleModule().addKeyDeserializer(Part.class, new PartKey()))
            .configure(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS, true) // byte-equal each time
            .configure(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES, false)
            .configure(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES, true);
    mapper
        .configOverride(Optional.class)
        .setInclude(JsonInclude.Value.construct(JsonInclude.Include.NON_ABSENT, null));
    mapper
        .configOverride(Manner.class)
        .setInclude(
            JsonInclude.Value.construct(
                JsonInclude.Include.CUSTOM, JsonInclude.Include.ALWAYS, Plain.class, null));
    return mapper;
  }

  /** A layer's source says what it is. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = DrumSound.class, name = "drum"),
    @JsonSubTypes.Type(value = ToneSound.class, name = "tone"),
    @JsonSubTypes.Type(value = SampleSound.class, name = "sample"),
    @JsonSubTypes.Type(value = Moved.class, name = "layer")
  })
  private interface KindOfSource {}

  /**
   * Equals what is left out: most strokes are plain, and a project has thousands, each of them
   * twice.
   */
  private static final class Plain {
    @Override
    public boolean equals(Object other) {
      return Manner.PLAIN.equals(other);
    }

    @Override
    public int hashCode() {
      return Manner.PLAIN.hashCode();
    }
  }

  /** Reads the parts by which maps are kept. */
  private static final class PartKey extends KeyDeserializer {
    @Override
    public Object deserializeKey(String key, DeserializationContext context) {
      return Part.valueOf(key);
    }
  }
}
